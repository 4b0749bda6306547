import assert from 'node:assert/strict';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach } from 'node:test';
import { setTimeout as wait } from 'node:timers/promises';
import { chromium, type BrowserContext, type Page, type Request } from 'playwright-core';

export const PHONE = { width: 390, height: 844 };
export const WIDE = { width: 1280, height: 800 };

/** Longest wait of a browser test for anything: nothing here is a test of speed, and two cores may be busy. */
export const PATIENCE_MS = Number(process.env.PATIENCE ?? 60_000);

/** A test that failed says what the browsers showed, what waited in them, and what was sent. */
afterEach(async (test) => {
  // The types of this Node's test context do not have it yet.
  const { passed = true } = test as { passed?: boolean };
  if ('diagnostic' in test && !passed && opened.length > 0) test.diagnostic(await shown());
});

const opened: { context: BrowserContext; profile: string }[] = [];

/** Closes every browser of this process; one left open by a failed test would keep it from ending. */
export async function closeBrowsers(): Promise<void> {
  underWay = 0;
  for (const { context, profile } of opened.splice(0)) {
    await context.close();
    rmSync(profile, { recursive: true, force: true });
  }
}

/**
 * Debian's headless Chromium with a profile of its own. Every address but loopback is cut off, so a
 * font or script from elsewhere would show as a failure.
 */
export async function openBrowser(
  viewport: { width: number; height: number },
  /** `touch`: a phone's screen under a finger, not a mouse. */
  { touch = false }: { touch?: boolean } = {},
): Promise<BrowserContext> {
  const profile = mkdtempSync(join(tmpdir(), 'alfombra-browser-'));
  const context = await chromium.launchPersistentContext(profile, {
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    headless: true,
    viewport,
    locale: 'en-US',
    hasTouch: touch,
    isMobile: touch,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      // Else Chromium reports a made-up quota, whatever is set for a test.
      '--disable-features=PredictableReportedQuota,StaticStorageQuota',
      '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1',
    ],
  });
  context.setDefaultTimeout(PATIENCE_MS);
  note(context);
  watch(context);
  opened.push({ context, profile });
  return context;
}

/** Writes to the server and what came of them, the newest last: of each browser that is open. */
const MOST_NOTED = 25;
const noted: string[] = [];
/** Requests of all browsers that are under way, and when there was last one. */
let underWay = 0;
let lastSeen = 0;
const QUIET_MS = 1500;
/** A request of a page that was closed never ends. */
const LONG_QUIET_MS = 6000;

/** Until nobody has asked the server anything for a moment: what is asked later is of the test's own doing. */
export const quiet = () =>
  until('quiet', () =>
    Promise.resolve(Date.now() - lastSeen > (underWay <= 0 ? QUIET_MS : LONG_QUIET_MS)),
  );

function watch(context: BrowserContext): void {
  const seen = (change: 1 | -1) => () => {
    underWay += change;
    lastSeen = Date.now();
  };
  context.on('request', seen(1));
  context.on('requestfinished', seen(-1));
  context.on('requestfailed', seen(-1));
}

function note(context: BrowserContext): void {
  const say = (request: Request, end: string) => {
    if (request.method() === 'GET' && end === '200') return;
    const at = new Date().toISOString().slice(11, 23);
    noted.push(`${at} ${request.method()} ${new URL(request.url()).pathname} ${end}`);
    noted.splice(0, noted.length - MOST_NOTED);
  };
  context.on('response', (response) => say(response.request(), String(response.status())));
  context.on('requestfailed', (request) => say(request, request.failure()?.errorText ?? 'failed'));
}

/** A page that has hung must not keep a failed test from telling of the others. */
const ANSWERS_WITHIN_MS = 5000;
const inTime = (answer: Promise<string>): Promise<string> =>
  Promise.race([
    answer.catch(String),
    wait(ANSWERS_WITHIN_MS, 'no answer', { ref: false }) as Promise<string>,
  ]);

/** What every open page shows and has not sent, for whoever reads why a test failed. */
async function shown(): Promise<string> {
  const pages = opened.flatMap(({ context }) => context.pages());
  const texts = await Promise.all(
    pages.map(async (page) => {
      const text = await inTime(page.evaluate(() => document.body.innerText));
      const unsent = await inTime(unsentWrites(page));
      return `${page.url()}: ${text.replace(/\s+/g, ' ').slice(0, 800)} [unsent: ${unsent}]`;
    }),
  );
  return [...texts, `at ${new Date().toISOString().slice(11, 23)}`, ...noted].join('; ');
}

/** Each write that waits in a page's outbox, but for what it says. */
const unsentWrites = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<string>((resolve) => {
        const open = indexedDB.open('alfombra-outbox');
        open.onsuccess = () => {
          const all = open.result.transaction('writes').objectStore('writes').getAll();
          all.onsuccess = () => {
            open.result.close();
            const plain = all.result as Record<string, unknown>[];
            resolve(
              JSON.stringify(plain, (key, value: unknown) =>
                ['base', 'body', 'conflict'].includes(key) ? Boolean(value) : value,
              ),
            );
          };
        };
      }),
  );

/** Asks again until it is so. `what` ends the sentence "it did not come to …" */
export async function until(
  what: string,
  isSo: () => Promise<boolean>,
  withinMs = PATIENCE_MS,
): Promise<void> {
  for (const end = Date.now() + withinMs; !(await isSo()); await wait(200)) {
    if (Date.now() > end) assert.fail(`it did not come to ${what}: ${await shown()}`);
  }
}

/** How many writes wait in the outbox of a page's device, whatever the page shows. */
export const pending = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        const open = indexedDB.open('alfombra-outbox');
        open.onerror = () => reject(new Error('no outbox'));
        open.onsuccess = () => {
          const count = open.result.transaction('writes').objectStore('writes').count();
          count.onsuccess = () => {
            open.result.close();
            resolve(count.result);
          };
        };
      }),
  );
