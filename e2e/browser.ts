import assert from 'node:assert/strict';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { chromium, type BrowserContext, type Page } from 'playwright-core';

export const PHONE = { width: 390, height: 844 };
export const WIDE = { width: 1280, height: 800 };

/** Longest wait of a browser test for anything: nothing here is a test of speed, and two cores may be busy. */
export const PATIENCE_MS = Number(process.env.PATIENCE ?? 60_000);

const opened: { context: BrowserContext; profile: string }[] = [];

/** Closes every browser of this process; one left open by a failed test would keep it from ending. */
export async function closeBrowsers(): Promise<void> {
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
  opened.push({ context, profile });
  return context;
}

/** What every open page shows, for whoever reads why a test failed. */
async function shown(): Promise<string> {
  const pages = opened.flatMap(({ context }) => context.pages());
  const texts = await Promise.all(
    pages.map(async (page) => {
      const text = await page.evaluate(() => document.body.innerText).catch(String);
      return `${page.url()}: ${text.replace(/\s+/g, ' ').slice(0, 800)}`;
    }),
  );
  return texts.join('; ');
}

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
