import { randomUUID } from 'node:crypto';
import { lawnBody, signedInCompany, testServer, type TestServer } from '../../test/testServer';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

type Agent = Awaited<ReturnType<typeof signedInCompany>>['agent'];
const put = (agent: Agent, id: string, body: object, version: number, key: string) =>
  agent
    .put(`/api/lawns/${id}`)
    .set('idempotency-key', key)
    .send({ ...body, version });

it('takes a write once, however often and however late it is sent again', async () => {
  const { agent } = await signedInCompany(server);
  const id = randomUUID();
  const body = lawnBody();
  const [first, second] = [randomUUID(), randomUUID()];
  await put(agent, id, body, 0, first).expect(200);
  await put(agent, id, { ...body, name: 'Second' }, 1, second).expect(200);
  // The answer to the first was lost; it comes again after the second.
  const late = await put(agent, id, body, 0, first).expect(200);
  expect(late.body).toMatchObject({ version: 2, name: 'Second' });
  const again = await put(agent, id, { ...body, name: 'Second' }, 1, second).expect(200);
  expect(again.body.version).toBe(2);
});

it('counts every acknowledged write once under a storm of repeats out of order', async () => {
  const { agent, companyId } = await signedInCompany(server);
  const writes = Array.from({ length: 12 }, () => ({
    id: randomUUID(),
    key: randomUUID(),
    body: lawnBody(),
  }));
  const storm = [...writes, ...writes, ...writes]
    .map((write, index) => ({ write, at: (index * 7919) % 36 }))
    .sort((a, b) => a.at - b.at);
  const answers = await Promise.all(
    storm.map(({ write }) => put(agent, write.id, write.body, 0, write.key)),
  );
  // Two of the same at the very same moment: one may meet the other's lock; it is then sent again.
  const acknowledged = new Set(
    answers.flatMap((answer, index) => (answer.status === 200 ? [storm[index]!.write.id] : [])),
  );
  expect(acknowledged.size).toBe(writes.length);
  const rows = await server.models.lawns.findAll({ where: { companyId } });
  expect(rows).toHaveLength(writes.length);
  expect(rows.every(({ version }) => version === 1)).toBe(true);
  const ledger = await server.models.acceptedWrites.count({ where: { companyId } });
  expect(ledger).toBe(writes.length);
});

it('does not let another company use a write’s id, and wants a UUID', async () => {
  const [one, other] = await Promise.all([signedInCompany(server), signedInCompany(server)]);
  const id = randomUUID();
  const key = randomUUID();
  await put(one.agent, id, lawnBody(), 0, key).expect(200);
  await put(other.agent, id, lawnBody(), 0, key).expect(404);
  const bad = await put(one.agent, id, lawnBody(), 1, 'again').expect(422);
  expect(bad.body.error.message).toBe('an id is a UUID');
});
