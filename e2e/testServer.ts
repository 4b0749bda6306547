import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';

export const ROOT = join(import.meta.dirname, '..');
const PORT = process.env.ALFOMBRA_E2E_PORT ?? '8491';
export const DB_PORT = process.env.ALFOMBRA_E2E_DB_PORT ?? '13492';
export const DB_DIR = join(ROOT, '.data', 'e2e-mariadb');
const STARTS_WITHIN_MS = 120_000;

export const ADDRESS = `http://127.0.0.1:${PORT}`;

const database = (verb: 'start' | 'stop') =>
  execFileSync('bash', [join(ROOT, 'scripts', 'database.sh'), verb], {
    env: { ...process.env, DB_DIR, DB_PORT, DB_NAME: 'alfombra' },
    stdio: ['ignore', 'ignore', 'inherit'],
  });

let server: ChildProcess | null = null;

/** The server's process, to see how much memory it has. */
export const serverPid = (): number | undefined => server?.pid;

/** Starts MariaDB and the server as `npm start` does, on ports and in a folder of its own. */
export async function startServer({
  reset,
  before = [],
  env = {},
}: {
  reset: boolean;
  /** Modules loaded before the server. */
  before?: readonly string[];
  env?: NodeJS.ProcessEnv;
}): Promise<void> {
  database('start');
  server = spawn(
    process.execPath,
    [
      ...['tsx', ...before].flatMap((module) => ['--import', module]),
      join(ROOT, 'server/src/main.ts'),
      ...(reset ? ['--reset-demo'] : []),
    ],
    {
      cwd: ROOT,
      env: {
        ...process.env,
        ...env,
        ALFOMBRA_PORT: PORT,
        ALFOMBRA_DB_PORT: DB_PORT,
        ALFOMBRA_DB_PASSWORD: readFileSync(join(DB_DIR, 'password'), 'utf8'),
        ALFOMBRA_DATA: DB_DIR,
        ALFOMBRA_WEB: join(ROOT, 'app', 'dist'),
      },
      stdio: ['ignore', 'ignore', 'inherit'],
    },
  );
  for (const until = Date.now() + STARTS_WITHIN_MS; Date.now() < until; await wait(200)) {
    const answer = await fetch(`${ADDRESS}/api/health`).catch(() => null);
    if (answer?.ok) return;
  }
  throw new Error('the server did not start');
}

/** Stops the server and MariaDB, the way Ctrl-C does. */
export async function stopServer(): Promise<void> {
  const running = server;
  server = null;
  if (running && running.exitCode === null) {
    const gone = new Promise((resolve) => running.once('exit', resolve));
    running.kill('SIGTERM');
    await gone;
  }
  database('stop');
}

/** Leaves nothing behind. */
export async function clearServer(): Promise<void> {
  await stopServer();
  rmSync(DB_DIR, { recursive: true, force: true });
}
