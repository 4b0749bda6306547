/**
 * `npm run soak`: a bounded storm on loopback against the real server with the demo. What is counted: answers
 * of 500 and above, what was acknowledged against what is kept, how long others wait, how memory grows.
 * SOAK_BODIES (10000), SOAK_MINUTES (10), SOAK_CLIENTS (50), SOAK_KILLS (16) make it shorter; a part that is named
 * (`npm run soak -- storm`) runs alone: alone, visits, photos, storm, fuzz, lawns, chaos.
 */
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { v7 as uuid } from 'uuid';
import { seededRandom } from '@alfombra/core';
import { chaos } from './chaos.ts';
import { manyLawns } from './manyLawns.ts';
import { ADDRESS, clearServer, ROOT, serverPid, startServer } from './testServer.ts';

const BODIES = Number(process.env.SOAK_BODIES ?? 10_000);
const MINUTES = Number(process.env.SOAK_MINUTES ?? 10);
const CLIENTS = Number(process.env.SOAK_CLIENTS ?? 50);
const LAWN = '0190de02-0000-7000-8000-000000000001';
const chance = seededRandom(Number(process.env.SOAK_SEED ?? 12));
const oneOf = <Value>(values: readonly Value[]): Value =>
  values[Math.floor(chance() * values.length)] as Value;
const say = (line: string) => process.stdout.write(`${line}\n`);

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

let cookie = '';
async function ask(
  method: string,
  path: string,
  body?: Json | Uint8Array,
  headers: Record<string, string> = {},
): Promise<{ status: number; ms: number; json: unknown }> {
  const begun = performance.now();
  const raw = body instanceof Uint8Array;
  const answer = await fetch(`${ADDRESS}/api${path}`, {
    method,
    headers: {
      cookie,
      ...(body === undefined
        ? {}
        : { 'content-type': raw ? 'application/octet-stream' : 'application/json' }),
      ...headers,
    },
    ...(body === undefined ? {} : { body: raw ? (body as never) : JSON.stringify(body) }),
  });
  const text = await answer.text();
  return {
    status: answer.status,
    ms: performance.now() - begun,
    json: /^[[{]/.test(text) ? JSON.parse(text) : null,
  };
}

async function signIn(): Promise<void> {
  const answer = await fetch(`${ADDRESS}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: 'owner@alfombra.demo', password: 'woven-rug' }),
  });
  cookie = answer.headers.get('set-cookie')?.split(';')[0] ?? '';
}

const rss = (): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${serverPid()}/status`, 'utf8'))?.[1]) / 1024;
/** Over some seconds: the collector takes its time. */
async function meanRss(): Promise<number> {
  const seen: number[] = [];
  for (let look = 0; look < 40; look += 1, await wait(250)) seen.push(rss());
  return seen.reduce((sum, mb) => sum + mb, 0) / seen.length;
}
const share = (sorted: readonly number[], p: number): string =>
  (sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * p))] ?? 0).toFixed(0);
/** On an idle machine. */
const P99_LIMITS_MS: Readonly<Record<string, number>> = { 'a lawn’s reads': 300, 'the list': 500 };
const MOST_GROWN = 0.15;
const met = (is: boolean) => (is ? '' : '  NOT MET');
const at99 = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.99)] ?? 0;
function told(name: string, times: readonly number[]): void {
  const sorted = [...times].sort((a, b) => a - b);
  say(
    `  ${name.padEnd(26)} ${String(times.length).padStart(7)}  p50 ${share(sorted, 0.5).padStart(5)}  p99 ${share(sorted, 0.99).padStart(6)}  max ${share(sorted, 1).padStart(6)} ms`,
  );
}

/** What no form sends. */
const NASTY: readonly Json[] = [
  null,
  true,
  '',
  ' ',
  'x'.repeat(5000),
  '\ud83c',
  '\u0000',
  '<script>1</script>',
  "'; DROP TABLE lawns; --",
  '=1+1',
  '9999-12-31',
  '1000-01-01',
  '2026-02-30',
  -1,
  0,
  1e308,
  -1e308,
  0.1 + 0.2,
  Number.MAX_SAFE_INTEGER,
  [],
  {},
  [[[[[[]]]]]],
  Array.from({ length: 4000 }, () => 0),
  { __proto__: { admin: true }, id: 'x' } as never,
  LAWN,
];

/** A body with one or two of its places made nasty. */
function spoilt(body: Json): Json {
  const copy = structuredClone(body);
  for (let times = chance() < 0.3 ? 2 : 1; times > 0; times -= 1) {
    let at: Json = copy;
    for (let depth = 0; depth < 6; depth += 1) {
      const keys = Object.keys(at as object);
      if (keys.length === 0) break;
      const key = oneOf(keys);
      const inner = (at as { [key: string]: Json })[key] as Json;
      if (typeof inner !== 'object' || inner === null || chance() < 0.25) {
        (at as { [key: string]: Json })[key] = structuredClone(oneOf(NASTY));
        break;
      }
      at = inner;
    }
  }
  return copy;
}

const REPORT: Json = {
  lawnId: LAWN,
  date: '2026-04-08',
  visitId: null,
  language: 'en',
  findings: [{ id: uuid(), grade: 'easy', words: 'x' }],
  assumptions: ['y'],
  questionIds: [],
  photoIds: [],
  expiresOn: '2026-05-08',
  version: 0,
};

async function fuzz(): Promise<number> {
  const parts = ['visits', 'records', 'readings', 'samples', 'photos', 'reports'];
  const seeds: { path: string; body: Json }[] = [];
  const lawn = (await ask('GET', `/lawns/${LAWN}`)).json as { [key: string]: Json };
  seeds.push({ path: 'lawns', body: lawn });
  const zoneId = (lawn.zones as { id: string }[])[0]!.id;
  for (const part of parts) {
    const [first] = (await ask('GET', `/lawns/${LAWN}/${part}`)).json as Json[];
    if (first) seeds.push({ path: part, body: first });
  }
  const [customer] = (await ask('GET', '/customers')).json as Json[];
  seeds.push({ path: 'customers', body: customer as Json });
  seeds.push({
    path: 'readings',
    body: { lawnId: LAWN, zoneId, date: '2026-04-07', hour: 9, depthIn: 2, valuesF: [50, 51] },
  });
  seeds.push({ path: 'reports', body: REPORT });
  const tally = new Map<number, number>();
  const failures: string[] = [];
  for (let count = 0; count < BODIES; count += 16) {
    await Promise.all(
      Array.from({ length: 16 }, async () => {
        const { path, body } = oneOf(seeds);
        const sent = { ...(spoilt(body) as object), version: chance() < 0.8 ? 0 : 1 } as Json;
        const { status } = await ask('PUT', `/${path}/${uuid()}`, sent, {
          'idempotency-key': uuid(),
        });
        tally.set(status, (tally.get(status) ?? 0) + 1);
        if (status >= 500) failures.push(`${path}: ${JSON.stringify(sent).slice(0, 300)}`);
      }),
    );
  }
  say(
    `fuzz: ${[...tally]
      .sort(([a], [b]) => a - b)
      .map(([status, count]) => `${status} × ${count}`)
      .join(', ')}`,
  );
  failures.slice(0, 10).forEach((line) => say(`  5xx ${line}`));
  for (const path of ['/lawns', '/customers', '/take-along', `/lawns/${LAWN}/records`]) {
    const { status } = await ask('GET', path);
    if (status !== 200) failures.push(`after the fuzz GET ${path}: ${status}`);
  }
  return failures.length;
}

const visit = (): Json => ({
  lawnId: LAWN,
  date: '2026-04-08',
  technician: 'Soak',
  looks: [],
  version: 0,
});

async function newVisits(clients: number, each: number): Promise<number> {
  let bad = 0;
  const times: number[] = [];
  const ids: string[] = [];
  await Promise.all(
    Array.from({ length: clients }, async () => {
      for (let turn = 0; turn < each; turn += 1) {
        const id = uuid();
        const { status, ms } = await ask('PUT', `/visits/${id}`, visit(), {
          'idempotency-key': uuid(),
        });
        times.push(ms);
        if (status === 200) ids.push(id);
        else bad += 1;
      }
    }),
  );
  const there = new Set(
    ((await ask('GET', `/lawns/${LAWN}/visits`)).json as { id: string }[]).map(({ id }) => id),
  );
  const lost = ids.filter((id) => !there.has(id)).length;
  say(`new visits of ${clients} clients: ${ids.length} acknowledged, ${bad} refused, ${lost} lost`);
  told('PUT a new visit', times);
  return bad + lost;
}

async function photoPieces(count: number): Promise<number> {
  const size = 200_000;
  const ids = Array.from({ length: count }, () => uuid());
  for (const id of ids) {
    await ask('PUT', `/photos/${id}`, {
      lawnId: LAWN,
      date: '2026-04-08',
      type: 'image/jpeg',
      bytes: size * 2,
      version: 0,
    });
  }
  const others: number[] = [];
  let going = true;
  const watching = (async () => {
    while (going) others.push((await ask('GET', '/session')).ms);
  })();
  const answers = await Promise.all(
    ids.map((id) => ask('PUT', `/photos/${id}/bytes?start=0`, new Uint8Array(size).fill(7))),
  );
  going = false;
  await watching;
  const bad = answers.filter(({ status }) => status !== 200).length;
  say(`${count} photo pieces at once: ${bad} refused`);
  told(
    'pieces',
    answers.map(({ ms }) => ms),
  );
  told('others, meanwhile', others);
  return bad;
}

const LOOP_FILE = join(tmpdir(), `alfombra-loop-${process.pid}`);
/** Longest that one request may keep all others waiting, ms. */
const LOOP_HELD_MS = 50;

/** How long the server's event loop was held since the last time this was asked, ms. */
async function loopHeld(): Promise<number> {
  writeFileSync(LOOP_FILE, '');
  process.kill(serverPid() as number, 'SIGUSR2');
  for (;;) {
    const text = readFileSync(LOOP_FILE, 'utf8');
    if (text) return Number(text);
    await wait(5);
  }
}

/** One request after the other, each alone: how long it holds the event loop. */
async function alone(): Promise<number> {
  const photo = uuid();
  const pictures = join(ROOT, 'docs/screenshots');
  const picture = readFileSync(join(pictures, oneOf(readdirSync(pictures))));
  const { json } = await ask('PUT', `/reports/${uuid()}`, REPORT);
  const token = (json as { path: string }).path.split('/').pop() ?? '';
  const years = Array.from({ length: 20 * 365 }, (_, day) => {
    const date = new Date(Date.UTC(2005, 0, 1 + day)).toISOString().slice(0, 10);
    return `${date},${60 + (day % 30)},${40 + (day % 30)},0`;
  });
  const csv = ['date,tmax_f,tmin_f,rain_in', ...years].join('\n');
  const asked: [string, () => Promise<unknown>][] = [
    ['the list', () => ask('GET', '/lawns')],
    ['take-along, whole', () => ask('GET', '/take-along')],
    ['records of a lawn', () => ask('GET', `/lawns/${LAWN}/records`)],
    ['weather of a lawn', () => ask('GET', `/lawns/${LAWN}/weather`)],
    ['the interface told', () => ask('GET', '/openapi.json')],
    [
      'a photo, redrawn',
      async () => {
        const bytes = picture.length;
        await ask('PUT', `/photos/${photo}`, {
          lawnId: LAWN,
          date: '2026-04-08',
          type: 'image/png',
          bytes,
          version: 0,
        });
        await ask('PUT', `/photos/${photo}/bytes?start=0`, new Uint8Array(picture));
      },
    ],
    ['a report as PDF', () => ask('GET', `/shared/${token}/pdf`)],
    [
      'twenty years of weather',
      () => ask('POST', '/stations/valley/weather-csv', { csv, keep: true }),
    ],
    ['the list after it', () => ask('GET', '/lawns')],
  ];
  let bad = 0;
  for (const [name, work] of asked) {
    await loopHeld();
    await work();
    const held = await loopHeld();
    if (held > LOOP_HELD_MS) bad += 1;
    say(`  ${name.padEnd(26)} holds the loop ${held.toFixed(0)} ms${met(held <= LOOP_HELD_MS)}`);
  }
  return bad;
}

async function mixed(): Promise<number> {
  const times = new Map<string, number[]>();
  let bad = 0;
  const lawns = ((await ask('GET', '/lawns')).json as { id: string }[]).map(({ id }) => id);
  let taken = '';
  let early = 0;
  const until = Date.now() + MINUTES * 60_000;
  const note = (name: string, { ms, status }: { ms: number; status: number }) => {
    if (status >= 500) bad += 1;
    const list = times.get(name);
    if (list) list.push(ms);
    else times.set(name, [ms]);
  };
  const watching = (async () => {
    await wait(Math.min(2, MINUTES / 3) * 60_000);
    early = await meanRss();
  })();
  await Promise.all(
    Array.from({ length: CLIENTS }, async (_, client) => {
      // Everybody has a customer whose number changes all the time: the company does not grow by it.
      const customer = uuid();
      let version = 0;
      while (Date.now() < until) {
        const roll = chance();
        if (roll < 0.7) {
          const part = oneOf(['', '/visits', '/records', '/readings', '/samples', '/photos']);
          note('a lawn’s reads', await ask('GET', `/lawns/${oneOf(lawns)}${part}`));
        } else if (roll < 0.8) note('the list', await ask('GET', '/lawns'));
        else if (roll < 0.9) {
          const answer = await ask('GET', `/take-along${taken}`);
          const { taken: now } = (answer.json ?? {}) as { taken?: Record<string, string> };
          if (now) taken = `?${new URLSearchParams(now).toString()}`;
          note('take-along, as a delta', answer);
        } else {
          const body = { name: `Soaked ${client}`, phone: `555-${version}`, version };
          const answer = await ask('PUT', `/customers/${customer}`, body);
          if (answer.status === 200) version += 1;
          note('a write', answer);
        }
      }
    }),
  );
  await watching;
  const late = await meanRss();
  const grown = late / early - 1;
  say(
    `${CLIENTS} connections for ${MINUTES} minutes: ${bad} of 500 and above; RSS ${early.toFixed(0)} → ${late.toFixed(0)} MB${met(grown < MOST_GROWN)}`,
  );
  if (grown >= MOST_GROWN) bad += 1;
  for (const [name, list] of times) {
    told(name, list);
    const limit = P99_LIMITS_MS[name];
    if (limit !== undefined && at99(list) > limit) {
      bad += 1;
      say(`  the 99th of a hundred is over ${limit} ms${met(false)}`);
    }
  }
  return bad;
}

const named = process.argv.slice(2);
const asked = (part: string) => named.length === 0 || named.includes(part);
/** Parts that share one server with the demo. */
const ON_THE_DEMO: Readonly<Record<string, () => Promise<number>>> = {
  alone,
  visits: () => newVisits(16, 25),
  photos: () => photoPieces(40),
  storm: mixed,
  fuzz,
};

let bad = 0;
try {
  const parts = Object.entries(ON_THE_DEMO).filter(([part]) => asked(part));
  if (parts.length > 0) {
    await startServer({
      reset: true,
      before: [join(ROOT, 'e2e/loopWatch.ts')],
      env: { LOOP_WATCH_FILE: LOOP_FILE },
    });
    await signIn();
    const cold = await ask('GET', '/lawns');
    say(
      `the first list: ${cold.ms.toFixed(0)} ms; again: ${(await ask('GET', '/lawns')).ms.toFixed(0)} ms`,
    );
  }
  for (const [, part] of parts) bad += await part();
} finally {
  rmSync(LOOP_FILE, { force: true });
  await clearServer();
}
if (asked('lawns')) bad += await manyLawns(say);
if (asked('chaos')) bad += await chaos(say);
say(bad === 0 ? 'soak: nothing failed' : `soak: ${bad} failed`);
process.exit(bad === 0 ? 0 : 1);
