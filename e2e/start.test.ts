/**
 * `npm start` itself, on folders and ports of its own: what it starts again, what it leaves alone, what it
 * mends.
 */
import assert from 'node:assert/strict';
import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { after, describe, it } from 'node:test';
import { setTimeout as wait } from 'node:timers/promises';

const ROOT = join(import.meta.dirname, '..');
const DATA = join(ROOT, '.data', 'e2e-start');
const PORT = process.env.ALFOMBRA_E2E_START_PORT ?? '8493';
const DB_PORT = process.env.ALFOMBRA_E2E_START_DB_PORT ?? '33494';
const ADDRESS = `http://127.0.0.1:${PORT}`;
const WITHIN_MS = 60_000;
const SETTINGS = {
  ...process.env,
  ALFOMBRA_DATA: DATA,
  ALFOMBRA_PORT: PORT,
  ALFOMBRA_DB_PORT: DB_PORT,
};

interface Run {
  process: ChildProcess;
  said: () => string;
  ended: Promise<number | null>;
}
function run(args: string[] = [], env: NodeJS.ProcessEnv = {}): Run {
  const child = spawn('bash', [join(ROOT, 'scripts/start.sh'), ...args], {
    cwd: ROOT,
    env: { ...SETTINGS, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  child.stdout.on('data', (data: Buffer) => (said += data.toString()));
  child.stderr.on('data', (data: Buffer) => (said += data.toString()));
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  return { process: child, said: () => said, ended };
}
const healthy = async (): Promise<boolean> =>
  (await fetch(`${ADDRESS}/api/health`).catch(() => null))?.ok === true;
async function until(what: string, holds: () => boolean | Promise<boolean>): Promise<void> {
  for (const end = Date.now() + WITHIN_MS; Date.now() < end; await wait(200)) {
    if (await holds()) return;
  }
  assert.fail(`not within a minute: ${what}`);
}
/** The process that a command line on this folder or port belongs to. */
const pidOf = (pattern: string): number =>
  Number(execFileSync('pgrep', ['-f', '-n', pattern], { encoding: 'utf8' }).trim());
const mariadbd = () => Number(readFileSync(join(DATA, 'mariadb/mariadbd.pid'), 'utf8'));
/** What has ended and nobody has asked after is still in the list, as a Z. */
const runs = (pid: number): boolean =>
  existsSync(`/proc/${pid}`) && !/\) Z /.test(readFileSync(`/proc/${pid}/stat`, 'utf8'));

describe('npm start', { concurrency: 1 }, () => {
  let first: Run;
  const strangers: ChildProcess[] = [];

  after(async () => {
    first?.process.kill('SIGTERM');
    await first?.ended;
    strangers.forEach((stranger) => stranger.kill());
    rmSync(DATA, { recursive: true, force: true });
  });

  it('mends a set-up of the database that was ended in the middle', async () => {
    rmSync(DATA, { recursive: true, force: true });
    mkdirSync(join(DATA, 'mariadb/data'), { recursive: true });
    writeFileSync(join(DATA, 'mariadb/data/ibdata1'), 'half of it');
    // A number left by a power cut, which is somebody else's by now.
    const stranger = spawn('sleep', ['600']);
    strangers.push(stranger);
    writeFileSync(join(DATA, 'mariadb/mariadbd.pid'), String(stranger.pid));
    first = run();
    await until('it is up', healthy);
    assert.ok(runs(stranger.pid!));
  });

  it('keeps socket, password and key where nobody else reads them', () => {
    for (const file of ['mariadb/password', 'key']) {
      assert.equal(statSync(join(DATA, file)).mode & 0o077, 0, file);
    }
    assert.equal(statSync(join(DATA, 'mariadb')).mode & 0o077, 0);
    assert.ok(existsSync(join(DATA, 'mariadb/database.sock')));
    assert.throws(() =>
      execFileSync(
        'mariadb',
        [
          '--no-defaults',
          '-h127.0.0.1',
          `-P${DB_PORT}`,
          '-ualfombra',
          '-palfombra',
          '-e',
          'SELECT 1',
        ],
        { stdio: 'ignore' },
      ),
    );
  });

  it('refuses a second one on the same folder, and leaves the first alone', async () => {
    const second = run([], { ALFOMBRA_PORT: '8494' });
    assert.equal(await second.ended, 1);
    assert.match(second.said(), /runs from .* already .*needs a folder and ports of its own/s);
    assert.ok(await healthy());
  });

  it('asks before it throws a demo away', async () => {
    const asked = run(['--reset-demo']);
    assert.equal(await asked.ended, 2);
    assert.match(asked.said(), /say so with --yes/);
    assert.ok(await healthy());
  });

  it('starts a server again that was killed', async () => {
    const server = pidOf(`server/src/main.ts`);
    process.kill(server, 'SIGKILL');
    await until('the server is gone', async () => !(await healthy()) || !runs(server));
    await until('it is up again', healthy);
    assert.match(first.said(), /The server has ended .*; it is started again/);
  });

  it('starts a database again that was killed, and says so meanwhile', async () => {
    const before = mariadbd();
    process.kill(before, 'SIGKILL');
    await until('health knows', async () => {
      const answer = await fetch(`${ADDRESS}/api/health`).catch(() => null);
      return answer?.status === 503;
    });
    await until('it is up again', healthy);
    assert.notEqual(mariadbd(), before);
    const signIn = await fetch(`${ADDRESS}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: 'owner@alfombra.demo', password: 'woven-rug' }),
    });
    assert.equal(signIn.status, 200);
  });

  it('ends both at Ctrl-C, and nothing that it did not begin', async () => {
    const database = mariadbd();
    first.process.kill('SIGINT');
    assert.equal(await first.ended, 0);
    assert.ok(!runs(database));
    assert.ok(!existsSync(join(DATA, 'start.lock')));
    assert.ok(strangers.every(({ pid }) => runs(pid!)));
  });

  it('takes over where everything was killed at once', async () => {
    first = run();
    await until('it is up', healthy);
    first.process.kill('SIGKILL');
    process.kill(pidOf('server/src/main.ts'), 'SIGKILL');
    await until('the server is gone', async () => !(await healthy()));
    first = run();
    await until('it is up again', healthy);
  });
});
