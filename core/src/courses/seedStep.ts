import { coverDecision } from '../establish';
import { grass, prodiamineSteps, seedingWindows, springSeeding } from '../knowledge';
import { walkRules } from '../knowledge/programmes';
import { chosenCourse } from '../needs/chosenCourse';
import { needId, workId, type Need } from '../needs/need';
import { desiredCover } from '../lawn';
import { materialRatePerAcre } from '../rates';
import { addDays, daysBetween, localDate, yearOf, type LocalDate } from '../units';
import type { Reason } from '../needs/reason';
import { setBy } from './setBy';
import type { SeedStep } from './step';
import { earlier, later, soilWindow, type StepWindow } from '../choice/window';
import { hasLadder } from '../choice/tolerance';
import { sownAfterKill, wantsKill } from './killCourse';
import { hardFrost, nextWindow, type ZoneCase } from '../choice/zoneCase';
import { stateOf } from './step';

/** Days after a seeding in which the same zone is not seeded again. */
const SEEDING_REST_DAYS = 240;

export interface Seeding {
  /** `null` where the stand is whole. */
  need: Need | null;
  step: SeedStep | null;
  reason: Reason | null;
  /** What was sown lately, and is not up yet. */
  sown?: { on: LocalDate; material: SeedStep['material'] };
}

/** First day that herbicides on record, and a kill that is still to come, leave to new grass; `null`: any. */
function holdOf(zoneCase: ZoneCase, use: SeedStep['use']): LocalDate | null {
  const days = [herbicideHold(zoneCase), use === 'new' ? sownAfterKill(zoneCase) : null];
  return (
    days
      .flatMap((day) => day ?? [])
      .sort()
      .pop() ?? null
  );
}

/** The days of a seeding whose own day somebody has set. */
const onSetDay = (window: StepWindow | null, date: LocalDate): StepWindow => ({
  opens: date,
  best: date,
  closes: window ? later(window.closes, date) : date,
  basis: window?.basis ?? { kind: 'calendar' },
});
const setFor = ({ sowOn }: ZoneCase): Pick<SeedStep, 'pinned' | 'span'> =>
  sowOn ? { pinned: true, span: { from: sowOn, to: sowOn } } : {};

/** Plugs of a grass whose seed nobody sells, into the bare part of the zone. */
function plugStep(
  zoneCase: ZoneCase,
  { use, cover, spacingIn }: { use: SeedStep['use']; cover: number; spacingIn: number },
): Omit<SeedStep, 'id' | 'serves'> | null {
  const { input, zone, season, areaFt2, main } = zoneCase;
  const notBefore = holdOf(zoneCase, use);
  const soil = nextWindow(
    season,
    { direction: 'rising', opensF: 65, bestF: 70, closesF: 80 },
    input.today,
  );
  const best = !soil || (notBefore && notBefore > soil.closes) ? null : soil;
  const free = best && notBefore ? after(best, notBefore) : best;
  const window = zoneCase.sowOn ? onSetDay(free, zoneCase.sowOn) : free;
  if (!window) return null;
  const ratePer1000 = Math.round((1000 * 144) / spacingIn ** 2);
  // What other grass stands on is not bare.
  const standing = zone.stand.reduce((sum, share) => sum + share.cover, 0);
  // and what is killed first is bare by then.
  const bare = use === 'new' && wantsKill(zoneCase);
  const bareFt2 = bare
    ? areaFt2
    : Math.max(1, areaFt2 * (1 - Math.max(cover, Math.min(1, standing))));
  return {
    kind: 'seed',
    zoneId: zone.id,
    window,
    state: stateOf(window, input.today),
    ...setFor(zoneCase),
    areaFt2: bareFt2,
    gates: [{ kind: 'moist-soil' }],
    because: [
      { rule: 'seed-cover-short', inputs: { coverPct: Math.round(cover * 100) } },
      { rule: 'seed-none-sold', inputs: { species: main } },
      { rule: 'seed-plug-spacing', inputs: { spacingIn } },
    ],
    use,
    species: main,
    material: 'plugs',
    ratePer1000,
    total: Math.ceil((ratePer1000 * bareFt2) / 1000),
  };
}

/** Seed of the main grass in its own window, or in the second best one. */
function sowStep(
  zoneCase: ZoneCase,
  use: SeedStep['use'],
  coverPct: number,
): Omit<SeedStep, 'id' | 'serves'> | Reason {
  const { input, zone, season, areaFt2, main, shelf } = zoneCase;
  const rule = seedingWindows.find(({ grasses }) => grasses.includes(main));
  const bag = shelf.seed(main);
  if (!rule || !bag) return { rule: 'seed-none-sold', inputs: { species: main } };
  const held = herbicideHold(zoneCase);
  const hold = holdOf(zoneCase, use);
  const own = seedingWindow(zoneCase, rule, hold);
  const spring =
    own === null && grass(main).season === 'cool'
      ? nextWindow(season, springSeeding, input.today)
      : null;
  const second = spring && (!hold || hold <= spring.closes) ? spring : null;
  const best = own ?? (second && hold ? after(second, hold) : second);
  const window = zoneCase.sowOn ? onSetDay(best, zoneCase.sowOn) : best;
  if (!window) {
    return held && held > input.today
      ? { rule: 'seed-herbicide-hold', inputs: { until: held } }
      : { rule: 'seed-no-window', inputs: { species: main } };
  }
  const bulk = use === 'new' ? bag.newLbPer1000 : bag.overseedLbPer1000;
  const { opensF, closesF, direction } = own ? rule : springSeeding;
  return {
    kind: 'seed',
    zoneId: zone.id,
    window,
    state: stateOf(window, input.today),
    ...setFor(zoneCase),
    areaFt2,
    gates: [
      {
        kind: 'soil',
        minF: grass(main).seed?.soilF.min ?? 50,
        maxF: grass(main).seed?.soilF.max ?? 90,
      },
      { kind: 'moist-soil' },
    ],
    because: [
      {
        rule:
          zone.project === 'build'
            ? 'seed-build'
            : use === 'new'
              ? 'seed-renovate'
              : 'seed-cover-short',
        inputs: { coverPct },
      },
      { rule: 'seed-window', inputs: { opensF, closesF, direction } },
      ...(own || zoneCase.sowOn ? [] : [{ rule: 'seed-second-best', inputs: {} }]),
      ...(zoneCase.sowOn ? setBy(zoneCase.sowOn, best) : []),
      ...(held && held > input.today
        ? [{ rule: 'seed-herbicide-hold', inputs: { until: held } }]
        : []),
      {
        rule: 'seed-rate',
        inputs: { pls: Number((bulk * bag.liveShare).toFixed(4)), bulk: Number(bulk.toFixed(2)) },
      },
    ],
    use,
    species: main,
    material: 'seed',
    ratePer1000: bulk,
    total: (bulk * areaFt2) / 1000,
  };
}

const after = (window: StepWindow, day: LocalDate): StepWindow => {
  const opens = later(window.opens, day);
  return { ...window, opens, best: later(window.best, opens) };
};

/**
 * The seeding that a zone's cover asks for, or the reason why there is none. Zones with enough grass
 * need neither.
 */
export function seedStep(zoneCase: ZoneCase): Seeding {
  const { input, zone, main } = zoneCase;
  const cover = desiredCover(zone);
  const count = input.findings.find(({ zoneId }) => zoneId === zone.id)?.pointCount;
  const found = coverDecision(cover, main, count);
  // Where a stand is to be established, whatever is not enough yet is started over.
  const decision =
    zoneCase.startOver || (zone.project === 'build' && found !== 'enough') ? 'renovate' : found;
  const coverPct = Math.round(cover * 100);
  if (decision === 'enough') return { need: null, step: null, reason: null };
  const place = { zoneId: zone.id };
  const plugs = grass(main).plugs;
  const sold = zoneCase.shelf.seed(main) !== undefined;
  const needOf = (
    kind: Need['kind'],
    subject: string,
    year: number,
    state: Need['state'],
    reason?: Reason,
  ): Need => {
    const identity = { kind, subject, place, cycle: String(year) };
    return {
      ...identity,
      id: needId(identity),
      state,
      course: state === 'givenUp' ? null : kind === 'find' ? 'count' : 'seed',
      ways:
        kind === 'find'
          ? ['count']
          : [...(sold ? ['seed'] : []), 'sod', ...(plugs ? ['plug'] : [])],
      ...(reason ? { reason } : {}),
    };
  };
  const year = yearOf(input.today);
  if (decision === 'count-more') {
    const reason = { rule: 'seed-count-more', inputs: { coverPct } };
    return { need: needOf('find', 'cover', year, 'open', reason), step: null, reason };
  }
  const kind = decision === 'renovate' ? 'renovate' : 'fill';
  const sown = lastSeeding(zoneCase);
  if (sown && daysBetween(sown.on, input.today) <= SEEDING_REST_DAYS) {
    const reason = { rule: 'seed-done', inputs: { sownOn: sown.on } };
    return {
      need: needOf(kind, main, yearOf(sown.on), 'waiting', reason),
      step: null,
      reason,
      sown,
    };
  }
  const use = decision === 'renovate' ? 'new' : 'overseed';
  const plugged = () =>
    (plugs && plugStep(zoneCase, { use, cover, spacingIn: plugs.spacingIn[1] })) ?? {
      rule: 'seed-no-window',
      inputs: { species: main },
    };
  const best = !sold && plugs ? plugged() : sowStep(zoneCase, use, coverPct);
  const of = (step: typeof best) =>
    needOf(kind, main, 'rule' in step ? year : yearOf(step.window.best), 'planned');
  const chosen = chosenCourse(input, of(best).id)?.course;
  if (chosen === 'sod') {
    const reason = { rule: 'course-outside', inputs: { course: chosen } };
    return { need: { ...of(best), state: 'waiting', course: chosen, reason }, step: null, reason };
  }
  const step = chosen === 'plug' && plugs ? plugged() : best;
  if ('rule' in step) {
    return { need: needOf(kind, main, year, 'givenUp', step), step: null, reason: step };
  }
  const need = { ...of(step), course: step.material === 'plugs' ? 'plug' : 'seed' };
  const id = workId(need.id, 'sow', 1);
  return { need, step: { ...step, id, serves: [id] }, reason: null };
}

/** The last seeding or planting on record that did most of its work. */
function lastSeeding({ records }: ZoneCase): Seeding['sown'] {
  return records
    .filter(({ effect }) => (effect ?? 1) >= walkRules.leastEffect)
    .flatMap(({ date, materials }) =>
      materials.flatMap(({ kind }) =>
        kind === 'seed' || kind === 'plugs' ? [{ on: localDate(date), material: kind }] : [],
      ),
    )
    .sort((a, b) => (a.on < b.on ? -1 : 1))
    .pop();
}

/** First day on which every herbicide on record lets seed grow; `null` when none stands in the way. */
export function herbicideHold({ records, shelf }: ZoneCase): LocalDate | null {
  const days = records.flatMap((record) =>
    record.materials.flatMap((material) => {
      const product = material.kind === 'herbicide' ? shelf.herbicide(material.slug) : undefined;
      if (!product) return [];
      const rate = materialRatePerAcre(material, record.areaFt2);
      const step = prodiamineSteps.find(({ ozPerAcre }) => rate <= ozPerAcre * 1.001);
      const weeks = hasLadder(product) && step ? step.waitWeeks : product.waitBeforeSeedingWeeks[1];
      return [addDays(localDate(record.date), Math.ceil(weeks * 7))];
    }),
  );
  return days.sort().pop() ?? null;
}

/** The seeding window by soil, cut at its calendar edges; `null` when nothing is left of it. */
function seedingWindow(
  { input, season }: ZoneCase,
  rule: (typeof seedingWindows)[number],
  notBefore: LocalDate | null,
): StepWindow | null {
  const year = yearOf(input.today);
  for (const y of [year, year + 1]) {
    const window = soilWindow(season, rule, y);
    if (!window) continue;
    const opens = notBefore ? later(window.opens, notBefore) : window.opens;
    const lastDay = addDays(hardFrost(input, y), -rule.daysBeforeFrost);
    const closes = earlier(window.closes, lastDay);
    if (closes < opens || closes < input.today) continue;
    const best = earlier(later(later(window.best, opens), earlier(input.today, closes)), closes);
    return { ...window, opens, best, closes };
  }
  return null;
}
