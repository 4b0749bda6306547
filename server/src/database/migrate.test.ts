import { execFileSync } from 'node:child_process';
import type { Sequelize } from 'sequelize';
import { connect } from './connect';
import { migrate } from './migrate';
import { migrations } from './migrations';

const DATABASES = ['alfombra_test_at_once', 'alfombra_test_cut_off'] as const;

const asRoot = (sql: string) =>
  execFileSync(
    'mariadb',
    ['--no-defaults', '--socket=database.sock', '-u', 'root', '--execute', sql],
    { cwd: process.env.ALFOMBRA_TEST_DB_DIR, stdio: ['ignore', 'ignore', 'inherit'] },
  );
const connected: Sequelize[] = [];
function connection(name: string): Sequelize {
  const sequelize = connect({
    port: Number(process.env.ALFOMBRA_TEST_DB_PORT),
    name,
    user: 'alfombra',
    password: process.env.ALFOMBRA_TEST_DB_PASSWORD ?? '',
  });
  connected.push(sequelize);
  return sequelize;
}
const names = migrations.map(({ name }) => name);

beforeAll(() => {
  for (const name of DATABASES) {
    asRoot(`CREATE DATABASE \`${name}\` CHARACTER SET utf8mb4;
      GRANT ALL ON \`${name}\`.* TO 'alfombra'@'127.0.0.1'`);
  }
});
afterAll(async () => {
  await Promise.all(connected.map((sequelize) => sequelize.close()));
  for (const name of DATABASES) asRoot(`DROP DATABASE \`${name}\``);
});

it('makes the tables once, however many servers start at the same moment', async () => {
  const made = await Promise.all(
    Array.from({ length: 4 }, () => migrate(connection(DATABASES[0]))),
  );
  expect(made.flat()).toEqual(names);
});

it('is finished by the next start, wherever it was cut off', async () => {
  const sequelize = connection(DATABASES[1]);
  const tables = sequelize.getQueryInterface();
  const changes = ['createTable', 'addIndex', 'dropTable'] as const;
  let starts = 0;
  let made: string[] | null = null;
  // Each start is cut off one change of the schema later than the one before.
  for (; made === null; starts += 1) {
    let left = starts;
    const spies = changes.map((change) => {
      const really = tables[change].bind(tables) as (...what: unknown[]) => Promise<void>;
      return jest.spyOn(tables, change).mockImplementation(async (...what: unknown[]) => {
        await really(...what);
        left -= 1;
        if (left < 0) throw new Error('cut off');
      });
    });
    made = await migrate(sequelize).catch((error: Error) => {
      expect(error.message).toMatch(/cut off/);
      return null;
    });
    spies.forEach((spy) => spy.mockRestore());
  }
  expect(starts).toBeGreaterThan(10);
  expect(await migrate(sequelize)).toEqual([]);
});
