import { randomUUID } from 'node:crypto';
import { lawnBody, signedInCompany, testServer, type TestServer } from '../../test/testServer';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

async function setUp() {
  const { agent } = await signedInCompany(server);
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
  return { agent, lawnId, record };
}

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
