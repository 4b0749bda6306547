/**
 * The whole story as a new user would try it, in Debian's Chromium at phone and desktop size, with
 * every address but loopback cut off.
 */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { BrowserContext, Page } from 'playwright-core';
import { closeBrowsers, openBrowser, PHONE, quiet, WIDE } from './browser.ts';
import { ADDRESS, clearServer, startServer, stopServer } from './testServer.ts';

const TANNER = '/lawns/0190de02-0000-7000-8000-000000000003';
const LARKSPUR = '/lawns/0190de02-0000-7000-8000-000000000001';

for (const [size, viewport] of [
  ['phone', PHONE],
  ['wide', WIDE],
] as const) {
  describe(`the story, ${size}`, { concurrency: 1 }, () => {
    let context: BrowserContext;
    let page: Page;
    const faults: string[] = [];
    const elsewhere: string[] = [];
    const id = (testId: string) => page.getByTestId(testId).first();
    const share = async (cause: string) => {
      const words = await id(`cause-${cause}`).innerText();
      return Number(/(\d+) %/.exec(words)?.[1] ?? 0);
    };
    const signIn = async () => {
      await id('email').fill('technician@alfombra.demo');
      await id('password').fill('woven-rug');
      await id('sign-in').click();
      await id('password').waitFor({ state: 'detached' });
    };
    const go = async (path: string) => {
      await page.goto(`${ADDRESS}${path}`);
    };

    before(async () => {
      await startServer({ reset: true });
      context = await openBrowser(viewport);
      page = context.pages()[0] ?? (await context.newPage());
      page.on('pageerror', (error) => faults.push(error.message));
      page.on('console', (message) => {
        if (message.type() === 'error' && !message.text().includes('401'))
          faults.push(`${message.text()} ${message.location().url}`);
      });
      page.on('request', (request) => {
        const url = new URL(request.url());
        if (url.protocol.startsWith('http') && url.hostname !== '127.0.0.1')
          elsewhere.push(request.url());
      });
    });
    after(async () => {
      await closeBrowsers();
      await clearServer();
    });

    it('says at the field what is wrong with a sign-in, then lets the technician in', async () => {
      await go('/lawns');
      await id('email').waitFor();
      await id('email').fill('technician@alfombra.demo');
      await id('password').fill('not-it');
      await id('sign-in').click();
      await page.getByText('is not right').waitFor();
      assert.equal(await id('email').inputValue(), 'technician@alfombra.demo');
      await id('password').fill('woven-rug');
      await id('sign-in').click();
      await id('lawn-14 Larkspur Bend').waitFor();
    });

    it('lists the lawns with grass, area, last visit and what is due, and finds one', async () => {
      const row = id('lawn-14 Larkspur Bend');
      const text = await row.innerText();
      assert.match(text, /Tall fescue 75/);
      assert.match(text, /7,028 ft²/);
      assert.match(text, /last visit Mar 17/);
      assert.match(text, /Prevent by Apr/);
      await id('search').fill('brightwater');
      // The search engine is fetched with the first letters; until it is there the list stands.
      await id('lawn-14 Larkspur Bend').waitFor({ state: 'detached' });
      await id('lawn-8 Tanner Close').waitFor();
      assert.equal(await page.getByTestId(/^lawn-/).count(), 1);
      await id('search').fill('zzz');
      await page.getByText('No lawn matches').waitFor();
      await id('search').fill('');
    });

    it('draws the lawn to scale with its stand and the strip of its season', async () => {
      await id('lawn-14 Larkspur Bend').click();
      await id('soil-now').waitFor();
      assert.match(await id('soil-now').innerText(), /^\d+(\.\d)? °F$/);
      await page.getByRole('img', { name: /Plan of 14 Larkspur Bend/ }).waitFor();
      await page.getByRole('img', { name: /Soil temperature over the year/ }).waitFor();
      await page.getByText('Common bermuda', { exact: true }).waitFor();
      await page.getByRole('button', { name: /°F Why$/ }).click();
      await page.getByText('probe readings move the model').waitFor();
      await page.getByRole('button', { name: 'Close' }).last().click();
    });

    /** On a phone the causes are folded to a line. */
    const unfold = async () => {
      await id('decide').waitFor();
      if (await id('unfold').isVisible()) await id('unfold').click();
    };

    it('moves the causes at each tap and loses nothing on a reload', async () => {
      await go(`${TANNER}/walk`);
      await id('patch-1').click();
      await unfold();
      await page.getByText(/^All signs/).click();
      const before = await share('chinch-bug').catch(() => 0);
      for (const sign of ['k-pat-patches', 'k-loc-full-sun', 'k-loc-pavement'])
        await id(`sign-${sign}`).click();
      await id('cause-chinch-bug').waitFor();
      const kerb = await share('chinch-bug');
      assert.ok(kerb > before, `${kerb} > ${before}`);
      await page.getByRole('tab', { name: /Standing/ }).click();
      await page.getByText(/^All signs/).click();
      await id('sign-s-edge-yellow').click();
      const standing = await share('chinch-bug');
      assert.ok(standing > kerb, `${standing} > ${kerb}`);
      await page.reload();
      await unfold();
      await id('cause-chinch-bug').waitFor();
      assert.equal(await share('chinch-bug'), standing);
      assert.match(await id('best-check').innerText(), /^Best next check: /);
    });

    it('asks the best next check by itself', async () => {
      const first = await id('best-check').innerText();
      await id('start-check').click();
      await id('ask-unsure').or(id('use-test')).first().waitFor();
      if (await id('ask-unsure').isVisible()) {
        await id('ask-unsure').click();
        assert.notEqual(await id('best-check').innerText(), first);
      } else await page.getByRole('button', { name: 'Close' }).last().click();
    });

    it('turns the counts of a chinch float into insects per square foot and a verdict', async () => {
      const before = await share('chinch-bug');
      await page.getByRole('tab', { name: /Tests/ }).click();
      await id('test-chinch-float').click();
      await id('count-1').fill('3');
      await id('count-2').fill('2');
      await id('count-3').fill('2.5');
      await page.keyboard.press('Tab');
      await page.getByText('A whole number, 0 or more').waitFor();
      await id('count-3').fill('2');
      const verdict = await id('test-verdict').innerText();
      assert.match(verdict, /26\.7/);
      assert.match(verdict, /11\.46/);
      assert.match(verdict, /Over the limit/);
      await id('use-test').click();
      await id('test-verdict').waitFor({ state: 'detached' });
      assert.ok((await share('chinch-bug')) > before);
      assert.ok((await share('chinch-bug')) >= 80);
    });

    it('opens a probability: what spoke for it, and by how much', async () => {
      await id('cause-chinch-bug').click();
      await page.getByText('Speaks for it').waitFor();
      await page.getByText('seen: Yellow rim').waitFor();
      await page
        .getByText(/odds × /)
        .first()
        .waitFor();
      await page.getByRole('button', { name: 'Close' }).last().click();
    });

    it('points at a cover over 100 % and keeps the walk when it is mended', async () => {
      await id('decide').click();
      await id('keep-walk').waitFor();
      await id('keep-walk').click();
      await page.getByText('Choose one of the three first.').waitFor();
      await id('confirm-chinch-bug').click();
      await id('cover-dollarweed').fill('150');
      await page.getByText('0 to 100').waitFor();
      await id('keep-walk').click();
      await id('cover-dollarweed').fill('6');
      await id('find-weed').fill('crabgrass');
      await page.getByRole('button', { name: 'Large crabgrass' }).click();
      await id('cover-large-crabgrass').fill('40');
      await page.getByText('Together at most 100 %').waitFor();
      await id('cover-large-crabgrass').fill('2');
      await id('keep-walk').click();
      await page.waitForURL('**/visit');
      await go(`${TANNER}/season`);
      await id('step-control').waitFor();
    });

    it('works out the season, and plans neither side of a clash', async () => {
      await go(`${LARKSPUR}/season`);
      await id('clash').waitFor();
      await id('step-prevent').waitFor();
      await id('step-control').waitFor();
      await id('step-feed').waitFor();
      assert.equal(await page.getByTestId('step-seed').count(), 0);
      await id('step-prevent').click();
      const prevent = await id('job-prevent').innerText();
      for (const part of [
        /opens/,
        /best/,
        /closes/,
        /per 1,000 ft²/,
        /for 7,028 ft²/,
        /gal per/,
        /wind 3–10 mph/,
      ]) {
        assert.match(prevent, part);
      }
      await page
        .getByRole('button', { name: /products left out/ })
        .first()
        .click();
      await page.getByText('indaziflam', { exact: true }).waitFor();
      await page
        .getByText(/Tall fescue: injured/)
        .first()
        .waitFor();
      await page.getByRole('button', { name: 'Close' }).last().click();
      await id('clash-seed').click();
      await id('step-seed').waitFor();
      await page.getByText('You chose: Seed tall fescue').waitFor();
    });

    it('shows the mix card in the order of filling for the tank at hand', async () => {
      await id('mix-prevent').click();
      await id('mix-card').waitFor();
      await id('tank').fill('0');
      await page.getByText('A number above 0').waitFor();
      await id('tank').fill('4');
      assert.match(await id('loads').innerText(), /3 loads of 4 gal \+ last load 2\.06 gal/);
      await id('tank').fill('25');
      assert.match(await id('loads').innerText(), /1 load of 14\.06 gal/);
      const card = await id('mix-card').innerText();
      assert.match(
        card,
        /1 · half the water first[\s\S]*2 · prodiamine[\s\S]*3 · fill to the line/,
      );
      await page.getByText('The label on your truck decides').waitFor();
    });

    it('flags an exceedance in the record and keeps it', async () => {
      await id('record-it').click();
      await id('amount-0').fill('9');
      await id('finding-rate-over-label').waitFor();
      await id('keep-record').click();
      // The times are those of the card and of now; where the wind came from nobody has said.
      await page.getByText('Say where the wind came from').waitFor();
      await page.getByLabel('Wind from').selectOption('SW');
      await page.getByLabel('Start', { exact: true }).fill('');
      await page.getByText('A time as HH:MM').first().waitFor();
      await page.getByLabel('Start', { exact: true }).fill('09:05');
      await page.getByLabel('End', { exact: true }).fill('08:00');
      await page.getByText('The end is before the start').waitFor();
      await page.getByLabel('End', { exact: true }).fill('09:40');
      await page.reload();
      await id('amount-0').waitFor();
      assert.equal(await id('amount-0').inputValue(), '9');
      assert.equal(await page.getByLabel('End', { exact: true }).inputValue(), '09:40');
    });

    it('asks for a sign-in when the session ends, and sends what was kept meanwhile', async () => {
      await context.clearCookies();
      const zone = `${LARKSPUR}/zone/0190de03-0000-7000-8000-000000000013`;
      const record = new URL(page.url()).pathname;
      await go(zone);
      await id('password').waitFor();
      await signIn();
      await id('thatch').waitFor();
      // Else what the page still asks for would notice the end of the session first.
      await quiet();
      await context.clearCookies();
      await id('thatch').fill('0.7');
      await id('save-zone').click();
      await id('password').waitFor();
      await signIn();
      await go(zone);
      await page.waitForFunction(
        () => document.querySelector<HTMLInputElement>('[data-testid=thatch]')?.value === '0.7',
      );
      await go(record);
      await id('amount-0').waitFor();
      assert.equal(await id('amount-0').inputValue(), '9');
      await id('keep-record').click();
      await id('record-kept').waitFor();
      await id('finding-rate-over-label').waitFor();
      await id('to-lawn').click();
      await page.getByText('over a limit').waitFor();
    });

    it('spreads a feeding by bags, pounds and two passes', async () => {
      await go(`${LARKSPUR}/season`);
      await id('mix-feed').click();
      const card = await id('spread-card').innerText();
      assert.match(card, /25-0-10[\s\S]*each of two passes[\s\S]*bag/);
    });

    it('has the record and the visit after everything was stopped and started', async () => {
      // Nobody is looking meanwhile: what a page asks of a server that is away fails in plain sight.
      await page.goto('about:blank');
      await stopServer();
      await startServer({ reset: false });
      await go(LARKSPUR);
      await page.getByText('over a limit').waitFor();
      // Three times the label's rate holds seed for a year: the record has changed the season.
      await go(`${LARKSPUR}/season`);
      await page.getByText(/A herbicide on record holds seed until Apr 7, 2027/).waitFor();
      assert.equal(await page.getByTestId('step-seed').count(), 0);
      await go(TANNER);
      await page.getByText('Visit Apr 8, 2026').waitFor();
    });

    it('never asked another machine, and nothing failed unseen', () => {
      assert.deepEqual(elsewhere, []);
      assert.deepEqual(faults, []);
    });
  });
}
