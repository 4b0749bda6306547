import { randomUUID } from 'node:crypto';
import { takeAlongSchema } from '@alfombra/core';
import type TestAgent from 'supertest/lib/agent';
import { lawnBody, signedInCompany, testServer, type TestServer } from '../../test/testServer';

type Agent = TestAgent;
let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

it('is everything a phone needs, and only its own company’s', async () => {
  const [{ agent }, { agent: stranger }] = [
    await signedInCompany(server),
    await signedInCompany(server),
  ];
  const id = randomUUID();
  await agent
    .put(`/api/lawns/${id}`)
    .send({ ...lawnBody(), version: 0 })
    .expect(200);
  const taken = takeAlongSchema.parse((await agent.get('/api/take-along').expect(200)).body);
  expect(taken.files.map(({ lawn }) => lawn.id)).toEqual([id]);
  expect(taken.lawns).toBe(1);
  expect(Object.keys(taken.weather ?? {})).toEqual(['valley']);
  expect((await stranger.get('/api/take-along')).body.files).toEqual([]);
});

it('carries a lawn that nobody has measured yet', async () => {
  const { agent } = await signedInCompany(server);
  const id = randomUUID();
  await agent
    .put(`/api/lawns/${id}`)
    .send({ ...lawnBody(), zones: [], version: 0 })
    .expect(200);
  const [summary] = (await agent.get('/api/lawns')).body;
  expect(summary).toMatchObject({ areaFt2: 0, due: [], next: null, followUps: [] });
});

describe('what has changed since', () => {
  const ask = async (agent: Agent, taken: object = {}) =>
    takeAlongSchema.parse((await agent.get('/api/take-along').query(taken).expect(200)).body);
  const put = (agent: Agent, id: string, version: number, name: string) =>
    agent
      .put(`/api/lawns/${id}`)
      .send({ ...lawnBody(), name, version })
      .expect(200);

  it('is nothing when nothing has, and one group of lawns when one lawn has', async () => {
    const { agent } = await signedInCompany(server);
    const ids = Array.from({ length: 12 }, () => randomUUID());
    for (const [index, id] of ids.entries()) await put(agent, id, 0, `${index} Warp Row`);
    const first = await ask(agent);
    expect(first.files).toHaveLength(12);
    const again = await ask(agent, first.taken);
    expect(again).toEqual({ files: [], lawns: 12, taken: first.taken });

    await put(agent, ids[3]!, 1, 'The same, renamed');
    const changed = await ask(agent, first.taken);
    expect(changed.files.map(({ lawn }) => lawn.name)).toContain('The same, renamed');
    expect(changed.files.length).toBeLessThan(6);
    expect(changed.customers).toBeUndefined();
    expect(changed.taken.files).not.toBe(first.taken.files);
    expect((await ask(agent, changed.taken)).files).toEqual([]);
  });

  it('is everything when what the phone says makes no sense', async () => {
    const { agent } = await signedInCompany(server);
    await put(agent, randomUUID(), 0, '1 Weft Row');
    const odd = await ask(agent, { files: 'no digest', company: 'x' });
    expect(odd.files).toHaveLength(1);
    expect(odd.company).toBeDefined();
    await agent
      .get('/api/take-along')
      .query({ files: 'x'.repeat(5000) })
      .expect(422);
  });
});
