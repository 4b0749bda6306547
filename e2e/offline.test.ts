/**
 * Work without a signal, in Debian's Chromium: the network cut, the page and the server killed in the
 * middle, two devices on one lawn. Acknowledged writes are counted against what the server holds.
 */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { setTimeout as wait } from 'node:timers/promises';
import type { BrowserContext, Page } from 'playwright-core';
import { closeBrowsers, openBrowser, PHONE, pending, until } from './browser.ts';
import { ADDRESS, clearServer, startServer, stopServer } from './testServer.ts';

const LAWN = '/lawns/0190de02-0000-7000-8000-000000000001';

async function signIn(page: Page): Promise<void> {
  await page.goto(`${ADDRESS}/lawns`);
  await page.getByTestId('email').fill('technician@alfombra.demo');
  await page.getByTestId('password').fill('woven-rug');
  await page.getByTestId('sign-in').click();
  await page.getByTestId('lawn-14 Larkspur Bend').waitFor();
}

/** Waits until the lawns are on the device and the service worker has the pages. */
async function ready(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.waitForFunction(
    () =>
      new Promise((resolve) => {
        const open = indexedDB.open('alfombra-answers');
        open.onerror = () => resolve(false);
        open.onsuccess = () => {
          const { result } = open;
          if (!result.objectStoreNames.contains('answers')) {
            result.close();
            resolve(false);
            return;
          }
          const count = result.transaction('answers').objectStore('answers').count();
          count.onsuccess = () => {
            result.close();
            resolve(count.result > 60);
          };
        };
      }),
    undefined,
    { polling: 500 },
  );
}

async function visitsOnServer(page: Page): Promise<{ id: string; looks: unknown[] }[]> {
  return page.evaluate(async (path) => {
    const answer = await fetch(`/api${path}/visits`);
    return (await answer.json()) as { id: string; looks: unknown[] }[];
  }, LAWN);
}

async function lawnOnServer(
  page: Page,
): Promise<{ name: string; zones: { name: string; site: { thatchIn: number | null } }[] }> {
  return page.evaluate(
    async (path) =>
      (await (await fetch(`/api${path}`)).json()) as Awaited<ReturnType<typeof lawnOnServer>>,
    LAWN,
  );
}

/** A request that the line swallowed is given up at its deadline, and asked again after a pause. */
const LINE_COMES_BACK_MS = 120_000;

describe('without a signal', { concurrency: 1 }, () => {
  let context: BrowserContext;
  let page: Page;
  let before_: number;

  before(async () => {
    await startServer({ reset: true });
    context = await openBrowser(PHONE);
    page = context.pages()[0] ?? (await context.newPage());
  });
  after(async () => {
    await closeBrowsers();
    await clearServer();
  });

  it('takes the lawns along and opens with no network', async () => {
    await signIn(page);
    await ready(page);
    before_ = (await visitsOnServer(page)).length;
    await context.setOffline(true);
    await page.goto(`${ADDRESS}${LAWN}`);
    await page.getByTestId('soil-now').waitFor();
    await page.getByText('no connection').waitFor();
  });

  it('keeps a walk, shows it waiting, and still has it after the page was killed', async () => {
    await page.getByTestId('to-walk').click();
    await page.getByTestId('patch-1').click();
    await page.getByTestId('decide').click();
    await page.getByTestId('cannot-tell').click();
    await page.getByTestId('keep-walk').click();
    await page.getByText('1 waiting to be sent').waitFor();
    await page.close();
    page = await context.newPage();
    await page.goto(`${ADDRESS}/lawns`);
    await page.getByText('1 waiting to be sent').waitFor();
    assert.equal(await pending(page), 1);
  });

  it('warns before signing out with unsent work', async () => {
    await page.goto(`${ADDRESS}/today`);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.getByText('Not everything has been sent').waitFor();
    await page.getByTestId('stay-signed-in').click();
    assert.equal(await pending(page), 1);
  });

  it('waits while the server is down and sends once when it is back', async () => {
    await stopServer();
    await context.setOffline(false);
    await wait(1500);
    assert.equal(await pending(page), 1);
    await startServer({ reset: false });
    await until('nothing waiting', async () => (await pending(page)) === 0, LINE_COMES_BACK_MS);
    const visits = await visitsOnServer(page);
    assert.equal(visits.length, before_ + 1);
    assert.equal(visits.filter(({ looks }) => looks.length === 1).length, 1);
  });

  it('merges what two devices wrote in different places of one lawn', async () => {
    const other = await openBrowser(PHONE);
    const theirs = other.pages()[0] ?? (await other.newPage());
    await signIn(theirs);
    await ready(theirs);
    await page.goto(`${ADDRESS}${LAWN}/property`);
    await page.getByTestId('customer-name').waitFor();
    await context.setOffline(true);
    await page.getByTestId('property-name').fill('14 Larkspur Bend, rear');
    await page.getByTestId('save-property').click();
    await page.getByText(/waiting to be sent/).waitFor();
    await theirs.goto(`${ADDRESS}${LAWN}/zone/0190de03-0000-7000-8000-000000000013`);
    await theirs.getByTestId('thatch').fill('0.4');
    await theirs.getByTestId('save-zone').click();
    await theirs.waitForURL('**/visit');
    await context.setOffline(false);
    await until('nothing waiting', async () => (await pending(page)) === 0, LINE_COMES_BACK_MS);
    const lawn = await lawnOnServer(theirs);
    assert.equal(lawn.name, '14 Larkspur Bend, rear');
    assert.equal(lawn.zones.find(({ name }) => name === 'Back')?.site.thatchIn, 0.4);
    await other.close();
  });

  it('asks when both changed the same, and keeps the answer', async () => {
    await page.goto(`${ADDRESS}${LAWN}/property`);
    await page.getByTestId('property-name').waitFor();
    await context.setOffline(true);
    await page.getByTestId('property-name').fill('Mine');
    await page.getByTestId('save-property').click();
    await page.getByText(/waiting to be sent/).waitFor();
    const other = await openBrowser(PHONE);
    const theirs = other.pages()[0] ?? (await other.newPage());
    await theirs.goto(`${ADDRESS}/lawns`);
    await theirs.getByTestId('email').fill('owner@alfombra.demo');
    await theirs.getByTestId('password').fill('woven-rug');
    await theirs.getByTestId('sign-in').click();
    await theirs.getByTestId('search').waitFor();
    await theirs.goto(`${ADDRESS}${LAWN}/property`);
    await theirs.getByTestId('property-name').fill('Theirs');
    await theirs.getByTestId('save-property').click();
    await theirs.waitForURL(`**${LAWN}`);
    await context.setOffline(false);
    await page.getByText('1 needs you').waitFor();
    await page.getByTestId('sync-strip').click();
    await page.getByTestId('conflict').waitFor();
    await page.getByText('Mine: Mine').click();
    await page.getByTestId('settle').click();
    await until('nothing waiting', async () => (await pending(page)) === 0, LINE_COMES_BACK_MS);
    assert.equal((await lawnOnServer(theirs)).name, 'Mine');
    await other.close();
  });

  it('warns before the device is full, and is quiet again when there is room', async () => {
    const devtools = await context.newCDPSession(page);
    const usage = await page.evaluate(async () => (await navigator.storage.estimate()).usage ?? 0);
    const quota = (quotaSize: number | undefined) =>
      devtools.send('Storage.overrideQuotaForOrigin', {
        origin: ADDRESS,
        ...(quotaSize === undefined ? {} : { quotaSize }),
      });
    await quota(Math.round(usage * 1.05));
    await page.goto(`${ADDRESS}/lawns`);
    await page.getByText('nearly full').waitFor();
    await quota(undefined);
    await page.goto(`${ADDRESS}/lawns`);
    await page.getByTestId('search').waitFor();
    await page.getByText('nearly full').waitFor({ state: 'detached' });
  });

  it('sends a photo in pieces through a line that breaks', async () => {
    await page.goto(`${ADDRESS}${LAWN}/photos`);
    await page.getByTestId('photo-note').fill('By the gate');
    let pieces = 0;
    await page.route('**/api/photos/*/bytes?**', async (route) => {
      pieces += 1;
      if (pieces === 1) await route.abort();
      else await route.continue();
    });
    await page.getByTestId('stand-in-photo').click();
    await until(
      'two pieces and nothing waiting',
      async () => pieces >= 2 && (await pending(page)) === 0,
    );
    const photos = await page.evaluate(async (path) => {
      const answer = await fetch(`/api${path}/photos`);
      return (await answer.json()) as { note: string; bytes: number; received: number }[];
    }, LAWN);
    const sent = photos.filter(({ note }) => note === 'By the gate');
    assert.equal(sent.length, 1);
    assert.equal(sent[0]?.received, sent[0]?.bytes);
  });
});
