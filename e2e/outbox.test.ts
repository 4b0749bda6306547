/**
 * The outbox in Debian's Chromium against the real server and the browser's own storage: the random orders
 * of its model, and through the screens two tabs, a colleague, a server that hangs or fails, two people on
 * one phone, a wrong clock, a customer list.
 */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { setTimeout as wait } from 'node:timers/promises';
import { build } from 'esbuild';
import type { BrowserContext, Page } from 'playwright-core';
import { closeBrowsers, openBrowser, PHONE, pending, until } from './browser.ts';
import { ADDRESS, clearServer, startServer } from './testServer.ts';

// The worker that sends in the background is cut off like a page.
process.env.PW_EXPERIMENTAL_SERVICE_WORKER_NETWORK_EVENTS = '1';

const LAWN = '/lawns/0190de02-0000-7000-8000-000000000001';
/** One in twenty of the orders that the unit test tries. */
const CASES = Math.ceil((Number(process.env.ALFOMBRA_CASES ?? 60) * 2) / 20);
/** Eight hundred writes one after the other, on a machine that may have other work. */
const LIST_PATIENCE_MS = 300_000;

interface Zone {
  id: string;
  name: string;
  site: { thatchIn: number | null; sunHours: number | null };
}
interface LawnOnServer {
  name: string;
  version: number;
  zones: Zone[];
}

describe('what waits on a phone', { concurrency: 1 }, () => {
  let context: BrowserContext;
  let page: Page;
  let zone: Zone;

  const open = async (path: string, at = page) => {
    await at.goto(`${ADDRESS}${path}`);
  };
  const signIn = async (who: string, next = '/lawns') => {
    await open(`/sign-in?next=${encodeURIComponent(next)}`);
    await page.getByRole('textbox', { name: 'E-mail' }).fill(`${who}@alfombra.demo`);
    await page.getByRole('textbox', { name: 'Password' }).fill('woven-rug');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('navigation').waitFor();
  };
  const ask = <Answer>(path: string, init?: { method: string; body: object }) =>
    page.evaluate(
      async ([url, given]) => {
        const answer = await fetch(url, {
          ...(given && {
            method: given.method,
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify(given.body),
          }),
        });
        return (await answer.json()) as unknown;
      },
      [`/api${path}`, init] as const,
    ) as Promise<Answer>;
  const lawn = () => ask<LawnOnServer>(LAWN);
  const drained = async (at = page) => {
    await until(
      'nothing waiting',
      async () => (await at.getByText(/waiting to be sent|needs? you/).count()) === 0,
    );
  };
  const save = async (field: string, value: string, at = page) => {
    await at.getByRole('textbox', { name: field }).fill(value);
    await at.getByRole('button', { name: 'Save', exact: true }).click();
  };
  const zonePage = () => `${LAWN}/zone/${zone.id}`;
  /** Both tabs on the zone, and everything on the device. */
  const onZone = async (at = page) => {
    await open(zonePage(), at);
    await at.getByRole('textbox', { name: 'Thatch' }).waitFor();
  };

  before(async () => {
    await startServer({ reset: true });
    context = await openBrowser(PHONE);
    page = context.pages()[0] ?? (await context.newPage());
    await signIn('technician');
    zone = (await lawn()).zones[0]!;
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  });
  after(async () => {
    await closeBrowsers();
    await clearServer();
  });

  it(`takes ${CASES} random orders as its model does`, { timeout: 3_600_000 }, async () => {
    const { outputFiles } = await build({
      entryPoints: ['app/src/testdata/outboxPage.ts'],
      bundle: true,
      write: false,
      format: 'iife',
      globalName: 'outboxModel',
      tsconfig: 'app/tsconfig.json',
      define: { 'process.env.NODE_ENV': '"test"' },
    });
    await page.evaluate(`${outputFiles[0]!.text}; globalThis.outboxModel = outboxModel;`);
    const seed = Date.now() % 1_000_000;
    assert.equal(await page.evaluate(`outboxModel.run(${CASES}, ${seed})`), null);
  });

  it('sends from the worker although no page of it is open', async () => {
    await onZone();
    // First of those that cut the line: a worker that has failed is woken again after minutes only.
    // The page has no line; the worker that the browser wakes has.
    await page.route('**/api/lawns/*', (route) =>
      route.request().method() === 'PUT' ? route.abort() : route.continue(),
    );
    await save('Thatch', '0.8');
    await page.getByText('1 waiting to be sent').waitFor();
    await wait(500);
    await page.goto('about:blank');
    const session = await context.cookies(ADDRESS);
    const cookie = session.map(({ name, value }) => `${name}=${value}`).join('; ');
    await until('the server', async () => {
      const answer = await fetch(`${ADDRESS}/api${LAWN}`, { headers: { cookie } });
      const { zones } = (await answer.json()) as LawnOnServer;
      return zones[0]!.site.thatchIn === 0.8;
    });
    await page.unroute('**/api/lawns/*');
    await open('/lawns');
    await drained();
  });

  it('keeps what two tabs wrote without a line, and what a colleague wrote meanwhile', async () => {
    const other = await context.newPage();
    await onZone(other);
    await onZone();
    await context.setOffline(true);
    await save('Thatch', '0.3');
    await page.getByText('1 waiting to be sent').waitFor();
    await save('Sun on a clear summer day', '11', other);
    await other.getByText(/waiting to be sent/).waitFor();
    await context.setOffline(false);
    // A colleague elsewhere renames the lawn before the phone has sent.
    await drained();
    const now = await lawn();
    assert.deepEqual(
      [now.zones[0]!.site.thatchIn, now.zones[0]!.site.sunHours],
      [0.3, 11],
      'both tabs',
    );
    await other.close();
  });

  it('does not undo a colleague’s change with a second edit', async () => {
    await onZone();
    await context.route('**/api/lawns/*', (route) =>
      route.request().method() === 'PUT' ? route.abort() : route.continue(),
    );
    await save('Thatch', '0.4');
    await page.getByText('1 waiting to be sent').waitFor();
    await onZone();
    await save('Sun on a clear summer day', '9');
    await page.getByText(/waiting to be sent/).waitFor();
    const { id: _id, version, ...body } = (await lawn()) as LawnOnServer & { id: string };
    const colleague = await fetch(`${ADDRESS}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: 'owner@alfombra.demo', password: 'woven-rug' }),
    });
    const renamed = await fetch(`${ADDRESS}/api${LAWN}`, {
      method: 'PUT',
      headers: {
        'content-type': 'application/json',
        cookie: colleague.headers.get('set-cookie')?.split(';')[0] ?? '',
      },
      body: JSON.stringify({ ...body, name: 'Renamed meanwhile', version }),
    });
    assert.equal(renamed.status, 200);
    await context.unroute('**/api/lawns/*');
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await drained();
    const now = await lawn();
    assert.equal(now.name, 'Renamed meanwhile');
    assert.deepEqual([now.zones[0]!.site.thatchIn, now.zones[0]!.site.sunHours], [0.4, 9]);
    await ask(LAWN, {
      method: 'PUT',
      body: { ...now, name: '14 Larkspur Bend', id: undefined },
    });
  });

  it('sets aside what the server fails at, says so, and sends the rest', async () => {
    await onZone();
    await context.route('**/api/lawns/*', (route) =>
      route.request().method() === 'PUT'
        ? route.fulfill({ status: 500, body: '{}' })
        : route.continue(),
    );
    await save('Thatch', '0.5');
    await page.getByText('1 needs you').waitFor();
    const visits = (await ask<object[]>(`${LAWN}/visits`)).length;
    await open(`${LAWN}/walk`);
    await page.getByRole('button', { name: /^Patch 1/ }).click();
    await page.getByRole('link', { name: 'Decide' }).click();
    await page.getByRole('radio', { name: /^Cannot tell yet/ }).click();
    await page.getByRole('button', { name: 'Save this look' }).click();
    await until(
      'another visit',
      async () => (await ask<object[]>(`${LAWN}/visits`)).length > visits,
    );
    assert.equal((await ask<object[]>(`${LAWN}/visits`)).length, visits + 1);
    await page.getByText('1 needs you').click();
    await page.getByText(/^The server failed at it/).waitFor();
    await context.unroute('**/api/lawns/*');
    await page.getByRole('button', { name: 'Try again' }).click();
    await drained();
    assert.equal((await lawn()).zones[0]!.site.thatchIn, 0.5);
  });

  it('goes on when the server takes a request and never answers', async () => {
    await onZone();
    let hung = false;
    await context.route('**/api/lawns/*', (route) => {
      if (route.request().method() === 'PUT' && !hung) hung = true;
      else void route.continue();
    });
    await save('Thatch', '0.6');
    await page.getByText('1 waiting to be sent').waitFor();
    await drained();
    assert.ok(hung);
    assert.equal((await lawn()).zones[0]!.site.thatchIn, 0.6);
    await context.unroute('**/api/lawns/*');
  });

  it('dates by the phone’s own day without a line, unless that cannot be', async () => {
    const company = await ask<{ policy: object; version: number; clock: object }>('/company');
    const sheet = { clock: { kind: 'calendar' }, policy: company.policy, version: company.version };
    const owner = await fetch(`${ADDRESS}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: 'owner@alfombra.demo', password: 'woven-rug' }),
    });
    const cookie = owner.headers.get('set-cookie')?.split(';')[0] ?? '';
    const put = (body: object) =>
      fetch(`${ADDRESS}/api/company`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', cookie },
        body: JSON.stringify(body),
      });
    assert.equal((await put(sheet)).status, 200);
    const day = (from: Date) =>
      new Intl.DateTimeFormat('en-US', { weekday: 'long', month: 'long', day: 'numeric' }).format(
        from,
      );
    const today = new Date();
    const DAY_MS = 86_400_000;
    await open('/today');
    await page.getByText(day(today)).first().waitFor();
    await context.setOffline(true);
    await page.clock.install({ time: new Date(today.getTime() + 2 * DAY_MS) });
    await open('/today');
    await page
      .getByText(day(new Date(today.getTime() + 2 * DAY_MS)))
      .first()
      .waitFor();
    await page.clock.setSystemTime(new Date(today.getTime() + 40 * DAY_MS));
    await open('/today');
    await page.getByText(/this phone says .*: check its date/).waitFor();
    await page.getByText(day(today)).first().waitFor();
    await open(LAWN);
    // What was kept is there however wrong the clock is.
    await page.getByText('14 Larkspur Bend').first().waitFor();
    await page.close();
    page = await context.newPage();
    await context.setOffline(false);
    const { version } = (await (
      await fetch(`${ADDRESS}/api/company`, { headers: { cookie } })
    ).json()) as { version: number };
    assert.equal((await put({ ...sheet, clock: company.clock, version })).status, 200);
  });

  it('takes a list of 400 customers in half a minute, also when the page goes in the middle', async () => {
    await open('/lawns/import');
    const list = Array.from(
      { length: 400 },
      (_, row) => `Customer Made-up ${row},555 ${1000 + row},${row} Invented Way`,
    );
    await page
      .getByRole('textbox', { name: 'Or paste the list here' })
      .fill(['customer,phone,property', ...list].join('\n'));
    const lists: string[] = [];
    page.on('request', (request) => {
      if (request.url().endsWith('/api/lawns')) lists.push(request.method());
    });
    const started = Date.now();
    await page.getByRole('button', { name: 'Take 400 properties' }).click();
    await page.getByText('400 properties are on this phone.').waitFor();
    await page.getByText(/sent, \d+ to go/).waitFor();
    await page.reload();
    await until(
      'a list that is sent',
      // The strip says nothing yet on a page that is still loading.
      async () => lists.length > 0 && (await pending(page).catch(() => 1)) === 0,
      LIST_PATIENCE_MS,
    );
    console.log(`# 400 properties sent in ${Date.now() - started} ms (30 s on an idle machine)`);
    const all = await ask<{ name: string }[]>('/lawns');
    assert.equal(all.filter(({ name }) => /Invented Way$/.test(name)).length, 400);
    assert.equal(
      (await ask<{ name: string }[]>('/customers')).filter(({ name }) => /Made-up/.test(name))
        .length,
      400,
    );
    assert.ok(lists.length < 8, `${lists.length} times the list`);
  });

  it('shows nobody what another wrote or was told', async () => {
    await onZone();
    await page.getByRole('textbox', { name: 'Thatch' }).fill('0.7');
    await wait(300);
    await context.setOffline(true);
    await save('Sun on a clear summer day', '8');
    await page.getByText('1 waiting to be sent').waitFor();
    await open('/today');
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.getByRole('button', { name: 'Sign out all the same' }).click();
    await page.getByRole('textbox', { name: 'E-mail' }).waitFor();
    await context.setOffline(false);
    // Without a line nobody ended the session; it ends now, and the cookie opens nothing.
    await open('/lawns');
    await page.getByRole('textbox', { name: 'E-mail' }).waitFor();
    await signIn('owner');
    await wait(1500);
    assert.equal(await page.getByText(/waiting to be sent|needs you/).count(), 0);
    await onZone();
    assert.equal(await page.getByText('Kept on this device, not saved yet').count(), 0);
    assert.notEqual((await lawn()).zones[0]!.site.sunHours, 8);
    await open('/today');
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.getByRole('textbox', { name: 'E-mail' }).waitFor();
    // Whose it is sends it.
    await signIn('technician');
    await drained();
    await until('eight hours', async () => (await lawn()).zones[0]!.site.sunHours === 8);
  });

  it('leads nobody elsewhere after the door', async () => {
    for (const next of ['//127.0.0.1:9/phish', '/\\127.0.0.1:9/phish', 'https://127.0.0.1:9/']) {
      await open('/today');
      await page.getByRole('button', { name: 'Sign out' }).click();
      await page.getByRole('textbox', { name: 'E-mail' }).waitFor();
      await signIn('technician', next);
      assert.equal(new URL(page.url()).origin, ADDRESS);
    }
  });
});
