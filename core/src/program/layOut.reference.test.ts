/**
 * The layout against HiGHS (Huangfu & Hall 2018, Mathematical Programming Computation), given the table of costs and
 * what the plan says of trips, windows, precedence and work that cannot share a day, and nothing of our search.
 */
import loadHighs from 'highs';
import { layoutCosts } from '../knowledge/layoutCosts';
import { seededRandom } from '../weather/seededRandom';
import { layOut, layoutUsd, type LayJob, type LayRule } from './layOut';

const LAWNS = 1000;
const KINDS = ['prevent', 'protect', 'cure', 'control', 'feed', 'look', 'fixed'] as const;

function drawLawn(seed: number): { jobs: LayJob[]; rules: LayRule[] } {
  const random = seededRandom(seed);
  const upTo = (most: number) => Math.floor(random() * (most + 1));
  const jobs = Array.from({ length: 3 + upTo(4) }, (): LayJob => {
    const kind = KINDS[upTo(KINDS.length - 1)]!;
    const opens = upTo(24);
    const length = kind === 'fixed' ? 0 : upTo(12);
    const { early, late } = layoutCosts[kind];
    return {
      opens,
      best: opens + upTo(length),
      closes: opens + length,
      earlyUsd: early,
      lateUsd: late + (kind === 'control' ? layoutCosts.spreadPerDay * random() * 0.3 : 0),
      // Some has to be done whatever it costs.
      unmetUsd: seed % 4 === 0 ? Infinity : 20 + upTo(280),
    };
  });
  const rules: LayRule[] = [];
  for (let count = upTo(4); count > 0; count -= 1) {
    const first = upTo(jobs.length - 1);
    const then = upTo(jobs.length - 1);
    if (first === then) continue;
    const leastDays = 1 + upTo(9);
    rules.push(
      random() < 0.3
        ? { kind: 'apart', first, then }
        : random() < 0.3
          ? { kind: 'after', first, then, leastDays, mostDays: leastDays + upTo(6) }
          : { kind: 'after', first, then, leastDays },
    );
  }
  return { jobs, rules };
}

/** The same in the language of mixed-integer solvers: one choice of day, or none, for each piece of work. */
function programOf({ jobs, rules }: ReturnType<typeof drawLawn>): string {
  const cost: string[] = [];
  const rows: string[] = [];
  const names: string[] = [];
  const days = (job: LayJob) =>
    Array.from({ length: job.closes - job.opens + 1 }, (_, day) => job.opens + day);
  const trips = [...new Set(jobs.flatMap(days))];
  for (const trip of trips) {
    cost.push(`${layoutCosts.visit} v${trip}`);
    names.push(`v${trip}`);
  }
  jobs.forEach((job, j) => {
    const undone = Number.isFinite(job.unmetUsd) ? [`u${j}`] : [];
    rows.push([...days(job).map((day) => `x${j}_${day}`), ...undone].join(' + ') + ' = 1');
    cost.push(...undone.map((name) => `${job.unmetUsd} ${name}`));
    names.push(...undone);
    for (const day of days(job)) {
      const off = day < job.best ? (job.best - day) * job.earlyUsd : (day - job.best) * job.lateUsd;
      cost.push(`${off.toFixed(9)} x${j}_${day}`);
      rows.push(`x${j}_${day} - v${day} <= 0`);
      names.push(`x${j}_${day}`);
    }
  });
  // Two days that break a rule are not both taken.
  for (const rule of rules) {
    for (const a of days(jobs[rule.first]!)) {
      for (const b of days(jobs[rule.then]!)) {
        const fine =
          rule.kind === 'apart'
            ? a !== b
            : b - a >= rule.leastDays && b - a <= (rule.mostDays ?? Infinity);
        if (!fine) rows.push(`x${rule.first}_${a} + x${rule.then}_${b} <= 1`);
      }
    }
  }
  return [
    'Minimize',
    ` obj: ${cost.join(' + ')}`,
    'Subject To',
    ...rows.map((row, index) => ` r${index}: ${row}`),
    'Binary',
    ` ${names.join(' ')}`,
    'End',
  ].join('\n');
}

it(`costs at most a fiftieth more than the solver's optimum, on ${LAWNS} random small lawns`, async () => {
  const highs = await loadHighs();
  let shared = 0;
  let undone = 0;
  let dearest = 0;
  for (let seed = 1; seed <= LAWNS; seed += 1) {
    const lawn = drawLawn(seed);
    const { days, usd } = layOut(lawn.jobs, lawn.rules, layoutCosts.visit);
    expect(usd).toBeCloseTo(layoutUsd(lawn.jobs, days, layoutCosts.visit), 6);
    const solved = highs.solve(programOf(lawn));
    if (solved.Status !== 'Optimal') {
      // Only where work has to be done that cannot stand beside the rest.
      expect({ seed, usd }).toEqual({ seed, usd: Infinity });
      continue;
    }
    dearest = Math.max(dearest, usd / solved.ObjectiveValue - 1);
    expect(usd).toBeGreaterThanOrEqual(solved.ObjectiveValue - 1e-3);
    if (new Set(days).size < days.length) shared += 1;
    if (days.includes(null)) undone += 1;
  }
  expect(dearest).toBeLessThan(0.02);
  // Both are met often enough to mean something.
  expect(shared).toBeGreaterThan(LAWNS * 0.3);
  expect(undone).toBeGreaterThan(LAWNS * 0.05);
}, 300_000);

it('never keeps two pieces of work against a rule, and leaves nothing undone that can stand', () => {
  for (let seed = 1; seed <= 500; seed += 1) {
    const { jobs, rules } = drawLawn(seed);
    const { days } = layOut(jobs, rules, layoutCosts.visit);
    for (const rule of rules) {
      const [a, b] = [days[rule.first] ?? null, days[rule.then] ?? null];
      if (a === null || b === null) continue;
      if (rule.kind === 'apart') expect(a).not.toBe(b);
      else expect(b - a).toBeGreaterThanOrEqual(rule.leastDays);
    }
    expect(layOut(jobs, [], layoutCosts.visit).days).not.toContain(null);
  }
});
