/**
 * `npm run choice-speed`: how long the exact choice takes in Chromium for eight weeds and the whole
 * library, beside sorting a million numbers in the same page.
 */
import { build } from 'esbuild';
import { openBrowser, PHONE } from './browser.ts';

const TARGETS = 8;
const QUESTIONS = 300;
const WARM_UP = 20;

const program = `
import { chooseWalks } from './core/src/program/chooseWalks';
import { drawQuestion } from './core/src/program/testdata/randomQuestions';
globalThis.measure = () => {
  const questions = Array.from({ length: ${QUESTIONS} }, (_, i) => drawQuestion(i + 1, ${TARGETS}));
  for (const question of questions.slice(0, ${WARM_UP})) chooseWalks(question);
  const waits = questions.map((question) => {
    const begun = performance.now();
    chooseWalks(question);
    return performance.now() - begun;
  });
  const numbers = Float64Array.from({ length: 1e6 }, (_, i) => Math.sin(i * i));
  const begun = performance.now();
  numbers.sort();
  return { waits, baseline: performance.now() - begun };
};
`;
const { outputFiles } = await build({
  stdin: { contents: program, resolveDir: process.cwd(), loader: 'ts' },
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
  const { waits, baseline } = await page.evaluate<{ waits: number[]; baseline: number }>(
    'measure()',
  );
  waits.sort((a, b) => a - b);
  const at = (share: number) => waits[Math.floor(share * (waits.length - 1))]!;
  console.log(
    `ways to do a step in Chromium, ${TARGETS} weeds at random, whole library: ${at(0.5).toFixed(1)} ms, 95 % within ${at(0.95).toFixed(1)} ms, worst ${at(1).toFixed(1)} ms (${(at(0.95) / baseline).toFixed(2)} of sorting a million numbers)`,
  );
} finally {
  await context.close();
}
