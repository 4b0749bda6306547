/**
 * `npm run choice-speed`: how long the exact choice takes in Chromium for eight weeds and the whole
 * library, alone and with an insect, a disease and a feeding, beside sorting a million numbers in the
 * same page.
 */
import { join } from 'node:path';
import { build } from 'esbuild';
import { openBrowser, PHONE } from './browser.ts';
import type { Waits } from './choicePage.ts';

const TARGETS = 8;
const QUESTIONS = 300;
const WARM_UP = 20;

const { outputFiles } = await build({
  entryPoints: [join(import.meta.dirname, 'choicePage.ts')],
  bundle: true,
  write: false,
  format: 'iife',
  target: 'es2022',
  minify: true,
});
const context = await openBrowser(PHONE);
try {
  const page = context.pages()[0] ?? (await context.newPage());
  await page.addScriptTag({ content: outputFiles[0]!.text });
  const { baseline, ...waits } = await page.evaluate((asked): Waits => globalThis.measure(asked), {
    targets: TARGETS,
    questions: QUESTIONS,
    warmUp: WARM_UP,
  });
  for (const [key, name] of [
    ['walks', `ways to do a step in Chromium, ${TARGETS} weeds at random, whole library`],
    ['together', 'the same with an insect, a disease and a feeding'],
  ] as const) {
    const own = [...waits[key]].sort((a, b) => a - b);
    const at = (share: number) => own[Math.floor(share * (own.length - 1))]!;
    console.log(
      `${name}: ${at(0.5).toFixed(1)} ms, 95 % within ${at(0.95).toFixed(1)} ms, worst ${at(1).toFixed(1)} ms (${(at(0.95) / baseline).toFixed(2)} of sorting a million numbers)`,
    );
  }
} finally {
  await context.close();
}
