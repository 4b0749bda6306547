import { randomUUID } from 'node:crypto';
import { lawnBody, signedInCompany, testServer, type TestServer } from '../../test/testServer';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

/** A signed-in company with one lawn of one zone and one patch, and a visit that suits it. */
async function atTheKerb() {
  const { agent } = await signedInCompany(server, { role: 'technician' });
  const lawnId = randomUUID();
  const zoneId = randomUUID();
  const patchId = randomUUID();
  const patch = {
    id: patchId,
    zoneId,
    number: 1,
    centre: { x: 10, y: 10 },
    widthFt: 3,
    lengthFt: 4,
    seenOn: '2026-04-01',
  };
  await agent
    .put(`/api/lawns/${lawnId}`)
    .send({ ...lawnBody(zoneId), patches: [patch], version: 0 })
    .expect(200);
  const look = {
    zoneId,
    patchId,
    answers: { 's-edge-yellow': true },
    tests: [{ test: 'chinch-float', sampler: 4, counts: [3, 2, 2] }],
    leading: [{ cause: 'chinch-bug', p: 0.6 }],
    decision: { kind: 'cause', cause: 'chinch-bug' },
    weeds: [],
  };
  const visit = {
    lawnId,
    date: '2026-04-08',
    technician: 'Test Person',
    looks: [look],
    version: 0,
  };
  return { agent, lawnId, look, visit };
}

it('keeps a visit whole and lists it under its lawn, latest first', async () => {
  const { agent, lawnId, visit } = await atTheKerb();
  const [first, second] = [randomUUID(), randomUUID()];
  await agent.put(`/api/visits/${first}`).send(visit).expect(200);
  await agent
    .put(`/api/visits/${second}`)
    .send({ ...visit, date: '2026-04-20' })
    .expect(200);
  const { body } = await agent.get(`/api/lawns/${lawnId}/visits`).expect(200);
  expect(body.map(({ id }: { id: string }) => id)).toEqual([second, first]);
  expect(body[1]).toMatchObject({ ...visit, version: 1 });
});

it('is one visit however often it is sent', async () => {
  const { agent, lawnId, visit } = await atTheKerb();
  const id = randomUUID();
  for (let sent = 0; sent < 3; sent += 1) {
    const { body } = await agent.put(`/api/visits/${id}`).send(visit).expect(200);
    expect(body.version).toBe(1);
  }
  expect((await agent.get(`/api/lawns/${lawnId}/visits`)).body).toHaveLength(1);
});

it('takes a correction, and refuses one of an older copy', async () => {
  const { agent, visit } = await atTheKerb();
  const id = randomUUID();
  await agent.put(`/api/visits/${id}`).send(visit).expect(200);
  const corrected = { ...visit, note: 'rim by the drive', version: 1 };
  expect((await agent.put(`/api/visits/${id}`).send(corrected)).body.version).toBe(2);
  const stale = await agent.put(`/api/visits/${id}`).send({ ...visit, note: 'other', version: 1 });
  expect([stale.status, stale.body.error.code]).toEqual([409, 'stale-version']);
});

it('belongs to a zone and a patch of its lawn', async () => {
  const { agent, look, visit } = await atTheKerb();
  for (const part of ['zoneId', 'patchId'] as const) {
    const response = await agent
      .put(`/api/visits/${randomUUID()}`)
      .send({ ...visit, looks: [look, { ...look, [part]: randomUUID() }] });
    expect(response.status).toBe(422);
    expect(response.body.error.path).toEqual(['looks', 1, part]);
  }
});

it.each([
  ['a sign that is none', { answers: { 's-made-up': true } }, 'looks.0.answers'],
  [
    'a count below 0',
    { tests: [{ test: 'chinch-float', sampler: 4, counts: [-1] }] },
    'looks.0.tests.0.counts.0',
  ],
  [
    'a cause that is none',
    { decision: { kind: 'cause', cause: 'gnomes' } },
    'looks.0.decision.cause',
  ],
])('points at %s and keeps nothing', async (_, change, path) => {
  const { agent, lawnId, look, visit } = await atTheKerb();
  const response = await agent
    .put(`/api/visits/${randomUUID()}`)
    .send({ ...visit, looks: [{ ...look, ...change }] });
  expect(response.status).toBe(422);
  const paths = response.body.error.issues.map((issue: { path: string[] }) => issue.path.join('.'));
  expect(paths.some((found: string) => found.startsWith(path))).toBe(true);
  expect((await agent.get(`/api/lawns/${lawnId}/visits`)).body).toEqual([]);
});
