/** Starts the tests' own MariaDB: its own port and folder, gone afterwards. */
const { execFileSync } = require('node:child_process');
const { readFileSync, rmSync } = require('node:fs');
const { join } = require('node:path');

const ROOT = join(__dirname, '..', '..');
const settings = {
  DB_DIR: join(ROOT, '.data', 'test-mariadb'),
  DB_PORT: process.env.ALFOMBRA_TEST_DB_PORT ?? '13491',
  DB_NAME: 'alfombra_test',
};
const database = (verb) =>
  execFileSync('bash', [join(ROOT, 'scripts', 'database.sh'), verb], {
    env: { ...process.env, ...settings },
    stdio: ['ignore', 'ignore', 'inherit'],
  });

module.exports = async () => {
  database('stop');
  rmSync(settings.DB_DIR, { recursive: true, force: true });
  database('start');
  process.env.ALFOMBRA_TEST_DB_DIR = settings.DB_DIR;
  process.env.ALFOMBRA_TEST_DB_PORT = settings.DB_PORT;
  process.env.ALFOMBRA_TEST_DB_PASSWORD = readFileSync(join(settings.DB_DIR, 'password'), 'utf8');
};
module.exports.stop = () => {
  database('stop');
  rmSync(settings.DB_DIR, { recursive: true, force: true });
};
