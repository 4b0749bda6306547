/**
 * A first visit to a property that nobody has measured, as a technician does it, and the customer's
 * answers to its report; in Debian's Chromium at phone and desktop size.
 */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { BrowserContext, Page } from 'playwright-core';
import { closeBrowsers, openBrowser, PHONE, WIDE, PATIENCE_MS } from './browser.ts';
import { ADDRESS, clearServer, startServer } from './testServer.ts';

for (const [size, viewport] of [
  ['phone', PHONE],
  ['wide', WIDE],
] as const) {
  describe(`a first visit, ${size}`, { concurrency: 1 }, () => {
    let context: BrowserContext;
    let page: Page;
    let lawnPath = '';
    const faults: string[] = [];
    const id = (testId: string) => page.getByTestId(testId).first();
    const button = (name: string | RegExp) => page.getByRole('button', { name }).first();

    before(async () => {
      await startServer({ reset: true });
      context = await openBrowser(viewport);
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

    it('takes in a customer list after showing what is wrong with it', async () => {
      await id('import').click();
      await id('import-text').fill(
        'customer,property,upkeep\nMabel Thornapple,1 Elm Way,showpiece\n,2 Elm Way,\nOdd,3 Elm Way,lavish',
      );
      await id('import-errors').waitFor();
      assert.match(await id('import-errors').innerText(), /Line 3, customer/);
      await id('take-import').click();
      await page.getByText('1 property is on this phone.').waitFor();
      await page.goto(`${ADDRESS}/lawns`);
      await id('search').fill('elm wey');
      await id('lawn-1 Elm Way').waitFor();
    });

    it('makes a new customer and property, saying at the field what is missing', async () => {
      await page.goto(`${ADDRESS}/lawns/new`);
      await id('save-property').click();
      await page.getByText('Give the property a name or street.').waitFor();
      await id('customer-name').fill('Barnaby Quickthorn');
      await id('property-name').fill('9 Fallow Court');
      await id('save-property').click();
      await page.getByText('Nobody has measured this lawn').waitFor();
      lawnPath = new URL(page.url()).pathname;
    });

    it('measures it by tape, confirms and assumes edges, and steps back', async () => {
      await id('measure-first').click();
      await id('tape-length').waitFor();
      await id('use-shape').click();
      await page.getByText('A number above 0').first().waitFor();
      await id('tape-length').fill('40');
      await id('tape-width').fill('25');
      await id('use-shape').click();
      await id('zone-area').waitFor();
      const sure = await id('zone-area').innerText();
      assert.match(sure, /^1,000 ft² ± \d+$/);
      await id('side-A–B').click();
      await id('side-state').click();
      const doubt = await id('zone-area').innerText();
      const half = (text: string) => Number(/± ([\d,]+)/.exec(text)?.[1]?.replace(',', ''));
      assert.ok(half(doubt) > half(sure));
      await id('side-length').fill('50');
      await id('set-length').click();
      assert.match(await id('zone-area').innerText(), /^1,250/);
      await id('undo').click();
      assert.match(await id('zone-area').innerText(), /^1,000/);
      await id('redo').click();
      await id('save-plan').click();
      await page.waitForURL(`**${lawnPath}`);
    });

    it('starts the visit with one tap and describes the zone', async () => {
      await id('start-visit').click();
      await id('zone-Zone 1').click();
      await page.getByLabel('Add a grass').selectOption('centipede');
      await id('cover-centipede').fill('101');
      await page.keyboard.press('Tab');
      await page.getByText('0 to 100').waitFor();
      await id('cover-centipede').fill('80');
      await id('sun-hours').fill('3');
      await page.getByText(/wants at least/).waitFor();
      await id('probe-depth').fill('2');
      await page.getByText('Water does not get in').waitFor();
      for (let point = 0; point < 6; point += 1) await id('count-hit').click();
      for (let point = 0; point < 4; point += 1) await id('count-miss').click();
      assert.match(await id('count-share').innerText(), /60 % wanted, between 31 and 83 %/);
      await id('save-zone').click();
      await page.waitForURL('**/visit');
    });

    it('names a plant from whatever can be seen', async () => {
      await id('to-key').click();
      await button('Seed head').click();
      await id('state-y-or-pair-of-racemes').click();
      await button('All').click();
      await button('Tip of the leaf').click();
      await id('state-blunt-rounded').click();
      await id('taxon-carpetgrass').waitFor();
      await id('tell-apart').click();
      await page.getByRole('dialog', { name: 'Carpetgrass or Centipede' }).waitFor();
      await page.getByRole('button', { name: 'Close' }).last().click();
      await id('taxon-carpetgrass').click();
      await id('keep-grass').click();
      await page.waitForURL('**/visit');
      await page.getByText('2 grasses').waitFor();
    });

    it('reads the soil, bags a sample and takes a photo', async () => {
      await id('to-readings').click();
      const spots = ['54.1', '55.0', '53.6', '54.4', '66'];
      for (const [index, value] of spots.entries()) {
        await page.getByLabel(`Spot ${index + 1}, °F`).fill(value);
      }
      await page.getByText('66 °F? The others read 54.1, 55, 53.6, 54.4.').waitFor();
      await id('keep-reading').click();
      await page.getByText(/54.1 · 55/).waitFor();
      await page.getByLabel('Best turf', { exact: true }).fill('6.4');
      await page.getByLabel('Spot 2', { exact: true }).fill('5.2');
      await page.getByText('a real difference').waitFor();
      await id('bag-id').fill(`V-${size}`);
      await id('bag-it').click();
      await id(`send-V-${size}`).click();
      await page.getByText(/waiting$/).waitFor();
      await page.goto(`${ADDRESS}${lawnPath}/photos`);
      await id('photo-note').fill('Thin along the walk');
      await id('stand-in-photo').click();
      await page.getByText('Thin along the walk').waitFor();
    });

    it('asks what only the customer knows, ends the visit and shares the report', async () => {
      await page.goto(`${ADDRESS}${lawnPath}/visit`);
      await button('Sprinklers').click();
      await page.getByText('Are there sprinklers in “Zone 1”?').waitFor();
      await button('Where it ends').click();
      await page.getByText('Is side A–B of “Zone 1”').waitFor();
      await id('visit-note').fill('Thin by the walk, carpetgrass in the centipede.');
      await id('visit-promised').fill('A plan by Friday.');
      await id('end-visit').click();
      await page.waitForURL('**/report?visit=*');
      await id('make-report').click();
      await id('report-path').waitFor();
    });

    it('lets the customer answer on their own phone, and says what changed', async () => {
      const link = await id('report-path').innerText();
      const theirs = await openBrowser(PHONE);
      const customer = theirs.pages()[0] ?? (await theirs.newPage());
      await customer.goto(link.replace('localhost', '127.0.0.1'));
      await customer.getByTestId('shared-report').waitFor();
      await customer.getByRole('button', { name: 'No', exact: true }).last().click();
      await customer.getByRole('button', { name: 'Yes', exact: true }).first().click();
      await customer.getByTestId('send-answers').click();
      await customer.getByTestId('what-changed').waitFor();
      assert.match(
        await customer.getByTestId('what-changed').innerText(),
        /Irrigation of Zone 1|One edge of Zone 1/,
      );
      const pdf = await customer.request.get(
        `${ADDRESS}/api/shared/${link.split('/').pop() ?? ''}/pdf`,
      );
      assert.equal(pdf.headers()['content-type'], 'application/pdf');
      await page.reload();
      await id('revoke').click();
      await page.getByText('taken back').waitFor();
      // What is taken back on the device reaches the server a moment later.
      const gone = customer.getByText('This link does not work any more');
      for (const until = Date.now() + PATIENCE_MS; Date.now() < until;) {
        await customer.reload();
        await gone.or(customer.getByTestId('shared-report')).first().waitFor();
        if (await gone.isVisible()) break;
      }
      await gone.waitFor();
      await theirs.close();
    });

    it('greets the next arrival with what was found, done and promised', async () => {
      await page.goto(`${ADDRESS}${lawnPath}`);
      const arrive = await id('arrive').innerText();
      assert.match(arrive, /Found: Thin by the walk/);
      assert.match(arrive, /Promised: A plan by Friday/);
      assert.match(arrive, /2 questions answered/);
      assert.deepEqual(faults, []);
    });
  });
}
