/**
 * A first visit as somebody makes it who has never seen the app: by touch on a phone and by mouse in a wide
 * window, by roles, visible names and places on the screen, on a lawn that is made here. No test ids, no API,
 * nothing of the demo but its technician. Every screen of the visit is reloaded in the middle of its work.
 */
import assert from 'node:assert/strict';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import type { BrowserContext, Locator, Page } from 'playwright-core';
import { closeBrowsers, openBrowser, PHONE, WIDE } from './browser.ts';
import { ADDRESS, clearServer, startServer } from './testServer.ts';

const PATIENCE_MS = 30_000;
/** The walk that took 186 presses and fields before; a filled field counts as one. */
const MOST_PRESSES = 110;
const LAWN_ROUTES = join(import.meta.dirname, '../app/src/app/(places)/lawns/[id]');
/** Routes of a lawn that are no part of a first visit. */
const NOT_VISITED = ['property', 'season', 'mix/[step]', 'record/[step]', 'index'];

function visitRoutes(folder = LAWN_ROUTES, before = ''): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory()
      ? visitRoutes(join(folder, entry.name), `${before}${entry.name}/`)
      : [`${before}${entry.name.replace(/\.tsx$/, '')}`],
  );
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

for (const [size, viewport, touch] of [
  ['phone', PHONE, true],
  ['wide', WIDE, false],
] as const) {
  describe(`a stranger’s first visit, ${size}`, { concurrency: 1 }, () => {
    let context: BrowserContext;
    let page: Page;
    let lawn = '';
    let link = '';
    let presses = 0;
    const faults: string[] = [];
    const reloaded = new Set<string>();

    const shown = (locator: Locator) => locator.filter({ visible: true }).first();
    const press = async (locator: Locator) => {
      presses += 1;
      const target = shown(locator);
      await target.scrollIntoViewIfNeeded();
      await (touch ? target.tap() : target.click());
    };
    const named = (role: 'button' | 'link' | 'tab' | 'radio', name: string | RegExp) =>
      page.getByRole(role, typeof name === 'string' ? { name, exact: true } : { name });
    const button = (name: string | RegExp) => press(named('button', name));
    const follow = (name: string | RegExp) => press(named('link', name));
    /** One of a group of choices, by the group's name. */
    const choose = (group: string | RegExp, name: string) =>
      press(page.getByRole('radiogroup', { name: group }).getByRole('radio', { name, exact: true }));
    const chip = (group: string, name: string) =>
      press(page.getByRole('group', { name: group }).getByRole('button', { name, exact: true }));
    const box = (label: string | RegExp) =>
      shown(page.getByRole('textbox', typeof label === 'string' ? { name: new RegExp(`^${escaped(label)}`) } : { name: label }));
    const fill = async (label: string | RegExp, value: string) => {
      presses += 1;
      await box(label).fill(value);
    };
    const holds = async (label: string | RegExp, value: string) =>
      assert.equal(await box(label).inputValue(), value, String(label));
    const sees = (text: string | RegExp) => shown(page.getByText(text)).waitFor();
    /** Touches the plan where a share of its width and height lies. */
    const plan = async (x: number, y: number) => {
      presses += 1;
      const frame = shown(page.getByRole('img', { name: /plan|draw/i }));
      await frame.scrollIntoViewIfNeeded();
      const area = (await frame.boundingBox())!;
      const at = [area.x + area.width * x, area.y + area.height * y] as const;
      await (touch ? page.touchscreen.tap(...at) : page.mouse.click(...at));
    };
    const reload = async () => {
      const path = new URL(page.url()).pathname.replace(lawn, '').replace(/^\//, '');
      const own = path.replace(/^zone\/.*/, 'zone/[zone]');
      // What was typed is on the device a moment after the key press.
      await page.waitForTimeout(300);
      await page.reload();
      await shown(page.getByRole('heading', { level: 1 })).waitFor();
      reloaded.add(own || 'index');
    };
    const at = (path: string) => page.waitForURL(`**${lawn}${path}`);
    const hub = async () => {
      await follow('Back');
      await at('/visit');
    };

    before(async () => {
      await startServer({ reset: true });
      context = await openBrowser(viewport, { touch });
      page = context.pages()[0] ?? (await context.newPage());
      page.setDefaultTimeout(PATIENCE_MS);
      page.on('pageerror', (error) => faults.push(error.message));
      page.on('response', (answer) => {
        if (answer.status() >= 500) faults.push(`${answer.status()} ${answer.url()}`);
      });
      await page.goto(`${ADDRESS}/`);
      await page.getByRole('textbox', { name: 'E-mail' }).fill('technician@alfombra.demo');
      await page.getByRole('textbox', { name: 'Password' }).fill('woven-rug');
      await named('button', 'Sign in').click();
      await sees('Add a property');
    });
    after(async () => {
      await closeBrowsers();
      await clearServer();
    });

    it('makes a property, and loses none of it on the way', async () => {
      await follow('Add a property');
      presses = 0;
      await fill('Name', 'Clementine Oddwick');
      await fill('Street or name', `3 Bramble ${size}`);
      await fill('Getting in', 'Side gate, mind the hens');
      await page.reload();
      await sees('Kept on this device, not saved yet');
      await holds('Name', 'Clementine Oddwick');
      await holds('Street or name', `3 Bramble ${size}`);
      await holds('Getting in', 'Side gate, mind the hens');
      await button('Save');
      await page.waitForURL(/\/lawns\/[0-9a-f-]{36}$/);
      lawn = new URL(page.url()).pathname;
      await button('Start the visit');
      await at('/visit');
    });

    it('measures three zones: by tape, by paces, drawn', async () => {
      await button('Next: measure and draw the lawn');
      await at('/plan');
      await fill('Length', '40');
      await reload();
      await holds('Length', '40');
      await fill('Width', '25');
      await button('Use this shape');
      await sees(/^1,000 ft² ±/);
      await button('New zone');
      await button('Paces');
      await fill('Length', '20');
      await fill('Width', '8');
      await button('Use this shape');
      await sees(/^1,000 ft² ±/);
      await button('New zone');
      await button('Tap it in');
      for (const [x, y] of [
        [0.1, 0.72],
        [0.4, 0.72],
        [0.4, 0.95],
      ] as const) {
        await plan(x, y);
      }
      await sees(/3 corners/);
      await reload();
      await sees(/3 corners/);
      await plan(0.1, 0.95);
      await button('Close the shape');
      await sees(/ft² ±/);
      await press(named('tab', 'Site'));
      await sees('What to note');
    });
  });
}
