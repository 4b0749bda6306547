/**
 * `npm run drag-frames`: frames a second while a corner of a 200-vertex plan is dragged in Chromium
 * slowed to a quarter, beside the same page at rest.
 */
import type { Page } from 'playwright-core';
import { openBrowser, PHONE } from './browser.ts';
import { ADDRESS, clearServer, startServer } from './testServer.ts';

const LAWN = '0190de02-0000-7000-8000-000000000001';
const CORNERS = 200;
const SLOWER = 4;
const STEPS = 90;

/** Time between frames, ms, while something is done. */
async function frames(page: Page, work: () => Promise<void>): Promise<number[]> {
  await page.evaluate(() => {
    const seen: number[] = [];
    const state = { seen, on: true };
    (window as unknown as { frames: typeof state }).frames = state;
    let last = performance.now();
    const tick = (now: number) => {
      seen.push(now - last);
      last = now;
      if (state.on) requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  await work();
  return page.evaluate(() => {
    const { frames: state } = window as unknown as { frames: { seen: number[]; on: boolean } };
    state.on = false;
    return state.seen.slice(1);
  });
}

function say(name: string, gaps: readonly number[]): void {
  const sorted = [...gaps].sort((a, b) => a - b);
  const mean = gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length;
  const p95 = sorted[Math.floor(sorted.length * 0.95)] ?? 0;
  console.log(
    `${name.padEnd(28)} ${(1000 / mean).toFixed(1)} frames/s, 95 % of frames within ${p95.toFixed(1)} ms (${gaps.length} frames)`,
  );
}

try {
  await startServer({ reset: true });
  const context = await openBrowser(PHONE);
  const page = context.pages()[0] ?? (await context.newPage());
  // tsx names the functions that are sent into the page; the page has no helper for that.
  await page.addInitScript('globalThis.__name = (given) => given');
  await page.goto(`${ADDRESS}/lawns`);
  await page.getByTestId('email').fill('technician@alfombra.demo');
  await page.getByTestId('password').fill('woven-rug');
  await page.getByTestId('sign-in').click();
  await page.getByTestId('search').waitFor();
  await page.evaluate(
    async ({ id, corners }) => {
      const { id: _id, ...lawn } = (await (await fetch(`/api/lawns/${id}`)).json()) as {
        id: string;
        zones: { outline: object[]; edges: string[] }[];
      };
      const outline = Array.from({ length: corners }, (_, index) => ({
        x: 60 + 50 * Math.cos((2 * Math.PI * index) / corners),
        y: 60 + 50 * Math.sin((2 * Math.PI * index) / corners),
      }));
      lawn.zones[0] = { ...lawn.zones[0], outline, edges: outline.map(() => 'confirmed') };
      await fetch(`/api/lawns/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(lawn),
      });
    },
    { id: LAWN, corners: CORNERS },
  );
  await page.goto(`${ADDRESS}/lawns/${LAWN}/plan`);
  const canvas = page.getByTestId('plan-canvas');
  await canvas.waitFor();
  await page.waitForTimeout(1500);
  const devtools = await context.newCDPSession(page);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  say('at rest, a quarter speed', await frames(page, () => page.waitForTimeout(2000)));
  // The circle's right-hand corner: the plan is shown whole and the first zone is chosen.
  const frame = await canvas.boundingBox();
  const shape = await page
    .locator('[data-testid="plan-canvas"] path[fill="#2F7F6D"]')
    .boundingBox();
  if (!frame || !shape) throw new Error('the plan has no shape to drag');
  const [x, y] = [shape.x + shape.width, shape.y + shape.height / 2];
  say(
    'dragging, a quarter speed',
    await frames(page, async () => {
      await page.mouse.move(x, y);
      await page.mouse.down();
      for (let step = 1; step <= STEPS; step += 1) {
        await page.mouse.move(x + 30 * Math.sin(step / 8), y + step / 4);
        await page.waitForTimeout(12);
      }
      await page.mouse.up();
    }),
  );
  await context.close();
} finally {
  await clearServer();
}
