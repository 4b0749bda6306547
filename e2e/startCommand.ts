/** `npm start` on a folder and ports of its own, and the processes that belong to it. */
import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './testServer.ts';

const PORT = process.env.ALFOMBRA_E2E_START_PORT ?? '8493';
const DB_PORT = process.env.ALFOMBRA_E2E_START_DB_PORT ?? '13494';
export const STARTED_AT = {
  port: PORT,
  databasePort: DB_PORT,
  address: `http://127.0.0.1:${PORT}`,
};

export interface Run {
  process: ChildProcess;
  said: () => string;
  ended: Promise<number | null>;
}

/** Runs the start command. @param data its folder */
export function startCommand(data: string, args: string[] = [], env: NodeJS.ProcessEnv = {}): Run {
  const child = spawn('bash', [join(ROOT, 'scripts/start.sh'), ...args], {
    cwd: ROOT,
    env: {
      ...process.env,
      ALFOMBRA_DATA: data,
      ALFOMBRA_PORT: PORT,
      ALFOMBRA_DB_PORT: DB_PORT,
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  child.stdout.on('data', (words: Buffer) => (said += words.toString()));
  child.stderr.on('data', (words: Buffer) => (said += words.toString()));
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  return { process: child, said: () => said, ended };
}

export const health = async (): Promise<number> =>
  (await fetch(`${STARTED_AT.address}/api/health`).catch(() => null))?.status ?? 0;

/** The server on this port, not another one of the same sources. */
export function serverOn(port: string): number {
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    try {
      const words = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
      const settings = readFileSync(`/proc/${pid}/environ`, 'utf8').split('\0');
      const ours =
        words.includes('server/src/main.ts') && settings.includes(`ALFOMBRA_PORT=${port}`);
      if (ours && runs(Number(pid))) return Number(pid);
    } catch {
      // It has ended meanwhile, or is somebody else's.
    }
  }
  throw new Error(`no server runs on port ${port}`);
}

export const databaseIn = (data: string): number =>
  Number(readFileSync(join(data, 'mariadb/mariadbd.pid'), 'utf8'));

/** What has ended and nobody has asked after is still in the list, as a Z. */
export const runs = (pid: number): boolean =>
  existsSync(`/proc/${pid}`) && !/\) Z /.test(readFileSync(`/proc/${pid}/stat`, 'utf8'));
