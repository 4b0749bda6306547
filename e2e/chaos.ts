/**
 * Server and database killed in the middle of writes, again and again, under `npm start`; with SOAK_SMALL_DISK (an
 * empty folder on a small file system of its own) the disk fills up, too. What was acknowledged is counted against
 * what is there in the end.
 */
import { rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { v7 as uuid } from 'uuid';
import { until } from './browser.ts';
import { databaseIn, health, serverOn, startCommand, STARTED_AT } from './startCommand.ts';
import { ROOT } from './testServer.ts';

const KILLS = Number(process.env.SOAK_KILLS ?? 16);
/** So many ends within a minute each, and the start command leaves the server. */
const KILLS_A_START = 4;
const WRITERS = 8;
const SMALL_DISK = process.env.SOAK_SMALL_DISK;
const PATIENCE_MS = 180_000;
const DATA = SMALL_DISK ? join(SMALL_DISK, 'data') : join(ROOT, '.data', 'soak-chaos');

interface Written {
  id: string;
  phone: string;
}

/** Writes one customer after the other, each until it is acknowledged, and then a change of it. */
class Writer {
  readonly acknowledged = new Map<string, string>();
  refused: number[] = [];
  private going = true;
  private readonly ended: Promise<void>;

  constructor(private readonly cookie: string) {
    this.ended = this.run();
  }

  async stop(): Promise<void> {
    this.going = false;
    await this.ended;
  }

  private async run(): Promise<void> {
    while (this.going) {
      const id = uuid();
      for (let version = 0; version < 3; version += 1) {
        if (!(await this.put(id, `555-${version}`, version))) return;
      }
    }
  }

  /** The same write until it is in, as a phone sends it. @returns false when there is no more time */
  private async put(id: string, phone: string, version: number): Promise<boolean> {
    const key = uuid();
    while (this.going) {
      const answer = await fetch(`${STARTED_AT.address}/api/customers/${id}`, {
        method: 'PUT',
        headers: {
          'content-type': 'application/json',
          'idempotency-key': key,
          cookie: this.cookie,
        },
        body: JSON.stringify({ name: 'Chaos', phone, version }),
        signal: AbortSignal.timeout(20_000),
      }).catch(() => null);
      if (answer?.status === 200) {
        this.acknowledged.set(id, phone);
        return true;
      }
      if (answer) this.refused.push(answer.status);
      await wait(200);
    }
    return false;
  }
}

async function signedIn(): Promise<string> {
  const answer = await fetch(`${STARTED_AT.address}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: 'owner@alfombra.demo', password: 'woven-rug' }),
  });
  return answer.headers.get('set-cookie')?.split(';')[0] ?? '';
}

const PIECE_BYTES = 500_000;
const MOST_PIECES = 400;

/** Photos until the server takes no more. @returns what it said then, and which were taken */
async function fillWithPhotos(cookie: string): Promise<{ status: number; taken: number }> {
  const put = (path: string, body: string | Uint8Array, type: string) =>
    fetch(`${STARTED_AT.address}/api/photos/${path}`, {
      method: 'PUT',
      headers: { cookie, 'content-type': type },
      body: body as never,
      signal: AbortSignal.timeout(60_000),
    })
      .then(({ status }) => status)
      .catch(() => 0);
  for (let taken = 0; taken < MOST_PIECES; taken += 1) {
    const id = uuid();
    const photo = {
      lawnId: '0190de02-0000-7000-8000-000000000001',
      date: '2026-04-08',
      type: 'image/jpeg',
      bytes: 2 * PIECE_BYTES,
      version: 0,
    };
    const known = await put(id, JSON.stringify(photo), 'application/json');
    if (known !== 200) return { status: known, taken };
    const piece = new Uint8Array(PIECE_BYTES).fill(7);
    const kept = await put(`${id}/bytes?start=0`, piece, 'application/octet-stream');
    if (kept !== 200) return { status: kept, taken };
  }
  return { status: 200, taken: MOST_PIECES };
}

/** Fills what is left of the disk, lets the server run into its end, and makes room again. */
async function fillDisk(folder: string, cookie: string, say: (line: string) => void) {
  const filler = join(folder, 'filler');
  const { bavail, bsize } = statfsSync(folder);
  try {
    writeFileSync(filler, Buffer.alloc(bavail * bsize));
  } catch {
    // Full is what it is to be.
  }
  const { status, taken } = await fillWithPhotos(cookie);
  await wait(5000);
  say(`  full disk: after ${taken} photos the answer was ${status}; health says ${await health()}`);
  rmSync(filler);
  await until('a server that is well', async () => (await health()) === 200, PATIENCE_MS);
  const after = await fillWithPhotos(cookie);
  say(`  with room again: ${after.taken} photos more, then ${after.status}`);
  return taken < MOST_PIECES && status === 503 && after.taken > 0 ? 0 : 1;
}

/** @returns how many writes were acknowledged and are not there, or are there otherwise */
export async function chaos(say: (line: string) => void): Promise<number> {
  rmSync(DATA, { recursive: true, force: true });
  const well = () =>
    until('a server that is well', async () => (await health()) === 200, PATIENCE_MS);
  let run = startCommand(DATA);
  try {
    await well();
    const cookie = await signedIn();
    const writers = Array.from({ length: WRITERS }, () => new Writer(cookie));
    for (let kill = 0; kill < KILLS; kill += 1) {
      await wait(500 + Math.random() * 2500);
      if (kill % KILLS_A_START === KILLS_A_START - 1) {
        // All at once, as a power cut does it.
        run.process.kill('SIGKILL');
        process.kill(serverOn(STARTED_AT.port), 'SIGKILL');
        process.kill(databaseIn(DATA), 'SIGKILL');
        await wait(1000);
        run = startCommand(DATA);
      } else if (kill % 2 === 0) process.kill(serverOn(STARTED_AT.port), 'SIGKILL');
      else process.kill(databaseIn(DATA), 'SIGKILL');
      await wait(1000);
      await well();
    }
    const unclear = SMALL_DISK ? await fillDisk(SMALL_DISK, cookie, say) : 0;
    await wait(3000);
    await Promise.all(writers.map((writer) => writer.stop()));
    const answer = await fetch(`${STARTED_AT.address}/api/customers`, { headers: { cookie } });
    const there = new Map(
      ((await answer.json()) as Written[]).map(({ id, phone }) => [id, phone] as const),
    );
    const acknowledged = writers.flatMap((writer) => [...writer.acknowledged]);
    const refused = writers.flatMap((writer) => writer.refused);
    // What was sent and never answered may be there as one further; what was acknowledged is there at least.
    const lost = acknowledged.filter(([id, phone]) => !((there.get(id) ?? '') >= phone)).length;
    const tally = [...new Set(refused)].map(
      (status) => `${status} × ${refused.filter((one) => one === status).length}`,
    );
    say(
      `chaos: ${KILLS} kills, ${acknowledged.length} customers acknowledged, ${lost} lost; refused meanwhile: ${tally.join(', ') || 'none'}`,
    );
    return lost + unclear;
  } finally {
    run.process.kill('SIGTERM');
    await run.ended;
    rmSync(DATA, { recursive: true, force: true });
  }
}
