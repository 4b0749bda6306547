import { randomUUID } from 'node:crypto';
import { signedInCompany, testServer, type TestServer } from '../../test/testServer';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

const body = { name: 'Mabel Thornapple', phone: '555 0100', email: '' };

it('keeps customers, each company its own', async () => {
  const { agent } = await signedInCompany(server);
  const id = randomUUID();
  const made = await agent
    .put(`/api/customers/${id}`)
    .send({ ...body, version: 0 })
    .expect(200);
  expect(made.body).toMatchObject({ id, version: 1, language: 'en', archived: false });
  await agent
    .put(`/api/customers/${id}`)
    .send({ ...body, archived: true, version: 1 })
    .expect(200);
  expect((await agent.get('/api/customers')).body).toEqual([
    expect.objectContaining({ id, archived: true, version: 2 }),
  ]);
  const { agent: stranger } = await signedInCompany(server);
  expect((await stranger.get('/api/customers')).body).toEqual([]);
  await stranger
    .put(`/api/customers/${id}`)
    .send({ ...body, version: 2 })
    .expect(404);
});

it.each([
  [{ name: ' ' }, 'name', 'give the customer a name'],
  [{ email: 'nowhere' }, 'email', 'an e-mail address'],
])('refuses %o at its field', async (change, field, message) => {
  const { agent } = await signedInCompany(server);
  const { body: answer } = await agent
    .put(`/api/customers/${randomUUID()}`)
    .send({ ...body, ...change, version: 0 })
    .expect(422);
  expect(answer.error).toMatchObject({ path: [field], message });
});
