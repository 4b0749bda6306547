import { fertilizersOn, placeRoom, UPKEEP_INDEX } from '../choice/nitrogen';
import { expectedDay, highestAir } from '../choice/sprayDay';
import { fedOn, nitrogenInYear } from '../choice/fed';
import type { ZoneCase } from '../choice/zoneCase';
import { gradeFeeding, lowPhosphorus, WORTH_FEEDING } from '../fertility';
import { dayRules, feedingRules, grass } from '../knowledge';
import { killRules } from '../knowledge/programmes';
import { needOfWork, workId } from '../needs/need';
import type { Reason } from '../needs/reason';
import { addDays, daysBetween, monthOf } from '../units';
import { stateOf, type FeedStep, type SeedStep } from './step';

/** Days after the seed over which the weather decides whether its starter burns. */
const STARTER_DAYS = 7;

/**
 * The starter that goes down with seed: phosphate by the pound, as much as grass, year, heat, salt and the law of the
 * place leave; or why there is none.
 */
export function starterStep(
  zoneCase: ZoneCase,
  seed: Pick<SeedStep, 'id' | 'window' | 'material' | 'areaFt2'>,
): FeedStep | Reason {
  const { input, zone, season, grasses, main, fed } = zoneCase;
  const { best: date } = seed.window;
  const none = (rule: string): Reason => ({ rule, inputs: { days: feedingRules.gapDays } });
  // Roots that are planted are no reason for phosphorus where the place asks for one.
  if (
    seed.material === 'plugs' &&
    input.policy.ordinance.phosphorusNeedsReason &&
    lowPhosphorus(input.soilReports, zone.id, date) !== true
  ) {
    return none('starter-place');
  }
  if (fedOn(fed).some((day) => Math.abs(daysBetween(day, date)) < feedingRules.gapDays)) {
    return none('starter-fed');
  }
  const { soilF } = expectedDay(season, date);
  if (soilF !== null && soilF <= dayRules.frozenF) return none('starter-none');
  const placeLbPer1000 = placeRoom(zoneCase, date);
  // It is part of the year's nitrogen, of which a sparing grass gets little.
  const yearly = grass(main).nitrogen?.yearLbPer1000[UPKEEP_INDEX[zone.upkeep ?? input.upkeep]];
  const left = Math.max(0, (yearly ?? 0) - nitrogenInYear(fed, date));
  const [best] = fertilizersOn(zoneCase, date)
    .filter(({ grade: [n, p] }) => p > 0 && p >= n)
    .map((product) => {
      const [n, p] = product.grade;
      const wanted = (killRules.starterPhosphateLb * n) / p;
      return gradeFeeding(product, {
        grasses,
        wantedLbPer1000: Math.min(wanted, left),
        airHighF: highestAir(season, date, addDays(date, STARTER_DAYS)),
        month: monthOf(date),
        irrigated: zone.site.irrigated === true,
        slowShare: product.slowShare,
        givenLbPer1000: nitrogenInYear(fed, date),
        placeLbPer1000,
      });
    })
    .filter(({ nLbPer1000 }) => nLbPer1000 >= WORTH_FEEDING)
    .sort((a, b) => b.nLbPer1000 - a.nLbPer1000);
  if (!best) return none(placeLbPer1000 < WORTH_FEEDING ? 'starter-place' : 'starter-none');
  const [n, p] = best.fertilizer.grade;
  const wanted = (killRules.starterPhosphateLb * n) / p;
  const id = workId(needOfWork(seed.id), 'starter', 1);
  return {
    id,
    serves: [id],
    kind: 'feed',
    zoneId: zone.id,
    slot: 'starter',
    window: seed.window,
    state: stateOf(seed.window, input.today),
    areaFt2: seed.areaFt2,
    gates: [
      { kind: 'not-frozen-or-saturated' },
      { kind: 'water-in', inches: [0.25, 0.25], withinDays: 1 },
    ],
    because: [
      {
        rule: 'starter',
        inputs: { phosphate: Number(((best.productLbPer1000 * p) / 100).toFixed(2)) },
      },
      {
        rule: 'feed-salt',
        inputs: {
          load: Number(best.saltLoad.toFixed(2)),
          limit: Number(best.saltLimit.toFixed(2)),
        },
      },
    ],
    fertilizer: best.fertilizer.slug,
    grade: best.fertilizer.grade,
    nLbPer1000: best.nLbPer1000,
    productLbPer1000: best.productLbPer1000,
    totalLb: (best.productLbPer1000 * seed.areaFt2) / 1000,
    wantedNLbPer1000: wanted,
    limitedBy: best.limitedBy,
    saltLoad: best.saltLoad,
    saltLimit: best.saltLimit,
  };
}
