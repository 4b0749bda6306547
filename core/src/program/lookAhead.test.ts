/** What comes round in the years ahead. */
import { needOfWork } from '../needs/need';
import { seasonRequestSchema } from '../needs/seasonInput';
import { localDate } from '../units';
import { testWeather } from '../weather/testdata/testWeather';
import { lawnSeason } from './lawnSeason';
import { lookAhead } from './lookAhead';
import { testZone } from './testdata/testLawn';

const CRAB = { weed: 'large-crabgrass', cover: 0.05, growing: false };
const HISTORY = ['white-grub'];

function asked(day: string, { cover = 0.9, until }: { cover?: number; until?: string } = {}) {
  const today = localDate(day);
  const zone = testZone(1, [{ species: 'tall-fescue', cover }], { irrigated: true });
  const request = seasonRequestSchema.parse({
    today,
    region: 'transition',
    zones: [zone],
    findings: [{ zoneId: zone.id, weeds: [CRAB] }],
    policy: { confirmedLabels: ['chlorantraniliprole', 'imidacloprid', 'clothianidin'] },
  });
  const weather = testWeather('transition', 1, today);
  const history = new Map([[zone.id, HISTORY]]);
  return {
    near: lawnSeason(request, weather, [], [], history).season,
    far: lookAhead(request, weather, [], [], history, until ? localDate(until) : undefined).season,
  };
}
/** Cycles of each need that work is planned for. */
function cyclesOf({ steps }: { steps: readonly { serves: readonly string[] }[] }) {
  const cycles = new Map<string, Set<string>>();
  for (const need of steps.flatMap(({ serves }) => serves.map(needOfWork))) {
    const at = need.lastIndexOf(':');
    const of = need.slice(0, at);
    cycles.set(of, (cycles.get(of) ?? new Set()).add(need.slice(at + 1)));
  }
  return new Map([...cycles].map(([need, years]) => [need.split(':')[1], [...years].sort()]));
}

it.each(['2026-01-05', '2026-03-15', '2026-06-20', '2026-08-30', '2026-10-10', '2026-12-01'])(
  'leaves the season asked on %s as it is, and tells at least two cycles of what comes round every year, and skips none',
  (day) => {
    const { near, far } = asked(day);
    for (const step of near.steps) expect(far.steps).toContainEqual(step);
    for (const need of near.needs) expect(far.needs).toContainEqual(need);
    const cycles = cyclesOf(far);
    for (const subject of [
      'crabgrass',
      'white-grub',
      'broadleaf-round',
      'early-spring',
      'late-spring',
      'early-fall',
      'late-fall',
    ]) {
      const years = (cycles.get(subject) ?? []).map(Number);
      // Three where the first is open, or the last is reached.
      expect(years.length).toBeGreaterThanOrEqual(2);
      expect({ subject, years }).toEqual({ subject, years: years.map((_, at) => years[0]! + at) });
    }
    const ids = far.steps.flatMap(({ serves }) => serves);
    expect(new Set(ids).size).toBe(ids.length);
    expect(far.steps.map(({ window }) => window.best)).toEqual(
      far.steps.map(({ window }) => window.best).sort(),
    );
    expect(new Set(far.needs.map(({ id }) => id)).size).toBe(far.needs.length);
  },
);

it('reaches two years to the day, or as far as it is asked', () => {
  const last = (until?: string) =>
    asked('2026-03-15', until ? { until } : {}).far.steps.at(-1)!.window.best;
  // Early spring of 2028 is best on 7 April.
  expect(last()).toBe('2027-10-26');
  expect(last('2028-04-06')).toBe('2027-10-26');
  expect(last('2028-04-07')).toBe('2028-04-07');
  expect(last('2026-12-31')).toBe(asked('2026-03-15').near.steps.at(-1)!.window.best);
});

it('adds the nitrogen of whole years only, and what is on record once', () => {
  const { far } = asked('2026-03-15');
  expect(far.nitrogen.map(({ year }) => year)).toEqual([2026, 2027]);
  for (const { recordedLbPer1000, plannedLbPer1000, targetLbPer1000 } of far.nitrogen) {
    expect(recordedLbPer1000).toBe(0);
    expect(plannedLbPer1000 / targetLbPer1000).toBeGreaterThan(0.89);
  }
});

it('takes a thin stand for grown in once its seed is planned: no seed and no clash the year after', () => {
  const { near, far } = asked('2026-03-15', { cover: 0.62 });
  const seeds = far.steps.filter(({ kind }) => kind === 'seed');
  expect(near.steps.filter(({ kind }) => kind === 'seed')).toEqual(seeds);
  expect(seeds).toHaveLength(1);
  expect(far.clashes).toEqual(near.clashes);
  expect(cyclesOf(far).get('crabgrass')).toContain('2027');
});
