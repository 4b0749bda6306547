import type { Model, ModelStatic } from 'sequelize';
import { signedInCompany, testServer, type TestServer } from '../../test/testServer';
import { companyMarks } from './companyMarks';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

const ask = (companyId: string) => companyMarks(server.models.sequelize, companyId);

it('knows every table whose rows are a company’s and have versions', async () => {
  const { companyId } = await signedInCompany(server);
  const tables = (Object.values(server.models) as ModelStatic<Model>[])
    .filter((model) => typeof model.getAttributes === 'function')
    .filter((model) => ['companyId', 'version'].every((name) => name in model.getAttributes()))
    .map((model) => model.getTableName());
  expect(Object.keys(await ask(companyId)).sort()).toEqual(tables.sort());
});

it('changes with every write, back and forth, and with no other company’s', async () => {
  const [mine, other] = [await signedInCompany(server), await signedInCompany(server)];
  const seen = new Set([(await ask(mine.companyId)).customers]);
  const put = (who: typeof mine, id: string, version: number, name: string) =>
    who.agent.put(`/api/customers/${id}`).send({ name, version }).expect(200);
  const ids = [1, 2, 3].map((n) => `0190de0${n}-0000-7000-8000-${mine.companyId.slice(-12)}`);
  // One of two goes and another comes with the same sum of versions: told apart by who they are.
  for (const id of ids) {
    await put(mine, id, 0, 'Nobody');
    await put(mine, id, 1, 'Somebody');
    seen.add((await ask(mine.companyId)).customers);
    await server.models.customers.destroy({ where: { id } });
  }
  expect(seen.size).toBe(4);
  const before = await ask(mine.companyId);
  await put(other, `0190de04-0000-7000-8000-${mine.companyId.slice(-12)}`, 0, 'Another');
  expect(await ask(mine.companyId)).toEqual(before);
});
