/**
 * `npm run web-weight`: what crosses the wire and how long a person waits, in Chromium slowed to 200 kB/s,
 * 150 ms and a quarter of the processor, median of five; then a list of 2,000 lawns. Bytes are counted by a
 * proxy before the server, headers and all. `npm run web-weight -- 1` measures once.
 */
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import type { BrowserContext, Page } from 'playwright-core';
import { closeBrowsers, openBrowser, PHONE } from './browser.ts';
import { countingProxy, type CountingProxy } from './countingProxy.ts';
import { ADDRESS, clearServer, startServer } from './testServer.ts';

const RUNS = Number(process.argv[2] ?? 5);
const PORT = 8493;
const SLOWER = 4;
const BYTES_PER_SECOND = 200_000;
const LATENCY_MS = 150;
const QUIET_MS = 2500;
const MANY = 400;
const VERY_MANY = 2000;
const WHO = { email: 'technician@alfombra.demo', password: 'woven-rug' };

const median = (values: readonly number[]) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
const kb = (bytes: number) => `${(bytes / 1000).toFixed(1)} kB`;
const seconds = (ms: number) => `${(ms / 1000).toFixed(2)} s`;

let worst = 0;
/** One line of the report: the figure, its limit, and whether it holds. */
function say(what: string, value: number, most: number, unit: (value: number) => string): void {
  const holds = value <= most;
  if (!holds) worst = 1;
  console.log(
    `${holds ? 'ok  ' : 'OVER'} ${what.padEnd(58)} ${unit(value).padStart(10)}  (at most ${unit(most)})`,
  );
}

async function slow(context: BrowserContext, page: Page, network: boolean): Promise<void> {
  const session = await context.newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  if (!network) return;
  await session.send('Network.enable');
  await session.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: LATENCY_MS,
    downloadThroughput: BYTES_PER_SECOND,
    uploadThroughput: BYTES_PER_SECOND,
  });
}

/** A page that notes, from the start of its load, when something is drawn first. */
async function openPage(context: BrowserContext, selector: string): Promise<Page> {
  const page = context.pages()[0] ?? (await context.newPage());
  page.setDefaultTimeout(120_000);
  // As text: a compiled function would carry helpers that the page does not have.
  await page.addInitScript(`(function look() {
    if (document.querySelector(${JSON.stringify(selector)})) {
      requestAnimationFrame(() => { window.drawnAt = performance.now(); });
    } else setTimeout(look, 20);
  })()`);
  return page;
}
const drawnAt = (page: Page) =>
  page
    .waitForFunction(() => (window as unknown as { drawnAt?: number }).drawnAt)
    .then((handle) => handle.jsonValue() as Promise<number>);

async function quiet(proxy: CountingProxy): Promise<void> {
  for (;;) {
    const last = proxy.crossings.at(-1)?.endedAt ?? Date.now();
    const left = last + QUIET_MS - Date.now();
    if (left <= 0) return;
    await wait(left);
  }
}
const bytesOf = (proxy: CountingProxy, from = 0, until = Infinity, path = /./) =>
  proxy.crossings
    .slice(from)
    .filter((crossing) => crossing.endedAt <= until && path.test(crossing.path))
    .reduce((sum, { bytes }) => sum + bytes, 0);

async function signedIn(context: BrowserContext, proxy: CountingProxy): Promise<void> {
  await context.request.post(`${proxy.address}/api/session`, { data: WHO });
}

async function signInPage(proxy: CountingProxy) {
  const bytes: number[] = [];
  const times: number[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    const context = await openBrowser(PHONE);
    const page = await openPage(context, 'input[type="password"]');
    await slow(context, page, true);
    const from = proxy.crossings.length;
    await page.goto(`${proxy.address}/sign-in`);
    times.push(await drawnAt(page));
    await quiet(proxy);
    bytes.push(bytesOf(proxy, from));
    await closeBrowsers();
  }
  say('the door, all of it', median(bytes), 290_000, kb);
  say('the door, until it can be used', median(times), 3000, seconds);
}

async function listPage(proxy: CountingProxy) {
  const bytes: number[] = [];
  const times: number[] = [];
  const second: number[] = [];
  for (let run = 0; run < RUNS; run += 1) {
    const context = await openBrowser(PHONE);
    const page = await openPage(context, 'a[href^="/lawns/0"]');
    await signedIn(context, proxy);
    await slow(context, page, true);
    const from = proxy.crossings.length;
    const start = Date.now();
    await page.goto(`${proxy.address}/lawns`);
    const drawn = await drawnAt(page);
    times.push(drawn);
    bytes.push(bytesOf(proxy, from, start + drawn + 400));
    await quiet(proxy);
    // What was fetched ahead is there; the page is opened anew.
    const before = proxy.crossings.length;
    await page.goto('about:blank');
    await page.goto(`${proxy.address}/lawns`);
    await drawnAt(page);
    await quiet(proxy);
    second.push(bytesOf(proxy, before));
    await closeBrowsers();
  }
  say('the list, all that comes before it is drawn', median(bytes), 420_000, kb);
  say('the list, until it is drawn', median(times), 4500, seconds);
  say('a second visit, all of it', median(second), 4000, kb);
}

/** Copies the demo's lawns until there are many. */
async function grow(proxy: CountingProxy): Promise<void> {
  const context = await openBrowser(PHONE);
  await signedIn(context, proxy);
  const get = async (path: string) =>
    (await context.request.get(`${proxy.address}${path}`, { timeout: 300_000 })).json() as Promise<
      Record<string, unknown>[]
    >;
  const lawns = await get('/api/lawns');
  let made = lawns.length;
  for (let copy = 1; made < MANY; copy += 1) {
    for (const { id, name } of lawns.slice(0, MANY - made)) {
      const lawn = (await get(`/api/lawns/${id as string}`)) as unknown as Record<string, unknown>;
      const { id: _id, ...body } = lawn;
      const own = `${(id as string).slice(0, 24)}${String(1000 + copy)}${(id as string).slice(28)}`;
      await context.request.put(`${proxy.address}/api/lawns/${own}`, {
        data: { ...body, name: `${name as string}, ${copy}`, version: 0 },
      });
      made += 1;
    }
  }
  await get('/api/lawns');
  await closeBrowsers();
}

async function manyLawns(proxy: CountingProxy) {
  const context = await openBrowser(PHONE);
  await signedIn(context, proxy);
  const page = await openPage(context, 'a[href^="/lawns/0"]');
  let from = proxy.crossings.length;
  await page.goto(`${proxy.address}/lawns`);
  await drawnAt(page);
  await quiet(proxy);
  say(`the list of ${MANY} lawns`, bytesOf(proxy, from, Infinity, /^\/api\/lawns$/), 30_000, kb);
  console.log(
    `     take-along of ${MANY} lawns, whole: ${kb(bytesOf(proxy, from, Infinity, /take-along/))}`,
  );
  const [first] = (await (await context.request.get(`${proxy.address}/api/lawns`)).json()) as {
    id: string;
  }[];
  const lawn = (await (
    await context.request.get(`${proxy.address}/api/lawns/${first!.id}`)
  ).json()) as Record<string, unknown>;
  await context.request.put(`${proxy.address}/api/lawns/${first!.id}`, {
    data: { ...lawn, id: undefined, name: 'Renamed Row' },
  });
  from = proxy.crossings.length;
  await page.goto('about:blank');
  await page.goto(`${proxy.address}/lawns`);
  await drawnAt(page);
  await quiet(proxy);
  say(
    'take-along when one lawn has changed',
    bytesOf(proxy, from, Infinity, /take-along/),
    50_000,
    kb,
  );
  await closeBrowsers();
}

/** Frames while something is done, ms. */
async function frames(page: Page, work: () => Promise<void>): Promise<number[]> {
  await page.evaluate(`(() => {
    const seen = (window.frames_ = []);
    let last = performance.now();
    requestAnimationFrame(function tick(now) {
      seen.push(now - last);
      last = now;
      requestAnimationFrame(tick);
    });
  })()`);
  await work();
  return page.evaluate<number[]>('window.frames_.slice(2)');
}

const copyId = (id: string, copy: number) =>
  `${id.slice(0, 28)}${String(1000 + copy)}${id.slice(32)}`;

async function veryManyLawns(proxy: CountingProxy) {
  const times = VERY_MANY / MANY;
  proxy.standIns.set('/api/lawns', (given) =>
    (given as { id: string; name: string }[]).flatMap((lawn) =>
      Array.from({ length: times }, (_, copy) => ({
        ...lawn,
        id: copyId(lawn.id, copy),
        name: `${lawn.name} ${copy}`,
      })),
    ),
  );
  proxy.standIns.set('/api/take-along', (given) => {
    const all = given as { files: { lawn: { id: string } }[]; lawns: number };
    return {
      ...all,
      lawns: VERY_MANY,
      files: all.files.flatMap((file) =>
        Array.from({ length: times }, (_, copy) => ({
          ...file,
          lawn: { ...file.lawn, id: copyId(file.lawn.id, copy) },
        })),
      ),
    };
  });
  const context = await openBrowser(PHONE);
  await signedIn(context, proxy);
  const page = await openPage(context, 'a[href^="/lawns/0"]');
  await slow(context, page, false);
  const start = Date.now();
  await page.goto(`${proxy.address}/lawns`);
  const drawn = start + (await drawnAt(page));
  const arrived = proxy.crossings.findLast(({ path }) => path === '/api/lawns')!.endedAt;
  say(`${VERY_MANY} lawns: list drawn after its answer came`, drawn - arrived, 3000, seconds);
  const kept = () =>
    page.evaluate(
      () =>
        new Promise<boolean>((resolve) => {
          const open = indexedDB.open('alfombra-answers');
          open.onsuccess = () => {
            const database = open.result;
            if (!database.objectStoreNames.contains('answers')) return resolve(false);
            const get = database.transaction('answers').objectStore('answers').get('taken-along');
            get.onsuccess = () => {
              database.close();
              resolve(get.result !== undefined);
            };
          };
        }),
    );
  while (!(await kept())) await wait(200);
  const taken = proxy.crossings.findLast(({ path }) => path === '/api/take-along')!.endedAt;
  say(
    `${VERY_MANY} lawns: take-along kept after its answer came`,
    Date.now() - taken,
    10_000,
    seconds,
  );
  const nodes = await page.evaluate(() => document.querySelectorAll('*').length);
  say(`${VERY_MANY} lawns: nodes of the page`, nodes, 1500, String);
  const field = page.getByLabel('Search by street or customer');
  await field.pressSequentially('w');
  await wait(3000);
  const letters = await frames(page, async () => {
    for (const letter of 'eaver') {
      await field.pressSequentially(letter);
      await wait(700);
    }
  });
  say(
    `${VERY_MANY} lawns: longest frame after a letter in search`,
    Math.max(...letters),
    100,
    (ms) => `${ms.toFixed(0)} ms`,
  );
  await field.fill('');
  await wait(1500);
  await page.mouse.move(200, 500);
  const scrolled = await frames(page, async () => {
    // A thumb's pace: some twenty rows a second.
    for (let step = 0; step < 150; step += 1) {
      await page.mouse.wheel(0, 40);
      await wait(16);
    }
  });
  const sorted = [...scrolled].sort((a, b) => a - b);
  say(
    `${VERY_MANY} lawns: 95th of a hundred frames while scrolling`,
    sorted[Math.floor(sorted.length * 0.95)]!,
    17.5,
    (ms) => `${ms.toFixed(1)} ms`,
  );
  await closeBrowsers();
}

function builtFiles(): void {
  const folder = join(import.meta.dirname, '../app/dist/_expo/static/js/web');
  const size = (pattern: RegExp) =>
    readdirSync(folder)
      .filter((name) => pattern.test(name))
      .map((name) => statSync(join(folder, name)).size);
  const page = readdirSync(folder).filter((name) => /^index-.*\.js$/.test(name));
  const entry = page.sort(
    (a, b) => statSync(join(folder, b)).size - statSync(join(folder, a)).size,
  )[0]!;
  const total =
    statSync(join(folder, `${entry}.br`)).size + (size(/^__common-.*\.js\.br$/)[0] ?? 0);
  say('entry and common as built, brotli', total, 300_000, kb);
  const routes = readdirSync(folder)
    .filter((name) => name.endsWith('.js.br') && !name.startsWith(entry))
    .map((name) => ({ name, bytes: statSync(join(folder, name)).size }))
    .sort((a, b) => b.bytes - a.bytes);
  console.log(
    `     largest of the rest: ${routes
      .slice(0, 5)
      .map(({ name, bytes }) => `${name.split('-')[0]} ${kb(bytes)}`)
      .join(', ')}`,
  );
}

await startServer({ reset: true });
const proxy = await countingProxy(ADDRESS, PORT);
try {
  builtFiles();
  const context = await openBrowser(PHONE);
  await signedIn(context, proxy);
  // The seasons are worked out once; what is measured is the wire and the browser.
  await context.request.get(`${proxy.address}/api/lawns`, { timeout: 120_000 });
  await closeBrowsers();
  if (RUNS > 0) {
    await signInPage(proxy);
    await listPage(proxy);
  }
  await grow(proxy);
  await manyLawns(proxy);
  await veryManyLawns(proxy);
} finally {
  await closeBrowsers();
  await proxy.close();
  await clearServer();
}
process.exit(worst);
