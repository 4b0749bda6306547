import { randomUUID } from 'node:crypto';
import { takeAlongSchema } from '@alfombra/core';
import { lawnBody, signedInCompany, testServer, type TestServer } from '../../test/testServer';

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
  expect(taken.summaries.map((summary) => summary.id)).toEqual([id]);
  expect(Object.keys(taken.weather)).toEqual(['valley']);
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
