import { randomBytes, randomUUID } from 'node:crypto';
import { v7 as uuid } from 'uuid';
import { lawnBody, signedInCompany, testServer, type TestServer } from '../../test/testServer';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

async function lawn() {
  const { agent, companyId } = await signedInCompany(server);
  const lawnId = uuid();
  await agent
    .put(`/api/lawns/${lawnId}`)
    .send({ ...lawnBody(), version: 0 })
    .expect(200);
  return { agent, companyId, lawnId };
}
const visit = (lawnId: string, note = '') => ({
  lawnId,
  date: '2026-04-08',
  technician: 'Test Person',
  note,
  looks: [],
  version: 0,
});
const tally = (answers: readonly { status: number }[]) =>
  answers.reduce<Record<number, number>>(
    (sum, { status }) => ({ ...sum, [status]: (sum[status] ?? 0) + 1 }),
    {},
  );

it('takes new documents of sixteen phones at once, with the app’s own ids', async () => {
  const { agent, lawnId } = await lawn();
  const phones = Array.from({ length: 16 }, async () => {
    const answers = [];
    for (let turn = 0; turn < 8; turn += 1) {
      answers.push(
        await agent.put(`/api/visits/${uuid()}`).set('idempotency-key', uuid()).send(visit(lawnId)),
      );
    }
    return answers;
  });
  expect(tally((await Promise.all(phones)).flat())).toEqual({ 200: 128 });
}, 60_000);

it('takes the same new write from many at the very same moment once, and answers each', async () => {
  const { agent, companyId } = await lawn();
  for (let turn = 0; turn < 10; turn += 1) {
    const [id, key] = [uuid(), uuid()];
    const answers = await Promise.all(
      Array.from({ length: 6 }, () =>
        agent
          .put(`/api/lawns/${id}`)
          .set('idempotency-key', key)
          .send({ ...lawnBody(`0190a000-0000-7000-8000-00000000000${turn % 10}`), version: 0 }),
      ),
    );
    expect(tally(answers)).toEqual({ 200: 6 });
  }
  const rows = await server.models.lawns.findAll({ where: { companyId } });
  expect(rows.map(({ version }) => version)).toEqual(rows.map(() => 1));
}, 60_000);

it('takes many pieces of photos at once and lets everybody else through', async () => {
  const { agent, lawnId } = await lawn();
  const bytes = randomBytes(40_000);
  const ids = Array.from({ length: 40 }, () => uuid());
  for (const id of ids) {
    await agent
      .put(`/api/photos/${id}`)
      .send({ lawnId, date: '2026-04-08', type: 'image/jpeg', bytes: 80_000, version: 0 })
      .expect(200);
  }
  const pieces = ids.map((id) =>
    agent
      .put(`/api/photos/${id}/bytes?start=0`)
      .set('content-type', 'application/octet-stream')
      .send(bytes),
  );
  const started = Date.now();
  const others = Array.from({ length: 5 }, () => agent.get('/api/session'));
  const answers = await Promise.all([...pieces, ...others]);
  expect(tally(answers)).toEqual({ 200: 45 });
  // The pool's own limit is ten seconds: a second connection inside a transaction meets it.
  expect(Date.now() - started).toBeLessThan(9000);
}, 60_000);

it('refuses an id of a write that was used for another document, of this company only', async () => {
  const [one, other] = await Promise.all([lawn(), lawn()]);
  const key = uuid();
  const put = ({ agent, lawnId }: Awaited<ReturnType<typeof lawn>>) =>
    agent.put(`/api/visits/${uuid()}`).set('idempotency-key', key).send(visit(lawnId));
  expect((await put(one)).status).toBe(200);
  const again = await put(one);
  expect([again.status, again.body.error.path]).toEqual([422, ['idempotency-key']]);
  // What another company has used says nothing here.
  expect((await put(other)).status).toBe(200);
});

it('keeps a text that was cut in the middle of an emoji, mended', async () => {
  const { agent, lawnId } = await lawn();
  const id = randomUUID();
  const answer = await agent
    .put(`/api/visits/${id}`)
    .set('content-type', 'application/json')
    .send(JSON.stringify(visit(lawnId, 'grubs?')).replace('grubs?', 'grubs \\ud83c'));
  expect([answer.status, answer.body.note]).toEqual([200, 'grubs \uFFFD']);
});

it('knows a document by its id in capitals, too', async () => {
  const { agent, lawnId } = await lawn();
  const read = await agent.get(`/api/lawns/${lawnId.toUpperCase()}`).expect(200);
  expect(read.body.id).toBe(lawnId);
});
