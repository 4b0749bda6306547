import { feedingRate, WORTH_FEEDING } from '../fertility';
import { carriedNitrogen, dayRules, feedingCalendars, feedingRules, grass } from '../knowledge';
import { LIBRARY } from '../products';
import type { Application } from '../rates';
import { addDays, daysBetween, localDate, monthOf, yearOf } from '../units';
import { outsideBlackout } from './ordinance';
import type { Reason } from './reason';
import { expectedDay, highestAir } from './sprayDay';
import type { FeedStep, SeedStep } from './step';
import { earlier, later, soilWindow } from './window';
import { firstFrost, stateOf, type ZoneCase } from './zoneCase';

/** Days after a feeding over which the weather decides whether it burns. */
const FEED_DAYS = 7;

/** lb N per 1000 ft² that a record brought, whatever it was put down for. */
const nitrogenIn = (record: Application): number =>
  record.materials.reduce((lb, { kind, slug, amount }) => {
    const percent =
      kind === 'fertilizer'
        ? (LIBRARY.fertilizer(slug)?.grade[0] ?? 0)
        : (carriedNitrogen[slug] ?? 0);
    return lb + ((amount * percent) / 100 / record.areaFt2) * 1000;
  }, 0);

/** lb N per 1000 ft² on record in a year. */
const nitrogenOf = (records: readonly Application[], year: number): number =>
  records
    .filter((record) => yearOf(localDate(record.date)) === year)
    .reduce((sum, record) => sum + nitrogenIn(record), 0);

const UPKEEP_INDEX = { basic: 0, standard: 1, showpiece: 2 } as const;

/** Feedings of the year that are still to come, and the ones left out with the reason. */
export function feedSteps(
  zoneCase: ZoneCase,
  seed: SeedStep | null,
): { steps: FeedStep[]; leftOut: Reason[] } {
  const { input, zone, season, main, grasses, areaFt2, records } = zoneCase;
  const calendar = feedingCalendars.find((entry) => entry.grasses.includes(main));
  const yearly = grass(main).nitrogen?.yearLbPer1000[UPKEEP_INDEX[zone.upkeep ?? input.upkeep]];
  const steps: FeedStep[] = [];
  const leftOut: Reason[] = [];
  if (!calendar || yearly === undefined) return { steps, leftOut };
  const year = yearOf(input.today);
  let given = nitrogenOf(records, year);
  const fedOn = records
    .filter((record) => nitrogenIn(record) >= feedingRules.traceLb)
    .map((record) => localDate(record.date));
  for (const slot of calendar.slots) {
    const bySoil = soilWindow(season, slot, year);
    if (!bySoil || bySoil.closes < input.today) continue;
    const lastDay =
      slot.daysBeforeFrost === undefined
        ? bySoil.closes
        : addDays(firstFrost(input.region, year), -slot.daysBeforeFrost);
    const closes = earlier(bySoil.closes, lastDay);
    if (closes < bySoil.opens || closes < input.today) continue;
    const { ordinance } = input.policy;
    const last = fedOn
      .filter((day) => day <= closes)
      .sort()
      .pop();
    const free = last ? addDays(last, feedingRules.gapDays) : bySoil.opens;
    if (free > closes) {
      leftOut.push({
        rule: 'feed-too-near',
        inputs: { slot: slot.slug, days: feedingRules.gapDays, from: free },
      });
      continue;
    }
    const window = outsideBlackout(
      {
        ...bySoil,
        opens: later(bySoil.opens, free),
        best: earlier(later(later(bySoil.best, free), input.today), closes),
        closes,
      },
      ordinance.blackout,
      input.today,
    );
    if (!window) {
      leftOut.push({
        rule: 'feed-blackout',
        inputs: {
          slot: slot.slug,
          from: ordinance.blackout?.[0] ?? '',
          to: ordinance.blackout?.[1] ?? '',
        },
      });
      continue;
    }
    const fed = records.some(
      (record) =>
        record.materials.some(({ kind }) => kind === 'fertilizer') &&
        localDate(record.date) >= addDays(window.opens, -FEED_DAYS) &&
        localDate(record.date) <= window.closes,
    );
    if (fed) {
      leftOut.push({ rule: 'feed-done', inputs: { slot: slot.slug } });
      continue;
    }
    const { soilF } = expectedDay(season, window.best);
    if (soilF !== null && soilF <= dayRules.frozenF) {
      leftOut.push({ rule: 'feed-frozen', inputs: { slot: slot.slug, soilF: Math.round(soilF) } });
      continue;
    }
    const airHighF = highestAir(
      season,
      window.best,
      earlier(addDays(window.best, FEED_DAYS), window.closes),
    );
    const wanted = yearly * slot.share;
    const placeLbPer1000 = Math.min(
      ordinance.mostNitrogen ?? Infinity,
      (ordinance.mostNitrogenYear ?? Infinity) - given,
    );
    const feeding = feedingRate({
      grasses,
      wantedLbPer1000: wanted,
      airHighF,
      month: monthOf(window.best),
      irrigated: zone.site.irrigated === true,
      slowShare: slot.slowShare,
      givenLbPer1000: given,
      placeLbPer1000,
    });
    if (!feeding) {
      leftOut.push({
        rule: placeLbPer1000 < WORTH_FEEDING ? 'feed-place' : 'feed-nothing-safe',
        inputs: { slot: slot.slug, airHighF: Math.round(airHighF) },
      });
      continue;
    }
    given += feeding.nLbPer1000;
    fedOn.push(window.best);
    const nearSeed = seed !== null && Math.abs(daysBetween(window.best, seed.window.best)) <= 14;
    steps.push({
      id: `${zone.id}:feed:${slot.slug}:${year}`,
      kind: 'feed',
      zoneId: zone.id,
      slot: slot.slug,
      window,
      state: stateOf(window, input.today),
      areaFt2,
      gates: [
        { kind: 'not-frozen-or-saturated' },
        { kind: 'water-in', inches: [0.25, 0.25], withinDays: 1 },
      ],
      because: [
        {
          rule: 'feed-slot',
          inputs: { slot: slot.slug, yearly, sharePct: Math.round(slot.share * 100) },
        },
        {
          rule: `feed-limited-${feeding.limitedBy}`,
          inputs: { airHighF: Math.round(airHighF), wanted: Number(wanted.toFixed(2)) },
        },
        {
          rule: 'feed-salt',
          inputs: {
            load: Number(feeding.saltLoad.toFixed(2)),
            limit: Number(feeding.saltLimit.toFixed(2)),
          },
        },
        ...(nearSeed ? [{ rule: 'feed-with-seed', inputs: {} }] : []),
      ],
      fertilizer: feeding.fertilizer.slug,
      nLbPer1000: feeding.nLbPer1000,
      productLbPer1000: feeding.productLbPer1000,
      totalLb: (feeding.productLbPer1000 * areaFt2) / 1000,
      wantedNLbPer1000: wanted,
      limitedBy: feeding.limitedBy,
      saltLoad: feeding.saltLoad,
      saltLimit: feeding.saltLimit,
    });
  }
  return { steps, leftOut };
}
