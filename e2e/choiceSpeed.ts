/**
 * `npm run choice-speed`: how long the exact choice takes in Chromium for eight weeds and the whole
 * library, alone and with an insect, a disease and a feeding, beside sorting a million numbers in the
 * same page.
 */
import { build } from 'esbuild';
import { openBrowser, PHONE } from './browser.ts';

const TARGETS = 8;
const QUESTIONS = 300;
const WARM_UP = 20;

const program = `
import { chooseTogether } from './core/src/choice/chooseTogether';
import { chooseWalks } from './core/src/choice/chooseWalks';
import { drawQuestion } from './core/src/choice/testdata/randomQuestions';
import { lawnSeasonInput } from './core/src/program/lawnSeason';
import { seasonRequestSchema } from './core/src/needs/seasonInput';
import { testZone } from './core/src/program/testdata/testLawn';
import { zoneCaseOf } from './core/src/choice/zoneCase';
import { localDate } from './core/src/units';
import { testWeather } from './core/src/weather/testdata/testWeather';

const DATE = localDate('2026-05-20');
const caseOf = ({ grasses }) => {
  const zone = testZone(1, [{ species: grasses[0], cover: 0.9 }], { desired: [...grasses] });
  const request = seasonRequestSchema.parse({
    today: DATE, region: 'transition', zones: [zone], findings: [{ zoneId: zone.id }],
  });
  const input = lawnSeasonInput(request, testWeather('transition', 1, DATE), [], []);
  return zoneCaseOf(input, zone);
};
const timed = (rows, work) => {
  for (const row of rows.slice(0, ${WARM_UP})) work(row);
  return rows.map((row) => {
    const begun = performance.now();
    work(row);
    return performance.now() - begun;
  });
};
globalThis.measure = () => {
  const questions = Array.from({ length: ${QUESTIONS} }, (_, i) => drawQuestion(i + 1, ${TARGETS}));
  const walks = timed(questions, (question) => chooseWalks(question));
  const together = timed(
    questions.slice(0, ${QUESTIONS / 3}).map((weeds) => ({ weeds, zoneCase: caseOf(weeds) })),
    ({ weeds, zoneCase }) =>
      chooseTogether(zoneCase, {
        weeds,
        causes: [
          { cause: 'armyworm', mode: 'curative', targetPct: 80 },
          { cause: 'brown-patch', mode: 'preventive', targetPct: 80 },
        ],
        prevent: null,
        feed: { fertilizer: '24-0-11-half-slow', productLbPer1000: 3 },
        date: DATE,
        airHighF: 75,
      }),
  );
  const numbers = Float64Array.from({ length: 1e6 }, (_, i) => Math.sin(i * i));
  const begun = performance.now();
  numbers.sort();
  return { walks, together, baseline: performance.now() - begun };
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
  const { baseline, ...waits } = await page.evaluate<{
    walks: number[];
    together: number[];
    baseline: number;
  }>('measure()');
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
