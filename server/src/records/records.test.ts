import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { hashPassword } from '../sessions/password';
import {
  lawnBody,
  PASSWORD,
  signedInCompany,
  testServer,
  type TestServer,
} from '../../test/testServer';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

async function setUp() {
  const { agent, companyId } = await signedInCompany(server);
  const lawnId = randomUUID();
  const zoneId = randomUUID();
  await agent
    .put(`/api/lawns/${lawnId}`)
    .send({ ...lawnBody(zoneId), version: 0 })
    .expect(200);
  const record = (fields: Record<string, unknown> = {}) => ({
    lawnId,
    zoneId,
    stepId: null,
    date: '2026-04-08',
    start: '09:00',
    end: '09:30',
    areaFt2: 3000,
    materials: [
      { kind: 'herbicide', slug: 'threeway-amine', amount: (64 * 3000) / 43_560, unit: 'fl-oz' },
    ],
    carrierGal: 3,
    weather: { airF: 72, windMph: 5, windFrom: 'W', sky: 'clear' },
    applicator: 'Test Person',
    licence: 'T-1',
    version: 0,
    ...fields,
  });
  return { agent, companyId, lawnId, record };
}

describe('who', () => {
  /** A colleague in the same company, signed in. */
  async function colleague(companyId: string, licence: string) {
    const email = `${randomUUID()}@test.example`;
    const id = randomUUID();
    await server.models.users.create({
      id,
      companyId,
      name: `Colleague ${licence}`,
      email,
      role: 'technician',
      licence,
      passwordHash: await hashPassword(PASSWORD),
    });
    const agent = request.agent(server.app);
    await agent.post('/api/session').send({ email, password: PASSWORD }).expect(200);
    return { agent, id };
  }
  it('entered it is the session’s person, and nobody else writes over it or moves it', async () => {
    const { agent, companyId, record, lawnId } = await setUp();
    const other = await colleague(companyId, 'T-2');
    const id = randomUUID();
    const forged = { id: other.id, name: 'Somebody else' };
    const kept = await agent.put(`/api/records/${id}`).send(record({ enteredBy: forged }));
    expect(kept.body.enteredBy).toMatchObject({ name: 'Test Person' });
    const foreign = await other.agent
      .put(`/api/records/${id}`)
      .send(record({ areaFt2: 1, version: 1 }));
    expect([foreign.status, foreign.body.error.code]).toEqual([403, 'not-allowed']);
    const elsewhere = randomUUID();
    const zoneId = randomUUID();
    await agent
      .put(`/api/lawns/${elsewhere}`)
      .send({ ...lawnBody(zoneId), version: 0 })
      .expect(200);
    const moved = await agent
      .put(`/api/records/${id}`)
      .send(record({ lawnId: elsewhere, zoneId, version: 1 }));
    expect([moved.status, moved.body.error.path]).toEqual([422, ['lawnId']]);
    const own = await agent.put(`/api/records/${id}`).send(record({ areaFt2: 2900, version: 1 }));
    expect([own.status, own.body.enteredBy.name]).toEqual([200, 'Test Person']);
    expect((await agent.get(`/api/lawns/${lawnId}/records`)).body[0].areaFt2).toBe(2900);
  });
  it('applied it is a licensed member as the company has them, or said to be a stranger', async () => {
    const { agent, companyId, record } = await setUp();
    const other = await colleague(companyId, 'T-2');
    const unlicensed = await colleague(companyId, '');
    const put = (fields: object) =>
      agent.put(`/api/records/${randomUUID()}`).send(record({ ...fields }));
    const theirs = await put({ applicatorId: other.id, applicator: 'X', licence: 'FAKE-999' });
    expect(theirs.body).toMatchObject({ applicator: 'Colleague T-2', licence: 'T-2' });
    const fake = await put({ licence: 'FAKE-999' });
    expect([fake.status, fake.body.error.path]).toEqual([422, ['applicator']]);
    const none = await put({ applicatorId: unlicensed.id });
    expect(none.status).toBe(422);
    const stranger = await put({ applicatorKind: 'customer', applicator: '', licence: '' });
    expect(stranger.body).toMatchObject({ applicatorKind: 'customer', applicatorId: null });
  });
});

it('keeps a record within the limits without a word', async () => {
  const { agent, record, lawnId } = await setUp();
  const response = await agent.put(`/api/records/${randomUUID()}`).send(record()).expect(200);
  expect(response.body).toMatchObject({ version: 1, findings: [] });
  expect((await agent.get(`/api/lawns/${lawnId}/records`)).body).toHaveLength(1);
});

it('keeps an exceedance too, and flags it with the rule', async () => {
  const { agent, record } = await setUp();
  const response = await agent
    .put(`/api/records/${randomUUID()}`)
    .send(
      record({
        materials: [{ kind: 'herbicide', slug: 'threeway-amine', amount: 6, unit: 'fl-oz' }],
        weather: { airF: 91, windMph: 14, windFrom: 'S', sky: 'clear' },
      }),
    )
    .expect(200);
  const rules = response.body.findings.map((f: { rule: string }) => f.rule);
  expect(rules).toEqual(expect.arrayContaining(['rate-over-label', 'too-hot', 'wind']));
  expect(response.body.findings[0].severity).toBe('exceeds');
});

it('judges the second walk with the first in mind', async () => {
  const { agent, record } = await setUp();
  await agent
    .put(`/api/records/${randomUUID()}`)
    .send(record({ date: '2026-04-01' }))
    .expect(200);
  const second = await agent.put(`/api/records/${randomUUID()}`).send(record()).expect(200);
  expect(second.body.findings.map((f: { rule: string }) => f.rule)).toContain('interval');
});

it.each([
  [
    'an unknown product',
    { materials: [{ kind: 'herbicide', slug: 'magic', amount: 1, unit: 'oz' }] },
    'materials.0.slug',
  ],
  [
    'a wrong unit',
    { materials: [{ kind: 'herbicide', slug: 'threeway-amine', amount: 1, unit: 'oz' }] },
    'materials.0.unit',
  ],
  ['nothing put down', { materials: [] }, 'materials'],
  ['no area', { areaFt2: 0 }, 'areaFt2'],
  ['a day to come', { date: '2026-04-09' }, 'date'],
  ['a day that is none', { date: '2026-02-30' }, 'date'],
  ['an end before the start', { end: '08:00' }, 'end'],
  ['no licence', { licence: ' ' }, 'licence'],
])('points at %s', async (_, fields, path) => {
  const { agent, record } = await setUp();
  const response = await agent.put(`/api/records/${randomUUID()}`).send(record(fields));
  expect(response.status).toBe(422);
  const { error } = response.body;
  const paths = [error.path ?? [], ...(error.issues ?? []).map((i: { path: string[] }) => i.path)];
  expect(paths.map((p: string[]) => p.join('.'))).toContain(path);
});
