import { feedingRate, WORTH_FEEDING } from '../fertility';
import { dayRules, feedingCalendars, feedingRules, grass } from '../knowledge';
import { addDays, daysBetween, monthOf, SQUARE_FEET_PER_ACRE, yearOf } from '../units';
import { nitrogenInYear } from '../choice/fed';
import { fertilizersOn, isAsleep, placeRoom, UPKEEP_INDEX } from '../choice/nitrogen';
import { outsideBlackout } from '../choice/ordinance';
import type { Reason } from '../needs/reason';
import { expectedDay, highestAir } from '../choice/sprayDay';
import type { FeedStep, SeedStep } from './step';
import { earlier, later, soilWindow } from '../choice/window';
import { firstFrost, type ZoneCase } from '../choice/zoneCase';
import { stateOf } from './step';

/** Days after a feeding over which the weather decides whether it burns. */
const FEED_DAYS = 7;

/** Feedings of the year that are still to come, and the ones left out with the reason. */
export function feedSteps(
  zoneCase: ZoneCase,
  seed: SeedStep | null,
): { steps: FeedStep[]; leftOut: Reason[] } {
  const { input, zone, season, main, grasses, areaFt2, fed } = zoneCase;
  const calendar = feedingCalendars.find((entry) => entry.grasses.includes(main));
  const yearly = grass(main).nitrogen?.yearLbPer1000[UPKEEP_INDEX[zone.upkeep ?? input.upkeep]];
  const steps: FeedStep[] = [];
  const leftOut: Reason[] = [];
  if (!calendar || yearly === undefined) return { steps, leftOut };
  const year = yearOf(input.today);
  const hardensOff = grasses.every((slug) => grass(slug).season === 'warm');
  for (const slot of calendar.slots) {
    const bySoil = soilWindow(season, slot, year);
    if (!bySoil || bySoil.closes < input.today) continue;
    const daysBeforeFrost = Math.max(
      slot.daysBeforeFrost ?? -Infinity,
      hardensOff ? feedingRules.warmDaysBeforeFrost : -Infinity,
    );
    const lastDay =
      daysBeforeFrost === -Infinity
        ? bySoil.closes
        : addDays(firstFrost(input.region, year), -daysBeforeFrost);
    const closes = earlier(bySoil.closes, lastDay);
    if (closes < bySoil.opens || closes < input.today) continue;
    const { ordinance } = input.policy;
    const fedOn = fed
      .filter(({ nLbPer1000 }) => nLbPer1000 >= feedingRules.traceLb)
      .map(({ date }) => date)
      .sort();
    const last = fedOn.filter((day) => day <= closes).pop();
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
    const done = fed.some(
      ({ asFertilizer, date }) =>
        asFertilizer && date >= addDays(window.opens, -FEED_DAYS) && date <= window.closes,
    );
    if (done) {
      leftOut.push({ rule: 'feed-done', inputs: { slot: slot.slug } });
      continue;
    }
    // What another product is planned to bring soon after counts like what it has brought.
    const next = fedOn.find(
      (day) => day > window.best && daysBetween(window.best, day) < feedingRules.gapDays,
    );
    if (next) {
      leftOut.push({
        rule: 'feed-too-near',
        inputs: {
          slot: slot.slug,
          days: feedingRules.gapDays,
          from: addDays(next, feedingRules.gapDays),
        },
      });
      continue;
    }
    const { soilF } = expectedDay(season, window.best);
    if (soilF !== null && soilF <= dayRules.frozenF) {
      leftOut.push({ rule: 'feed-frozen', inputs: { slot: slot.slug, soilF: Math.round(soilF) } });
      continue;
    }
    if (isAsleep(zoneCase, window.best)) {
      leftOut.push({ rule: 'feed-asleep', inputs: { slot: slot.slug } });
      continue;
    }
    const airHighF = highestAir(season, window.best, addDays(window.best, FEED_DAYS));
    const wanted = yearly * slot.share;
    const placeLbPer1000 = placeRoom(zoneCase, window.best);
    const feeding = feedingRate(
      {
        grasses,
        wantedLbPer1000: wanted,
        airHighF,
        month: monthOf(window.best),
        irrigated: zone.site.irrigated === true,
        slowShare: slot.slowShare,
        givenLbPer1000: nitrogenInYear(fed, window.best),
        placeLbPer1000,
      },
      { fertilizers: fertilizersOn(zoneCase, window.best) },
    );
    if (!feeding) {
      leftOut.push({
        rule: placeLbPer1000 < WORTH_FEEDING ? 'feed-place' : 'feed-nothing-safe',
        inputs: { slot: slot.slug, airHighF: Math.round(airHighF) },
      });
      continue;
    }
    fed.push({
      date: window.best,
      nLbPer1000: feeding.nLbPer1000,
      asFertilizer: false,
      materials: [
        {
          kind: 'fertilizer',
          slug: feeding.fertilizer.slug,
          ratePerAcre: (feeding.productLbPer1000 * SQUARE_FEET_PER_ACRE) / 1000,
        },
      ],
    });
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
      grade: feeding.fertilizer.grade,
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
