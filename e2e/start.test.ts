/**
 * `npm start` itself, on folders and ports of its own: what it starts again, what it leaves alone, what it
 * mends.
 */
import assert from 'node:assert/strict';
import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { after, describe, it } from 'node:test';
import { until } from './browser.ts';
import {
  databaseIn,
  health,
  runs,
  serverOn,
  startCommand,
  STARTED_AT,
  type Run,
} from './startCommand.ts';
import { ROOT } from './testServer.ts';

const DATA = join(ROOT, '.data', 'e2e-start');
const run = (args: string[] = [], env: NodeJS.ProcessEnv = {}) => startCommand(DATA, args, env);
const healthy = async () => (await health()) === 200;
const mariadbd = () => databaseIn(DATA);
const server = () => serverOn(STARTED_AT.port);

describe('npm start', { concurrency: 1 }, () => {
  let first: Run;
  const strangers: ChildProcess[] = [];

  after(async () => {
    first?.process.kill('SIGTERM');
    await first?.ended;
    strangers.forEach((stranger) => stranger.kill());
    rmSync(DATA, { recursive: true, force: true });
  });

  it('has no port of its own among those that a system lends to outgoing connections', () => {
    const named = execFileSync(
      'git',
      [
        'grep',
        '-hoE',
        '_PORT.{1,40}[^0-9][0-9]{4,5}\\b',
        '--',
        'scripts',
        'server',
        'e2e',
        'README.md',
      ],
      { cwd: ROOT, encoding: 'utf8' },
    );
    const ports = [...named.matchAll(/\b(\d{4,5})$/gm)].map(([, port]) => Number(port));
    assert.ok(ports.includes(8480) && ports.length > 8, named);
    // 32768 is where Linux begins to lend: /proc/sys/net/ipv4/ip_local_port_range.
    assert.deepEqual(
      ports.filter((port) => port >= 32768 && port !== 65535),
      [],
    );
  });

  it('says that the port is taken, also when nobody listens on it', async () => {
    rmSync(DATA, { recursive: true, force: true });
    // As an outgoing connection holds it. Node's own sockets share theirs; perl is part of every Debian.
    const hold = `socket(S, PF_INET, SOCK_STREAM, 0);
      bind(S, sockaddr_in(${STARTED_AT.databasePort}, INADDR_LOOPBACK)) or die; $| = 1; print "held"; sleep 600`;
    const holder = spawn('perl', ['-MSocket', '-e', hold], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    await once(holder.stdout, 'data');
    const refused = run();
    const end = await refused.ended;
    const gone = once(holder, 'exit');
    holder.kill();
    await gone;
    assert.equal(end, 1);
    assert.match(refused.said(), new RegExp(`Port ${STARTED_AT.databasePort} .* is in use`));
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
    await until('a server', healthy);
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
          `-P${STARTED_AT.databasePort}`,
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
    const before = server();
    process.kill(before, 'SIGKILL');
    await until('a server that is gone', () => Promise.resolve(!runs(before)));
    await until('a server', healthy);
    assert.match(first.said(), /The server has ended .*; it is started again/);
  });

  it('starts a database again that was killed, and says so meanwhile', async () => {
    const before = mariadbd();
    process.kill(before, 'SIGKILL');
    await until('word of it', async () => (await health()) === 503);
    await until('a server again', healthy);
    assert.notEqual(mariadbd(), before);
    const signIn = await fetch(`${STARTED_AT.address}/api/session`, {
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
    await until('a server', healthy);
    first.process.kill('SIGKILL');
    process.kill(server(), 'SIGKILL');
    await until('an end', async () => !(await healthy()));
    first = run();
    await until('a server again', healthy);
  });
});
