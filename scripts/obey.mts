/**
 * `npm run obey [-- LAWNS [DAYS [WHICH,...]]]`: the first law of the plan at length. Lawns over every region, grass and finding are
 * asked every morning for two years and obeyed, with work rained off, done by half, with other products, written down
 * late and returns unanswered. Exits 1 where something was asked twice, a need hung in the air, or what was done as
 * planned breaks a limit of the judge.
 */
import { fork } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { localDate } from '@alfombra/core';
import { checkApplication, judgeContext } from '@alfombra/core/judging';
import { drawLawns, inputOf, lawnOf } from '../core/src/testdata/anyLawn';
import { DISTURBED, obey } from '../core/src/testdata/obey';

const SEED = 20261129;
/** At most this share of the sources may end as a reason. */
const MOST_REASONS = 0.15;

interface Outcome {
  lawn: number;
  asked: number;
  broken: string[];
  exceeds: string[];
  needs: number;
  reasons: string[];
}

function walk(lawn: number, lawns: number, days: number): Outcome {
  const sample = drawLawns(lawns, SEED)[lawn]!;
  const { zone, request } = inputOf(sample);
  const { broken, last, asked, records, knownFrom, swapped } = obey(sample, {
    days,
    seed: lawn + 1,
    disturbances: DISTURBED,
    everyMorning: true,
  });
  // What was planned and done so: the year's limits hold whatever happened to the rest.
  const laid = records.filter(({ id, stepId }) => stepId && !swapped.has(id));
  const exceeds = laid.flatMap((record) =>
    checkApplication(
      record,
      judgeContext(lawnOf(sample, zone), record, {
        // What nobody had written down yet, nobody could keep clear of.
        others: records.filter(({ id }) => (knownFrom.get(id) ?? '') <= localDate(record.date)),
        policy: request.policy,
        samples: [],
        kill: record.stepId?.includes('/kill/') ?? false,
      })!,
    )
      .filter(({ severity }) => severity === 'exceeds')
      .map(({ rule, material }) => `${localDate(record.date)} ${rule} ${material ?? ''}`),
  );
  return {
    lawn,
    asked,
    broken: broken.map(({ on, law, what }) => `${on} ${law}: ${what}`),
    exceeds,
    needs: last.needs.length,
    reasons: last.needs.flatMap(({ state, reason }) =>
      state === 'givenUp' ? [reason?.rule ?? '?'] : [],
    ),
  };
}

const [lawns = 40, days = 730] = process.argv.slice(2, 4).map(Number);
const which = process.argv[4]?.split(',').map(Number) ?? Array.from({ length: lawns }, (_, n) => n);
const [part, parts] = (process.env.OBEY_PART ?? '').split('/').map(Number);

if (parts) {
  for (let at = part!; at < which.length; at += parts) {
    process.send!(walk(which[at]!, lawns, days));
  }
} else {
  const begun = Date.now();
  const outcomes: Outcome[] = [];
  const count = availableParallelism();
  const codes = await Promise.all(
    Array.from({ length: count }, (_, index) => {
      const child = fork(import.meta.filename, [String(lawns), String(days), which.join()], {
        execArgv: ['--import', 'tsx'],
        env: { ...process.env, OBEY_PART: `${index}/${count}` },
      });
      child.on('message', (outcome) => {
        outcomes.push(outcome as Outcome);
        process.stdout.write(`\r${outcomes.length} of ${which.length} lawns`);
      });
      return new Promise<number>((resolve) =>
        child.on('exit', (code, signal) => resolve(signal ? 1 : (code ?? 1))),
      );
    }),
  );
  const sum = (of: (outcome: Outcome) => number) =>
    outcomes.reduce((total, outcome) => total + of(outcome), 0);
  const broken = outcomes.flatMap((outcome) =>
    [...outcome.broken, ...outcome.exceeds].map((what) => `lawn ${outcome.lawn}: ${what}`),
  );
  const share =
    sum(({ reasons }) => reasons.length) /
    Math.max(
      1,
      sum(({ needs }) => needs),
    );
  console.log(
    `\n${sum(({ asked }) => asked)} questions in ${Math.round((Date.now() - begun) / 1000)} s, ` +
      `${sum((outcome) => outcome.broken.length)} laws broken, ` +
      `${sum((outcome) => outcome.exceeds.length)} exceedances, ` +
      `${(100 * share).toFixed(1)} % of ${sum(({ needs }) => needs)} needs end as a reason`,
  );
  const counts = new Map<string, number>();
  for (const rule of outcomes.flatMap(({ reasons }) => reasons)) {
    counts.set(rule, (counts.get(rule) ?? 0) + 1);
  }
  const often = [...counts].sort((a, b) => b[1] - a[1]);
  console.log(often.map(([rule, count]) => `${rule} ${count}`).join(', '));
  for (const what of broken.slice(0, 40)) console.log(what);
  const whole = outcomes.length === which.length && codes.every((code) => code === 0);
  if (broken.length > 0 || share > MOST_REASONS || !whole) process.exitCode = 1;
}
