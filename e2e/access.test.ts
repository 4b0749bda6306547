/**
 * Everybody's way in: every route under axe, with no rule switched off but those listed with a reason, and
 * the way from the door to a lawn's season with nothing but the keys.
 * Source of the rules: axe-core (WCAG 2.0-2.2 A and AA, and its best practices).
 */
import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import type { AxeResults, RunOptions } from 'axe-core';
import type { BrowserContext, Page } from 'playwright-core';
import { closeBrowsers, openBrowser, PHONE, until, WIDE, PATIENCE_MS } from './browser.ts';
import { ADDRESS, clearServer, startServer } from './testServer.ts';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Rules that are not asked, each with its reason. None today. */
const NOT_ASKED: Record<string, string> = {};

/** What stands for each part of an address; a route with a part that is not here fails the test. */
const PARTS: Record<string, string> = {
  '[cause]': 'brown-patch',
  '[label]': 'new',
  '[pair]': 'large-crabgrass~smooth-crabgrass',
  '[plant]': 'large-crabgrass',
  '[test]': 'soap-flush-caterpillar',
  '[calculator]': 'by-weight',
};

function routes(folder: string, before: string[] = []): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.isDirectory()) {
      return routes(join(folder, entry.name), [...before, entry.name]);
    }
    const name = entry.name.replace(/\.tsx$/, '');
    if (/^_/.test(name)) return [];
    if (name === '+not-found') return ['/no/such/page'];
    return [
      `/${[...before, name === 'index' ? '' : name].filter((part) => part && !/^\(/.test(part)).join('/')}`,
    ];
  });
}
const ROUTES = routes(join(import.meta.dirname, '../app/src/app'));

interface Fault {
  rule: string;
  where: string;
}

async function faultsOf(page: Page): Promise<Fault[]> {
  await page.evaluate(AXE);
  const options: RunOptions = {
    rules: {
      ...Object.fromEntries(Object.keys(NOT_ASKED).map((rule) => [rule, { enabled: false }])),
      'target-size': { enabled: true },
      'label-content-name-mismatch': { enabled: true },
    },
  };
  const results = await page.evaluate(
    (given) =>
      (globalThis as unknown as { axe: { run: (o: unknown) => Promise<unknown> } }).axe.run(given),
    options,
  );
  return (results as AxeResults).violations.flatMap(({ id, nodes }) =>
    nodes.slice(0, 4).map((node) => ({
      rule: id,
      where: `${node.target.join(' ')} ${node.html.slice(0, 160)}`,
    })),
  );
}

async function signIn(page: Page): Promise<void> {
  await page.goto(`${ADDRESS}/lawns`);
  await page.getByLabel('E-mail').fill('owner@alfombra.demo');
  await page.getByLabel('Password').fill('woven-rug');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByLabel('Search by street or customer').waitFor();
}

/** Puts a report of a lawn out and gives the secret part of its link. */
async function sharedReport(page: Page, lawnId: string): Promise<string> {
  const answer = await page.request.put(
    `${ADDRESS}/api/reports/01a0de02-0000-7000-8000-00000000aaaa`,
    {
      headers: { 'idempotency-key': '01a0de02-0000-7000-8000-00000000bbbb' },
      data: {
        lawnId,
        date: '2026-04-08',
        visitId: null,
        language: 'es',
        findings: [
          { id: '01a0de02-0000-7000-8000-00000000cccc', grade: 'easy', words: 'El césped.' },
        ],
        assumptions: [],
        questionIds: [],
        photoIds: [],
        expiresOn: '2026-05-08',
        version: 0,
      },
    },
  );
  assert.ok(answer.ok(), await answer.text());
  const { path } = (await answer.json()) as { path: string };
  return path.split('/').pop() ?? '';
}

/** Nothing is being worked on any more. */
async function settled(page: Page): Promise<void> {
  await page.locator('h1').first().waitFor();
  await page.waitForFunction(
    () => !/Working on it|Working out/.test(document.body.innerText),
    undefined,
    { timeout: PATIENCE_MS },
  );
}

for (const [size, viewport, scheme] of [
  ['phone, light', PHONE, 'light'],
  ['wide, dark', WIDE, 'dark'],
] as const) {
  describe(`axe, ${size}`, { concurrency: 1 }, () => {
    let context: BrowserContext;
    let page: Page;
    const known: Record<string, string> = { ...PARTS };

    before(async () => {
      await startServer({ reset: true });
      context = await openBrowser(viewport);
      page = context.pages()[0] ?? (await context.newPage());
      await page.emulateMedia({ colorScheme: scheme });
      await signIn(page);
      const lawn = await page.locator('a[href^="/lawns/0"]').first().getAttribute('href');
      known['[id]'] = (lawn ?? '').split('/').pop() ?? '';
      const files = (await (await page.request.get(`${ADDRESS}/api${lawn}`)).json()) as {
        zones: { id: string }[];
      };
      known['[zone]'] = files.zones[0]?.id ?? '';
      await page.goto(`${ADDRESS}${lawn}/season`);
      await settled(page);
      known['[token]'] = await sharedReport(page, known['[id]'] ?? '');
      // What is not due yet has its card behind its line.
      await page
        .getByTestId(/^step-/)
        .first()
        .click();
      const step = await page.locator('a[href*="/mix/"]').first().getAttribute('href');
      known['[step]'] = (step ?? '').split('/').pop() ?? '';
    });
    after(async () => {
      await closeBrowsers();
      await clearServer();
    });

    const titles = new Map<string, string>();
    for (const route of ROUTES) {
      it(route, async () => {
        const path = route.replace(/\[[^\]]+\]/g, (part) => {
          assert.ok(known[part], `nothing stands for ${part}`);
          return known[part];
        });
        await page.goto(`${ADDRESS}${path}`);
        await settled(page);
        assert.deepEqual(await faultsOf(page), []);
        assert.equal(await page.locator('h1').count(), 1, 'one heading of the page');
        titles.set(route, await page.title());
      });
    }

    it('sheets, and the signs of a walk', async () => {
      await page.goto(`${ADDRESS}/lawns/${known['[id]']}`);
      await settled(page);
      await page
        .getByRole('button', { name: /°F Why$/ })
        .first()
        .click();
      await page.getByRole('dialog').waitFor();
      assert.deepEqual(await faultsOf(page), []);
      await page.getByRole('button', { name: 'Close' }).click();
      await page.getByRole('link', { name: 'Start the walk' }).click();
      await page.getByTestId('whole-zone').click();
      await page.getByRole('tab', { name: /^Kneeling/ }).click();
      await page.getByRole('tabpanel', { name: /^Kneeling/ }).waitFor();
      assert.deepEqual(await faultsOf(page), []);
      // On a phone the causes are folded to a line.
      const folded = page.getByRole('button', { expanded: false });
      if (await folded.isVisible()) await folded.click();
      assert.deepEqual(await faultsOf(page), []);
      await page.getByRole('region').getByRole('button', { name: /\d %$/ }).first().click();
      await page.getByRole('dialog').waitFor();
      assert.deepEqual(await faultsOf(page), []);
      await page.goBack();
      await page.getByRole('dialog').waitFor({ state: 'detached' });
      await page.getByRole('link', { name: 'Decide' }).click();
      await settled(page);
      assert.deepEqual(await faultsOf(page), []);
    });

    it('names each page of its own', () => {
      // These show the same page, or none of their own.
      const same = ['/', '/sign-in', '/report/[token]', '/no/such/page', '/lawns/[id]'];
      const own = [...titles].filter(([route]) => !same.includes(route));
      assert.equal(new Set(own.map(([, title]) => title)).size, own.length, [...own].join('\n'));
    });
  });
}

describe('with the keys alone', { concurrency: 1 }, () => {
  let page: Page;
  const focused = () =>
    page.evaluate(() => {
      const at = document.activeElement;
      return `${at?.tagName.toLowerCase()}: ${(at?.getAttribute('aria-label') ?? (at as HTMLElement | null)?.innerText ?? '').replace(/\s+/g, ' ')}`;
    });
  /** A page that is still arriving brings the focus a moment after its address. */
  const comesTo = (what: RegExp) =>
    until(`a focus on ${what}`, async () => what.test(await focused()));
  /** Tab until something is under the focus; never more than a page has. */
  async function tabTo(what: RegExp, most = 60): Promise<number> {
    for (let steps = 1; steps <= most; steps += 1) {
      await page.keyboard.press('Tab');
      if (what.test(await focused())) return steps;
    }
    throw new Error(`no way to ${what} by Tab; at ${await focused()}`);
  }

  before(async () => {
    await startServer({ reset: true });
    const context = await openBrowser(WIDE);
    page = context.pages()[0] ?? (await context.newPage());
  });
  after(async () => {
    await closeBrowsers();
    await clearServer();
  });

  it('goes in at the door', async () => {
    await page.goto(`${ADDRESS}/lawns`);
    await page.getByLabel('E-mail').waitFor();
    await tabTo(/^input: E-mail/);
    await page.keyboard.type('technician@alfombra.demo');
    await tabTo(/^input: Password/);
    await page.keyboard.type('woven-rug');
    await page.keyboard.press('Enter');
    await page.getByRole('link', { name: /^2 Weaver Steps/ }).waitFor();
  });

  it('opens a lawn from the list, and stands at its heading', async () => {
    await tabTo(/^input: Search/);
    await tabTo(/^a: 2 Weaver Steps/);
    await page.keyboard.press('Enter');
    await page.waitForURL(/\/lawns\/[0-9a-f-]+$/);
    await settled(page);
    await comesTo(/^h1: 2 Weaver Steps/);
    assert.equal(await page.title(), '2 Weaver Steps · Alfombra');
  });

  it('skips the places and the list', async () => {
    await page.reload();
    await settled(page);
    assert.ok((await tabTo(/^a: Skip to the page/)) <= 2);
    await page.keyboard.press('Enter');
    await comesTo(/^h1: 2 Weaver Steps/);
    assert.ok((await tabTo(/^button: Start the visit/)) <= 4);
  });

  it('opens a number and closes it by Escape and by the way back', async () => {
    await tabTo(/^button: Soil.*°F Why/);
    const address = page.url();
    for (const close of ['Escape', 'back'] as const) {
      await page.keyboard.press('Enter');
      await page.getByRole('dialog').waitFor();
      await comesTo(/^div: /);
      if (close === 'back') await page.goBack();
      else await page.keyboard.press('Escape');
      await page.getByRole('dialog').waitFor({ state: 'detached' });
      await comesTo(/^button: Soil.*°F Why/);
      assert.equal(page.url(), address);
    }
  });

  it('reaches the season, turns to soil and water by an arrow, and goes back', async () => {
    await tabTo(/^a: See the season/);
    await page.keyboard.press('Enter');
    await page.waitForURL(/\/season$/);
    await settled(page);
    await comesTo(/^h1: Season of 2 Weaver Steps/);
    await tabTo(/^button: Jobs/);
    await page.keyboard.press('ArrowRight');
    // The arrow moves the focus in a moment of its own; before that, Enter is still the first tab's.
    await comesTo(/^button: Soil and water/);
    await page.keyboard.press('Enter');
    await page.getByRole('tabpanel', { name: 'Soil and water' }).waitFor();
    await page.goBack();
    await page.waitForURL(/\/lawns\/[0-9a-f-]+$/);
  });
});
