import { coverDecision } from '../establish';
import { grass, prodiamineSteps, seedingWindows } from '../knowledge';
import { desiredCover } from '../lawn';
import { materialRatePerAcre } from '../rates';
import { addDays, daysBetween, localDate, yearOf, type LocalDate } from '../units';
import type { Reason } from '../needs/reason';
import type { SeedStep } from './step';
import { earlier, later, soilWindow, type StepWindow } from '../choice/window';
import { hasLadder } from '../choice/tolerance';
import { firstFrost, nextWindow, type ZoneCase } from '../choice/zoneCase';
import { stateOf } from './step';

/** Days after a seeding in which the same zone is not seeded again. */
const SEEDING_REST_DAYS = 240;

/**
 * The seeding that a zone's cover asks for, or the reason why there is none. Zones with enough grass
 * get neither.
 */
export function seedStep(zoneCase: ZoneCase): { step: SeedStep | null; reason: Reason | null } {
  const { input, zone, season, areaFt2, main } = zoneCase;
  const cover = desiredCover(zone);
  const count = input.findings.find(({ zoneId }) => zoneId === zone.id)?.pointCount;
  const found = coverDecision(cover, main, count);
  // Where a stand is to be established, whatever is not enough yet is started over.
  const decision = zone.project === 'build' && found !== 'enough' ? 'renovate' : found;
  const coverPct = Math.round(cover * 100);
  if (decision === 'enough') return { step: null, reason: null };
  if (decision === 'count-more') {
    return { step: null, reason: { rule: 'seed-count-more', inputs: { coverPct } } };
  }
  const sown = lastSeeding(zoneCase);
  if (sown && daysBetween(sown, input.today) <= SEEDING_REST_DAYS) {
    return { step: null, reason: { rule: 'seed-done', inputs: { sownOn: sown } } };
  }
  const hold = herbicideHold(zoneCase);
  const use = decision === 'renovate' ? 'new' : 'overseed';
  const rule = seedingWindows.find(({ grasses }) => grasses.includes(main));
  const bag = zoneCase.shelf.seed(main);
  const plugs = grass(main).plugs;
  if (!bag || !rule) {
    if (!plugs)
      return { step: null, reason: { rule: 'seed-none-sold', inputs: { species: main } } };
    const window = nextWindow(
      season,
      { direction: 'rising', opensF: 65, bestF: 70, closesF: 80 },
      input.today,
    );
    if (!window)
      return { step: null, reason: { rule: 'seed-no-window', inputs: { species: main } } };
    const ratePer1000 = Math.round((1000 * 144) / plugs.spacingIn[1] ** 2);
    const bareFt2 = areaFt2 * (1 - cover);
    return {
      step: {
        id: `${zone.id}:seed:${yearOf(window.best)}`,
        kind: 'seed',
        zoneId: zone.id,
        window,
        state: stateOf(window, input.today),
        areaFt2: bareFt2,
        gates: [{ kind: 'moist-soil' }],
        because: [
          { rule: 'seed-cover-short', inputs: { coverPct } },
          { rule: 'seed-none-sold', inputs: { species: main } },
          { rule: 'seed-plug-spacing', inputs: { spacingIn: plugs.spacingIn[1] } },
        ],
        use,
        species: main,
        material: 'plugs',
        ratePer1000,
        total: Math.ceil((ratePer1000 * bareFt2) / 1000),
      },
      reason: null,
    };
  }
  const bulk = use === 'new' ? bag.newLbPer1000 : bag.overseedLbPer1000;
  const open = seedingWindow(zoneCase, rule, hold);
  if (!open && hold && hold > input.today) {
    return { step: null, reason: { rule: 'seed-herbicide-hold', inputs: { until: hold } } };
  }
  if (!open) return { step: null, reason: { rule: 'seed-no-window', inputs: { species: main } } };
  return {
    step: {
      id: `${zone.id}:seed:${yearOf(open.best)}`,
      kind: 'seed',
      zoneId: zone.id,
      window: open,
      state: stateOf(open, input.today),
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
        {
          rule: 'seed-window',
          inputs: { opensF: rule.opensF, closesF: rule.closesF, direction: rule.direction },
        },
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
    },
    reason: null,
  };
}

/** Day of the last seeding on record. */
function lastSeeding({ records }: ZoneCase): LocalDate | null {
  return (
    records
      .filter(({ materials }) => materials.some(({ kind }) => kind === 'seed'))
      .map(({ date }) => localDate(date))
      .sort()
      .pop() ?? null
  );
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
    const lastDay = addDays(firstFrost(input.region, y), -rule.daysBeforeFrost);
    const closes = earlier(window.closes, lastDay);
    if (closes < opens || closes < input.today) continue;
    const best = earlier(later(later(window.best, opens), earlier(input.today, closes)), closes);
    return { ...window, opens, best, closes };
  }
  return null;
}
