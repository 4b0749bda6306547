/**
 * What comes after the leading causes, in Debian's Chromium on a phone: a field test with its
 * arithmetic, options with their reasons, a sample that comes back, the Guide, practice, a photo
 * measured.
 */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { Page } from 'playwright-core';
import { closeBrowsers, openBrowser, PHONE, until } from './browser.ts';
import { ADDRESS, clearServer, startServer } from './testServer.ts';

const LARKSPUR = '/lawns/0190de02-0000-7000-8000-000000000001';

describe('the diagnosis whole, phone', { concurrency: 1 }, () => {
  let page: Page;
  const faults: string[] = [];
  const id = (testId: string) => page.getByTestId(testId).first();

  before(async () => {
    await startServer({ reset: true });
    const context = await openBrowser(PHONE);
    page = context.pages()[0] ?? (await context.newPage());
    page.on('pageerror', (error) => faults.push(error.message));
    await page.goto(`${ADDRESS}/lawns`);
    await id('email').fill('technician@alfombra.demo');
    await id('password').fill('woven-rug');
    await id('sign-in').click();
    await id('search').waitFor();
  });
  after(async () => {
    await closeBrowsers();
    await clearServer();
  });

  it('answers signs from the plan before anybody taps', async () => {
    await page.goto(`${ADDRESS}${LARKSPUR}/walk`);
    await id('patch-1').click();
    await page.getByText('from the plan').first().waitFor();
  });

  it('works catch cans out and lets them answer their sign', async () => {
    await page.getByRole('tab', { name: /Tests/ }).click();
    await id('field-catch-cans').click();
    await id('reading-depths').fill('0.31 0.28 0.35 0.12 0.3 0.26 0.33 0.29');
    await id('reading-patch').fill('0.12');
    const result = await id('field-test-result').innerText();
    assert.match(result, /0\.68/);
    assert.match(result, /54 min/);
    await id('use-field-test').click();
    await id('field-catch-cans').getByText('in use').waitFor();
  });

  it('offers options with reasons, and says on what the others fail', async () => {
    await id('decide').click();
    await page.locator('[data-testid^=confirm-]').first().click();
    const options = await id('options').innerText();
    assert.match(options, /Not now, and why/);
    assert.match(options, /no product helps|count first|lens/);
    await page.locator('[data-testid^=option-]').first().click();
  });

  it('sends a sample when it cannot tell, and takes its result as the finding', async () => {
    await id('cannot-tell').click();
    await page.getByRole('button', { name: 'A plant sample is sent' }).click();
    await id('keep-walk').click();
    await page.waitForURL('**/visit');
    await page.goto(`${ADDRESS}${LARKSPUR}`);
    await id('sample-out').click();
    await page.getByLabel('The laboratory found').selectOption('take-all-root-rot');
    await id('save-result').click();
    await id('sample-out').waitFor({ state: 'detached' });
    // The screen shows what is kept on the phone; the server has it a moment later.
    let found: (string | undefined)[] = [];
    await until('a finding on the server', async () => {
      const visits = await page.evaluate(async (path) => {
        const answer = await fetch(`/api${path}/visits`);
        return (await answer.json()) as {
          looks: { decision: { cause?: string; by?: string } | null }[];
        }[];
      }, LARKSPUR);
      found = visits
        .flatMap(({ looks }) => looks)
        .flatMap(({ decision }) => (decision?.by === 'laboratory' ? [decision.cause] : []));
      return found.length > 0;
    });
    assert.deepEqual(found, ['take-all-root-rot']);
  });

  it('opens a risk to its model and its source', async () => {
    await id('all-risks').click();
    await id('risk-dollar-spot').click();
    await page.getByText(/Smith, Kerns/).waitFor();
    await page.getByRole('button', { name: 'Close' }).last().click();
  });

  it('finds tests, plants and look-alikes in the Guide', async () => {
    await page.goto(`${ADDRESS}/guide`);
    await page.getByRole('tab', { name: 'Tests' }).click();
    await page.getByText('Chinch float').first().click();
    await page.getByText('Easily misread').waitFor();
    await page.goto(`${ADDRESS}/guide/pair/dallisgrass~bahia`);
    await page.getByText('Seed head', { exact: true }).waitFor();
  });

  it('judges a practice case and keeps the learning record', async () => {
    await page.goto(`${ADDRESS}/guide/practice`);
    await id('look-k-pat-uniform').click();
    await id('practice-open-decide').click();
    await page.getByRole('button', { name: 'Cannot tell yet' }).click();
    await id('debrief').waitFor();
    await page.reload();
    await id('learning-record').waitFor();
  });

  it('measures the green of a photo and compares two dates', async () => {
    await page.goto(`${ADDRESS}${LARKSPUR}/photos`);
    await id('compare-photos').click();
    assert.match(await id('photo-change').innerText(), /Cover \+?-?[\d.]+ points/);
    await id('open-measure').click();
    await id('measure-photo').click();
    assert.match(await id('photo-result').innerText(), /Green cover\s+\d+(\.\d)? %/);
    assert.deepEqual(faults, []);
  });
});
