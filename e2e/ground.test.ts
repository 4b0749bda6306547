/**
 * The ground, the shelf and the kerb, in Debian's Chromium on a phone: any day of the year read by
 * thumb and by keys, a calculation, a label that outranks the library, ways to do a step, go or hold,
 * and work that no step planned.
 */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { Page } from 'playwright-core';
import { closeBrowsers, openBrowser, PHONE, WIDE } from './browser.ts';
import { ADDRESS, clearServer, startServer } from './testServer.ts';

const LARKSPUR = '/lawns/0190de02-0000-7000-8000-000000000001';

describe('ground, shelf and kerb, phone', { concurrency: 1 }, () => {
  let page: Page;
  const faults: string[] = [];
  const id = (testId: string) => page.getByTestId(testId).first();
  const signIn = async (who: string) => {
    await page.goto(`${ADDRESS}/lawns`);
    await id('email').fill(`${who}@alfombra.demo`);
    await id('password').fill('woven-rug');
    await id('sign-in').click();
    await id('search').waitFor();
  };

  before(async () => {
    await startServer({ reset: true });
    const context = await openBrowser(PHONE);
    page = context.pages()[0] ?? (await context.newPage());
    page.on('pageerror', (error) => faults.push(error.message));
    await signIn('owner');
  });
  after(async () => {
    await closeBrowsers();
    await clearServer();
  });

  it('reads any day of the year by dragging and by keys', async () => {
    await page.goto(`${ADDRESS}${LARKSPUR}/season`);
    await page.getByRole('tab', { name: 'Soil and water' }).click();
    await id('year-chart').waitFor();
    assert.match(await id('day-card').innerText(), /April 8, 2026/);
    const box = (await id('year-chart').boundingBox())!;
    await page.mouse.move(box.x + box.width * 0.3, box.y + 60);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.68, box.y + 60, { steps: 8 });
    await page.mouse.up();
    assert.match(await id('day-card').innerText(), /September/);
    assert.match(await id('may-seed').innerText(), /Seed: yes/);
    await id('year-chart').focus();
    await page.keyboard.press('End');
    assert.match(await id('day-card').innerText(), /December 31/);
    await page.keyboard.press('ArrowLeft');
    assert.match(await id('day-card').innerText(), /December 30/);
    assert.match(await id('may-feed').innerText(), /not now/);
  });

  it('has the year as a table, and the days of the thresholds', async () => {
    assert.match(await id('thresholds').innerText(), /Crabgrass comes up\n.*55 °F at 2 in/);
    await id('year-table').click();
    assert.ok((await id('week-table').getByRole('row').count()) > 50);
  });

  it('works out a bag from its three numbers', async () => {
    await page.goto(`${ADDRESS}/mix`);
    await id('calc-search').fill('three numbers');
    await id('to-bag-numbers').click();
    await id('calc-n-wanted').fill('1');
    assert.match(await id('answer-product-rate').innerText(), /4\.167 lb/);
    await id('calc-n-pct').fill('x');
    await page.getByText('Not a number.').waitFor();
  });

  it('says go or hold at the kerb, and holds when the turf wilts', async () => {
    await page.goto(`${ADDRESS}${LARKSPUR}/season`);
    await id('mix-control').click();
    await id('kerb-verdict').waitFor();
    await page.getByText('Wilting', { exact: true }).click();
    assert.equal(await id('kerb-verdict').innerText(), 'Hold');
    await page.getByText('The turf wilts').waitFor();
  });

  it('sets ways to do a step side by side', async () => {
    await page.goto(`${ADDRESS}${LARKSPUR}/season`);
    await id('step-control').click();
    await id('open-choices').click();
    assert.match(await id('choice-cheapest').innerText(), /% expected/);
  });

  it('puts what is due that day into as few walks as may share a tank', async () => {
    const together = await id('together-cheapest').innerText();
    // The feeding is spread by itself; weed killer and pre-emergent share a tank.
    assert.match(together, /2 walks/);
    assert.match(together, /On the leaf[\s\S]*florasulam[\s\S]*prodiamine[\s\S]*Spread dry/);
    await page.getByText(/One after the other: 3 walks/).waitFor();
  });

  it('drags the strip of a lawn to a day and reads what may be done', async () => {
    await page.goto(`${ADDRESS}${LARKSPUR}`);
    await id('strip-reader').waitFor();
    await id('strip-reader').scrollIntoViewIfNeeded();
    const box = (await id('strip-reader').boundingBox())!;
    await page.mouse.move(box.x + box.width * 0.3, box.y + 40);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.55, box.y + 40, { steps: 6 });
    await page.mouse.up();
    assert.match(await id('day-card').innerText(), /July/);
    assert.match(await id('may-feed').innerText(), /not now/);
    await id('strip-reader').focus();
    await page.keyboard.press('Home');
    assert.match(await id('day-card').innerText(), /January 1/);
  });

  it('keeps the rules of the place, and the plan keeps to them', async () => {
    await page.goto(`${ADDRESS}/guide/shelf`);
    await page.getByRole('tab', { name: 'Rules' }).click();
    await id('rules-from').fill('13-01');
    await id('rules-save').click();
    await page.getByText('A day as 11-15').first().waitFor();
    await id('rules-from').fill('04-01');
    await id('rules-to').fill('09-30');
    await id('rules-save').click();
    await id('rules-kept').waitFor();
    await page.goto(`${ADDRESS}${LARKSPUR}/season`);
    await page
      .getByText(/no fertilizer here from 04-01 to 09-30/)
      .first()
      .waitFor();
    await page.goto(`${ADDRESS}/guide/shelf`);
    await page.getByRole('tab', { name: 'Rules' }).click();
    await id('rules-from').fill('');
    await id('rules-to').fill('');
    await id('rules-save').click();
    await id('rules-kept').waitFor();
  });

  it('takes a label, flags what is odd, and lets it outrank the library', async () => {
    await page.goto(`${ADDRESS}/guide/label/new?base=herbicide:threeway-amine`);
    await id('label-name').fill('House three-way (made up)');
    await id('label-highPerAcre').fill('');
    await id('keep-label').click();
    await page.getByText('Fill this in.').waitFor();
    await id('label-lowPerAcre').fill('0.7');
    await id('label-highPerAcre').fill('1.5');
    await page.getByText('instead of per acre?').waitFor();
    await id('label-lowPerAcre').fill('20');
    await id('label-highPerAcre').fill('40');
    await id('keep-label').click();
    await page.getByText('House three-way (made up)').waitFor();
    await page.reload();
    await page.getByText('20–40 fl oz/A').waitFor();
  });

  it('records work that no step planned, and the label judges it', async () => {
    await page.goto(`${ADDRESS}${LARKSPUR}/record/other`);
    await page.getByLabel('Product').selectOption('threeway-amine');
    await id('other-amount').fill('3');
    await id('other-next').click();
    await id('record-pace').fill('2');
    await id('record-calibrated').fill('3');
    await id('finding-rate-over-label').waitFor();
    await id('finding-pace').waitFor();
  });

  it('has the list of lawns beside a lawn as soon as there is room for it', async () => {
    await page.goto(`${ADDRESS}${LARKSPUR}/season`);
    await id('step-prevent').waitFor();
    await page.setViewportSize(WIDE);
    await page.getByText('2 Weaver Steps', { exact: true }).waitFor();
    await page.setViewportSize(PHONE);
  });

  it('leaves a zone out of a job, of its card and of its record', async () => {
    await page.goto(`${ADDRESS}${LARKSPUR}/season`);
    await id('mix-feed').click();
    await id('spread-card').waitFor();
    const pounds = async () =>
      Number((await id('spread-card').innerText()).match(/\n([\d.]+)\n/)?.[1]);
    const all = await pounds();
    await id('job-zones').getByRole('button', { name: /^Side/ }).click();
    await page.waitForURL('**without=**');
    await page.getByText('2 zones, 6,452 ft²').waitFor();
    assert.ok(Math.abs((await pounds()) / all - 6452 / 7028) < 0.02);
    await id('record-it').click();
    assert.equal(await id('record-area').inputValue(), '6452');
    await page.reload();
    await id('record-area').waitFor();
    assert.equal(await id('record-area').inputValue(), '6452');
    // Taken in again it is the whole job, and what was typed for the smaller one is kept with it.
    await id('job-zones').getByRole('button', { name: /^Side/ }).click();
    await page.getByText('3 zones, 7,028 ft²').waitFor();
    await page.waitForFunction(
      () => document.querySelector<HTMLInputElement>('[data-testid=record-area]')?.value === '7028',
    );
  });

  it('lets no technician change the shelf', async () => {
    await page.context().clearCookies();
    await page.evaluate(() => localStorage.clear());
    await signIn('technician');
    await page.goto(`${ADDRESS}/guide/shelf`);
    await page.getByText('Only the owner changes the shelf.').waitFor();
    assert.equal(await page.getByTestId('add-label').count(), 0);
    assert.deepEqual(faults, []);
  });
});
