/** The plan under real fingers: one moves it, two zoom it, and it stays in sight. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { CDPSession, Page } from 'playwright-core';
import { closeBrowsers, openBrowser, PHONE } from './browser.ts';
import { ADDRESS, clearServer, startServer } from './testServer.ts';

interface Finger {
  x: number;
  y: number;
}

describe('fingers on the plan', { concurrency: 1 }, () => {
  let page: Page;
  let touch: CDPSession;

  before(async () => {
    await startServer({ reset: true });
    const context = await openBrowser(PHONE);
    page = context.pages()[0] ?? (await context.newPage());
    touch = await context.newCDPSession(page);
    await touch.send('Emulation.setTouchEmulationEnabled', { enabled: true, maxTouchPoints: 2 });
    await page.goto(`${ADDRESS}/lawns`);
    await page.getByLabel('E-mail').fill('technician@alfombra.demo');
    await page.getByLabel('Password').fill('woven-rug');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('link', { name: /^2 Weaver Steps/ }).click();
    await page.getByRole('link', { name: 'Start the walk' }).waitFor();
    await page.goto(`${page.url()}/plan`);
    await page.getByRole('img', { name: /plan/i }).waitFor();
  });
  after(async () => {
    await closeBrowsers();
    await clearServer();
  });

  /** Moves fingers from some places to others, in steps as a screen reports them. */
  async function move(from: Finger[], to: Finger[]): Promise<void> {
    const at = (share: number) =>
      from.map(({ x, y }, index) => ({
        x: x + ((to[index]?.x ?? x) - x) * share,
        y: y + ((to[index]?.y ?? y) - y) * share,
        id: index,
      }));
    await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: at(0) });
    for (let step = 1; step <= 12; step += 1) {
      await touch.send('Input.dispatchTouchEvent', {
        type: 'touchMove',
        touchPoints: at(step / 12),
      });
      await page.waitForTimeout(16);
    }
    await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    await page.waitForTimeout(150);
  }
  const middle = async (): Promise<Finger> => {
    const box = await page.getByTestId('plan-canvas').boundingBox();
    assert.ok(box);
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  /** Where the figures of the sides stand: as far apart as the zone is drawn wide. */
  const spread = async () => {
    const boxes = await page
      .getByTestId('plan-canvas')
      .locator('text')
      .evaluateAll((texts) => texts.map((text) => text.getBoundingClientRect().x));
    return Math.max(...boxes) - Math.min(...boxes);
  };

  it('two fingers that part bring it closer, and leave it in sight', async () => {
    const before = await spread();
    const { x, y } = await middle();
    await move(
      [
        { x: x - 30, y },
        { x: x + 30, y },
      ],
      [
        { x: x - 60, y },
        { x: x + 60, y },
      ],
    );
    const after = await spread();
    assert.ok(after > before * 1.6 && after < before * 2.4, `${after} after ${before}`);
    await page.getByRole('button', { name: 'Show all' }).click();
    assert.ok(Math.abs((await spread()) - before) < 1);
  });

  it('cannot be thrown off, however far it is pushed', async () => {
    const { x, y } = await middle();
    for (let push = 0; push < 4; push += 1)
      await move([{ x, y: y - 60 }], [{ x: x + 170, y: y + 80 }]);
    const box = await page.getByTestId('plan-canvas').boundingBox();
    const inside = await page
      .getByTestId('plan-canvas')
      .locator('path')
      .evaluateAll(
        (paths, frame) =>
          paths.filter((path) => {
            const drawn = path.getBoundingClientRect();
            return (
              drawn.width > 0 &&
              drawn.right > frame.x &&
              drawn.left < frame.x + frame.width &&
              drawn.bottom > frame.y &&
              drawn.top < frame.y + frame.height
            );
          }).length,
        box ?? { x: 0, y: 0, width: 0, height: 0 },
      );
    assert.ok(inside > 0, 'something of the plan is in sight');
  });
});
