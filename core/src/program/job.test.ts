import { dueWork, jobsOf, jobWith, wholeJob } from '../courses/job';
import { isDue } from '../courses/step';
import { applicationsOf } from '../courses/applicationsOf';
import { seasonRequestSchema } from '../needs/seasonInput';
import { LIBRARY } from '../products';
import { localDate } from '../units';
import { testWeather } from '../weather/testdata/testWeather';
import { lawnSeasonInput } from './lawnSeason';
import { planOf } from './plan';
import { planSeason } from './planSeason';
import { testZone } from './testdata/testLawn';

const TODAY = localDate('2026-04-08');
const zones = [
  testZone(1, [{ species: 'tall-fescue', cover: 0.95 }]),
  testZone(2, [{ species: 'tall-fescue', cover: 0.95 }], { width: 30 }),
  testZone(3, [{ species: 'bermuda-common', cover: 0.95 }]),
];
const input = lawnSeasonInput(
  seasonRequestSchema.parse({
    today: TODAY,
    region: 'transition',
    zones,
    findings: zones.map(({ id }, index) => ({
      zoneId: id,
      weeds: [{ weed: 'dandelion', cover: [0.06, 0.1, 0.06][index], growing: true }],
    })),
  }),
  testWeather('transition', 1, TODAY),
  [],
  [],
);
const season = planSeason(input);
const jobs = jobsOf(season.steps);
const work = season.steps.filter(({ kind }) => kind !== 'look-again');

it('joins lines of one mix at one rate on one day, loses none and doubles none', () => {
  expect(jobs.flatMap(({ lines }) => lines.map(({ id }) => id)).sort()).toEqual(
    work.map(({ id }) => id).sort(),
  );
  expect(jobs.length).toBeLessThan(work.length);
  const joined = jobs.filter(({ lines }) => lines.length > 1);
  for (const { lines } of joined) {
    expect(new Set(lines.map(({ window }) => window.best)).size).toBe(1);
    const rates = lines.map((line) => {
      const { materials } = applicationsOf(line)[0]!;
      return materials.map(({ slug, amount }) => [slug, (amount / line.areaFt2).toPrecision(5)]);
    });
    expect(new Set(rates.map((rate) => JSON.stringify(rate))).size).toBe(1);
  }
  expect(joined.map(({ lines }) => lines.map(({ zoneId }) => zoneId))).toContainEqual([
    zones[0]!.id,
    zones[1]!.id,
  ]);
});

it('is the job that the plan tells, over the same ground with the same amounts', () => {
  const told = new Map(planOf(season, input, LIBRARY).jobs.map((job) => [job.id, job]));
  for (const { id, lines } of jobs) {
    const whole = wholeJob(lines);
    const job = told.get(id)!;
    expect(job.zones.reduce((sum, { areaFt2 }) => sum + areaFt2, 0)).toBeCloseTo(whole.areaFt2, 6);
    expect([...job.serves].sort()).toEqual([...whole.serves].sort());
    expect(job.window).toEqual({
      opens: whole.window.opens,
      best: whole.window.best,
      closes: whole.window.closes,
    });
    applicationsOf(whole)[0]!.materials.forEach(({ amount }, index) =>
      expect(job.materials[index]!.amount).toBeCloseTo(amount, 6),
    );
  }
});

it('promises of each weed what its worst zone gets, and is found by any of its lines', () => {
  const job = jobs.find(({ lines }) => lines.length > 1 && lines[0]!.kind === 'control')!;
  const [a, b] = job.lines;
  const weaker = { ...b!, control: [{ weed: 'dandelion', expectedPct: 40, targetPct: 80 }] };
  const whole = wholeJob([a!, weaker as typeof a & object]);
  expect('control' in whole && whole.control).toEqual([
    { weed: 'dandelion', expectedPct: 40, targetPct: 80 },
  ]);
  expect(jobWith(season.steps, b!.id)?.id).toBe(job.id);
  expect(jobWith(season.steps, 'nothing')).toBeUndefined();
  expect(wholeJob([a!])).toBe(a);
});

it('is due once over all its zones, with the first of their last days', () => {
  const open = season.steps
    .map((step) => ({ ...step, state: 'open' as const }))
    .filter((step) => isDue(step));
  const due = dueWork([...open, { ...open[0]!, id: 'later', state: 'upcoming' }]);
  expect(due.length).toBeLessThan(open.length);
  expect(due.flatMap(({ zoneIds }) => zoneIds)).toHaveLength(open.length);
  for (const { id, closes } of due) {
    const { lines } = jobWith(open, id) ?? { lines: open.filter((step) => step.id === id) };
    expect(lines.map(({ window }) => window.closes).sort()[0]).toBe(closes);
  }
});
