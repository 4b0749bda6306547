import assert from 'node:assert/strict';
import { setTimeout as wait } from 'node:timers/promises';

/** Longest wait of a browser test for anything: nothing here is a test of speed, and two cores may be busy. */
export const PATIENCE_MS = Number(process.env.PATIENCE ?? 60_000);

/** Asks again until it is so. `what` ends the sentence "it did not come to …" */
export async function until(
  what: string,
  isSo: () => Promise<boolean>,
  withinMs = PATIENCE_MS,
): Promise<void> {
  const end = Date.now() + withinMs;
  while (!(await isSo())) {
    assert.ok(Date.now() < end, `it did not come to ${what}`);
    await wait(200);
  }
}
