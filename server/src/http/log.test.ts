import { QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import request from 'supertest';
import { createApp } from '../app';
import { PASSWORD, signedInCompany, testServer, type TestServer } from '../../test/testServer';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

const SECRET = 'the dog bites at 4711';

it('holds what failed and where, and nothing that anybody wrote or signs in with', async () => {
  const { email } = await signedInCompany(server);
  const lines: string[] = [];
  const app = createApp(server.models, {
    logLevel: 'trace',
    web: undefined,
    secureCookie: false,
    key: 'a key of the tests alone',
    logTo: { write: (line) => void lines.push(line) },
  });
  const agent = request.agent(app);
  const answer = await agent.post('/api/session').send({ email, password: PASSWORD }).expect(200);
  const token = /alfombra=([^;]+)/.exec(String(answer.headers['set-cookie']))?.[1];
  const put = (body: object) => agent.put(`/api/customers/${uuid()}`).send({ version: 0, ...body });
  await put({ name: 'Nobody', phone: SECRET }).expect(200);
  await put({ name: SECRET.repeat(500) }).expect(422);
  const create = jest.spyOn(server.models.customers, 'create');
  create.mockImplementationOnce(() =>
    server.models.sequelize.query('INSERT INTO customers (name) VALUES (:name)', {
      replacements: { name: SECRET },
      type: QueryTypes.INSERT,
    }),
  );
  await put({ name: SECRET }).expect(500);
  create.mockRestore();
  const log = lines.join('\n');
  expect(log).toContain('unexpected failure');
  expect(log).toContain('"errno"');
  expect(log).toContain('/api/customers/');
  expect(token).toBeTruthy();
  for (const secret of [SECRET, PASSWORD, email, String(token)]) expect(log).not.toContain(secret);
});
