/** `npm run screenshots`: one current picture of each main view from the demo, for the README. */
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { openBrowser, PHONE, WIDE } from './browser.ts';
import { ADDRESS, clearServer, startServer } from './testServer.ts';

const FOLDER = join(import.meta.dirname, '..', 'docs', 'screenshots');
const TANNER = '/lawns/0190de02-0000-7000-8000-000000000003';
const LARKSPUR = '/lawns/0190de02-0000-7000-8000-000000000001';

async function signIn(page: Page): Promise<void> {
  await page.goto(`${ADDRESS}/sign-in`);
  await page.getByTestId('email').fill('technician@alfombra.demo');
  await page.getByTestId('password').fill('woven-rug');
  await page.getByTestId('sign-in').click();
  await page.getByTestId('lawn-14 Larkspur Bend').waitFor();
}

async function take(page: Page, name: string): Promise<void> {
  // Parts of a screen may still be fetched.
  await page.waitForLoadState('networkidle');
  await page.waitForTimeout(700);
  await page.screenshot({ path: join(FOLDER, `${name}.png`) });
}

async function walk(page: Page): Promise<void> {
  await page.goto(`${ADDRESS}${TANNER}/walk`);
  await page.getByTestId('patch-1').click();
  await page.getByText(/^All signs/).click();
  for (const sign of ['k-loc-full-sun', 'k-loc-pavement', 'k-pat-patches']) {
    await page.getByTestId(`sign-${sign}`).click();
  }
  await page.getByRole('tab', { name: /Standing/ }).click();
  await page
    .getByTestId('sign-s-edge-yellow')
    .or(page.getByText(/^All signs/))
    .first()
    .waitFor();
  await page.getByText(/^All signs/).click();
  await page.getByTestId('sign-s-edge-yellow').click();
  await page.getByRole('tab', { name: /Curb/ }).click();
}

await startServer({ reset: true });
try {
  for (const [size, viewport] of [
    ['phone', PHONE],
    ['wide', WIDE],
  ] as const) {
    const context = await openBrowser(viewport);
    const page = context.pages()[0] ?? (await context.newPage());
    await signIn(page);
    await page.goto(`${ADDRESS}${LARKSPUR}`);
    await page.getByTestId('soil-now').waitFor();
    await take(page, `lawn-${size}`);
    await page.goto(`${ADDRESS}${LARKSPUR}/plan`);
    await page.getByRole('button', { name: 'Back', exact: true }).last().click();
    await page.getByTestId('side-A–B').waitFor();
    if (size === 'phone') await take(page, 'plan-phone');
    if (size === 'phone') {
      await page.goto(`${ADDRESS}${LARKSPUR}/rates`);
      await page.getByText('Goes now').waitFor();
      await take(page, 'rates-phone');
      await walk(page);
      await take(page, 'walk-phone');
      await page.getByTestId('decide').click();
      await page.getByTestId('confirm-chinch-bug').click();
      await page.getByTestId('options').scrollIntoViewIfNeeded();
      await take(page, 'decide-phone');
      await page.goto(`${ADDRESS}/guide/practice`);
      await page.getByTestId('look-k-pat-uniform').click();
      await page.getByTestId('look-k-pat-patches').click();
      await page.getByTestId('practice-open-decide').click();
      await page.getByRole('button', { name: 'Cannot tell yet' }).click();
      await page.getByTestId('debrief').waitFor();
      await take(page, 'practice-phone');
    }
    await page.goto(`${ADDRESS}${LARKSPUR}/season`);
    await page.getByTestId('step-prevent').waitFor();
    if (size === 'phone') {
      await take(page, 'season-phone');
      await page.getByTestId('step-control').first().click();
      await page.getByTestId('open-choices').first().click();
      await page.getByTestId('together-cheapest').waitFor();
      await take(page, 'choices-phone');
      await page.getByRole('button', { name: 'Close' }).click();
    }
    if (size === 'wide') {
      await take(page, 'season-wide');
      await page.getByRole('tab', { name: 'Soil and water' }).click();
      await page.getByTestId('year-chart').waitFor();
      await take(page, 'ground-wide');
      await page.getByRole('tab', { name: 'Jobs' }).click();
    }
    await page.getByTestId('mix-prevent').first().click();
    await page.getByTestId('mix-card').waitFor();
    if (size === 'phone') {
      await take(page, 'kerb-phone');
      await page.getByTestId('mix-card').scrollIntoViewIfNeeded();
      await take(page, 'mix-card-phone');
      await page.getByTestId('record-it').click();
      await page.getByTestId('amount-0').fill('9');
      await page.getByTestId('finding-rate-over-label').scrollIntoViewIfNeeded();
      await take(page, 'record-phone');
      await page.goto(`${ADDRESS}/guide/shelf`);
      await page.getByText('in store').first().waitFor();
      await take(page, 'shelf-phone');
      await page.goto(`${ADDRESS}/today`);
      await take(page, 'today-phone');
      await page.goto(`${ADDRESS}${LARKSPUR}/key`);
      await page.getByRole('button', { name: 'Seed head' }).first().click();
      await page.getByTestId('state-fingers-from-one-point').waitFor();
      await take(page, 'key-phone');
      await page.goto(`${ADDRESS}${LARKSPUR}/report`);
      await page.getByTestId('make-report').click();
      const link = await page.getByTestId('report-path').innerText();
      await page.goto(link);
      await page.getByTestId('shared-report').waitFor();
      await take(page, 'report-phone');
    } else {
      await page.goto(`${ADDRESS}/mix`);
      await take(page, 'mix-wide');
    }
    await context.close();
  }
} finally {
  await clearServer();
}
