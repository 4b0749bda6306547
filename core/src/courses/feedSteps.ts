import { fedOn, nitrogenInYear, type Fed } from '../choice/fed';
import { fertilizersOn, isAsleep, placeRoom, UPKEEP_INDEX } from '../choice/nitrogen';
import { outsideBlackout } from '../choice/ordinance';
import { expectedDay, highestAir } from '../choice/sprayDay';
import { earlier, later, soilWindow, spanAround, type StepWindow } from '../choice/window';
import { firstFrost, type ZoneCase } from '../choice/zoneCase';
import { feedingRate, WORTH_FEEDING, type Feeding } from '../fertility';
import { dayRules, feedingCalendars, feedingRules, grass, type FeedingSlot } from '../knowledge';
import { needId, workId, type Need } from '../needs/need';
import { notHere } from '../needs/notHere';
import type { Reason } from '../needs/reason';
import {
  addDays,
  daysBetween,
  localDate,
  monthOf,
  SQUARE_FEET_PER_ACRE,
  yearOf,
  type LocalDate,
} from '../units';
import { stateOf, type FeedStep, type NitrogenYear, type SeedStep } from './step';

/** Days after a feeding over which the weather decides whether it burns. */
const FEED_DAYS = 7;
/** Share of what was wanted that is good enough to look for no better day. */
const GOOD_ENOUGH = 0.95;

export interface Feedings {
  needs: Need[];
  steps: FeedStep[];
  leftOut: Reason[];
  years: NitrogenYear[];
}

/** When a feeding of the year may be given at all; `null` where its year has no such days. */
function slotWindow(
  { input, season, grasses }: ZoneCase,
  slot: FeedingSlot,
  year: number,
): StepWindow | null {
  const hardensOff = grasses.every((slug) => grass(slug).season === 'warm');
  const daysBeforeFrost = Math.max(
    slot.daysBeforeFrost ?? -Infinity,
    hardensOff ? feedingRules.warmDaysBeforeFrost : -Infinity,
  );
  const bySlot: StepWindow | null =
    'from' in slot.opens
      ? {
          opens: localDate(`${year}-${slot.opens.from}`),
          best: localDate(`${year}-${slot.opens.from}`),
          closes: localDate(`${year}-${slot.opens.to}`),
          basis: { kind: 'calendar' },
        }
      : soilWindow(season, slot.opens, year);
  if (!bySlot) return null;
  const closes =
    daysBeforeFrost === -Infinity
      ? bySlot.closes
      : earlier(bySlot.closes, addDays(firstFrost(input.region, year), -daysBeforeFrost));
  return closes < bySlot.opens ? null : { ...bySlot, best: earlier(bySlot.best, closes), closes };
}

/** Days of a window from today on, the nearest to its best one first. */
function daysOf({ opens, best, closes }: StepWindow, today: LocalDate): LocalDate[] {
  const from = later(opens, today);
  const length = daysBetween(from, closes) + 1;
  return Array.from({ length: Math.max(0, length) }, (_, day) => addDays(from, day)).sort(
    (a, b) => Math.abs(daysBetween(best, a)) - Math.abs(daysBetween(best, b)),
  );
}

/** Whether a feeding on record was this one of the year: by its name, or by its day where it has none. */
const fills = ({ planned, asFertilizer, work, date }: Fed, need: string, window: StepWindow) =>
  planned !== true &&
  asFertilizer &&
  (work?.startsWith('feed:')
    ? work.startsWith(`${need}/`)
    : date >= addDays(window.opens, -FEED_DAYS) && date <= window.closes);

/** Whether what is planned brings a feeding: the one that it was set for, else the next one of its year. */
const comes = ({ work, date }: Fed, need: string, year: number, { closes }: StepWindow) =>
  work?.startsWith('feed:') ? work.startsWith(`${need}/`) : yearOf(date) === year && date <= closes;

type Tried = { date: LocalDate; feeding: Feeding } | { rule: string };

/** What a zone may be given on a day towards what is wanted, or the rule that says nothing. */
function feedingOn(
  zoneCase: ZoneCase,
  slot: FeedingSlot,
  date: LocalDate,
  wantedLbPer1000: number,
): Tried {
  const { zone, season, grasses, fed, givenUp } = zoneCase;
  if (givenUp && date >= givenUp.from && date <= givenUp.to) return { rule: 'feed-given-up' };
  const near = fedOn(fed).some((day) => Math.abs(daysBetween(day, date)) < feedingRules.gapDays);
  if (near) return { rule: 'feed-too-near' };
  const { soilF } = expectedDay(season, date);
  if (soilF !== null && soilF <= dayRules.frozenF) return { rule: 'feed-frozen' };
  if (isAsleep(zoneCase, date)) return { rule: 'feed-asleep' };
  const placeLbPer1000 = placeRoom(zoneCase, date);
  const feeding = feedingRate(
    {
      grasses,
      wantedLbPer1000,
      airHighF: highestAir(season, date, addDays(date, FEED_DAYS)),
      month: monthOf(date),
      irrigated: zone.site.irrigated === true,
      slowShare: slot.slowShare,
      givenLbPer1000: nitrogenInYear(fed, date),
      placeLbPer1000,
    },
    { fertilizers: fertilizersOn(zoneCase, date) },
  );
  if (feeding) return { date, feeding };
  return { rule: placeLbPer1000 < WORTH_FEEDING ? 'feed-place' : 'feed-nothing-safe' };
}

/** The day of a window on which the most of what is wanted is safe, the nearest to its best day among equals. */
function bestFeeding(
  zoneCase: ZoneCase,
  slot: FeedingSlot,
  days: readonly LocalDate[],
  wanted: number,
): Tried {
  let best: Tried | null = null;
  let refused: Tried | null = null;
  for (const date of days) {
    const tried = feedingOn(zoneCase, slot, date, wanted);
    if ('rule' in tried) {
      refused ??= tried;
      continue;
    }
    if (tried.feeding.nLbPer1000 >= wanted * GOOD_ENOUGH - 0.05) return tried;
    if (
      best === null ||
      'rule' in best ||
      tried.feeding.nLbPer1000 > best.feeding.nLbPer1000 + 1e-9
    ) {
      best = tried;
    }
  }
  return best ?? refused ?? { rule: 'feed-too-near' };
}

function stepOf(
  zoneCase: ZoneCase,
  slot: FeedingSlot,
  window: StepWindow,
  feeding: Feeding,
  asked: { need: string; round: number; yearly: number; wanted: number; seed: SeedStep | null },
): FeedStep {
  const { input, zone, season, areaFt2 } = zoneCase;
  const { need, round, yearly, wanted, seed } = asked;
  const airHighF = highestAir(season, window.best, addDays(window.best, FEED_DAYS));
  const nearSeed = seed !== null && Math.abs(daysBetween(window.best, seed.window.best)) <= 14;
  const id = workId(need, 'feed', round);
  const passes = (date: LocalDate) => {
    const other = feedingOn(zoneCase, slot, date, wanted);
    return (
      !('rule' in other) &&
      other.feeding.fertilizer.slug === feeding.fertilizer.slug &&
      other.feeding.nLbPer1000 >= feeding.nLbPer1000
    );
  };
  return {
    id,
    serves: [id],
    kind: 'feed',
    zoneId: zone.id,
    slot: slot.slug,
    window,
    span: spanAround(window, input.today, passes),
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
  };
}

/**
 * The feedings of this year and the next that the season reaches: each on the day of its window on which the most of
 * it is safe; what one could not bring, a later one of the year makes up within its own limits; what is on record
 * fills the feeding of its days by its amount.
 */
export function feedSteps(zoneCase: ZoneCase, seed: SeedStep | null): Feedings {
  const { input, zone, season, main, fed } = zoneCase;
  const { today } = input;
  const result: Feedings = { needs: [], steps: [], leftOut: [], years: [] };
  const calendar = feedingCalendars.find((entry) => entry.grasses.includes(main));
  const yearly = grass(main).nitrogen?.yearLbPer1000[UPKEEP_INDEX[zone.upkeep ?? input.upkeep]];
  if (!calendar || yearly === undefined) return result;
  // What other work will bring, a starter or a combination, counts in the feeding that comes next.
  const brought = fed.filter(
    ({ planned, nLbPer1000 }) => planned && nLbPer1000 >= feedingRules.traceLb,
  );
  // A year ahead, and no farther than the soil is projected.
  const ahead = earlier(addDays(today, 365), addDays(season.start, season.meanF.length - 1));
  for (const year of [yearOf(today), yearOf(today) + 1]) {
    const recorded = nitrogenInYear(
      fed.filter(({ planned }) => !planned),
      localDate(`${year}-06-30`),
    );
    // Where the days of two feedings overlap, what was given filled the first of them.
    const counted = new Set<Fed>();
    let carried = 0;
    let planned = nitrogenInYear(brought, localDate(`${year}-06-30`));
    let short: Reason | undefined;
    const refuse = (slot: FeedingSlot, rule: string, inputs: Reason['inputs'] = {}): Reason => {
      const reason = { rule, inputs: { slot: slot.slug, ...inputs } };
      result.leftOut.push(reason);
      short ??= reason;
      return reason;
    };
    for (const slot of calendar.slots) {
      const window = slotWindow(zoneCase, slot, year);
      if (!window || window.opens > ahead) continue;
      const place = { zoneId: zone.id };
      const identity = { kind: 'feed' as const, subject: slot.slug, place, cycle: String(year) };
      const id = needId(identity);
      const add = (state: Need['state'], reason?: Reason) =>
        result.needs.push({
          ...identity,
          id,
          state,
          course: `feed-${slot.slug}`,
          ways: [`feed-${slot.slug}`],
          ...(reason ? { reason } : {}),
        });
      const said = notHere(input, id);
      if (said) {
        add('givenUp', said);
        short ??= said;
        continue;
      }
      const share = yearly * slot.share;
      const own = fed.filter((entry) => !counted.has(entry) && fills(entry, id, window));
      const coming = brought.filter(
        (entry) => !counted.has(entry) && comes(entry, id, year, window),
      );
      [...own, ...coming].forEach((entry) => counted.add(entry));
      const given = [...own, ...coming].reduce((sum, { nLbPer1000 }) => sum + nLbPer1000, 0);
      const wanted = Math.min(slot.mostLb ?? Infinity, Math.max(0, share + carried - given));
      if (window.closes < today) {
        // What has passed is not made up for, but what came too much of it is.
        carried = Math.min(0, carried + share - given);
        if (given < share * feedingRules.filledFrom) {
          short ??= { rule: 'feed-past', inputs: { slot: slot.slug, closed: window.closes } };
        }
        continue;
      }
      if (given >= share * feedingRules.filledFrom || wanted < WORTH_FEEDING) {
        carried += share - given;
        const reason = {
          rule: coming.length > 0 ? 'feed-brought' : given > 0 ? 'feed-done' : 'feed-enough',
          inputs: { slot: slot.slug, lb: Number(given.toFixed(2)) },
        };
        result.leftOut.push(reason);
        add(coming.length > 0 ? 'planned' : 'met', reason);
        continue;
      }
      const open = outsideBlackout(window, input.policy.ordinance.blackout, today);
      if (!open) {
        const [from, to] = input.policy.ordinance.blackout ?? ['', ''];
        add('givenUp', refuse(slot, 'feed-blackout', { from, to }));
        carried += share - given;
        continue;
      }
      const tried = bestFeeding(zoneCase, slot, daysOf(open, today), wanted);
      if ('rule' in tried) {
        const last = fedOn(fed)
          .filter((day) => day <= open.closes)
          .pop();
        add(
          'givenUp',
          refuse(slot, tried.rule, {
            days: feedingRules.gapDays,
            from: last ? addDays(last, feedingRules.gapDays) : open.closes,
            airHighF: Math.round(highestAir(season, open.best, addDays(open.best, FEED_DAYS))),
            soilF: Math.round(expectedDay(season, open.best).soilF ?? 0),
          }),
        );
        carried += share - given;
        continue;
      }
      const { date, feeding } = tried;
      const step = stepOf(
        zoneCase,
        slot,
        { ...open, opens: earlier(later(open.opens, freeFrom(zoneCase, date)), date), best: date },
        feeding,
        { need: id, round: given > 0 ? 2 : 1, yearly, wanted, seed },
      );
      result.steps.push(step);
      add('planned');
      fed.push({
        date,
        nLbPer1000: feeding.nLbPer1000,
        asFertilizer: true,
        planned: true,
        materials: [
          {
            kind: 'fertilizer',
            slug: feeding.fertilizer.slug,
            ratePerAcre: (feeding.productLbPer1000 * SQUARE_FEET_PER_ACRE) / 1000,
          },
        ],
      });
      planned += feeding.nLbPer1000;
      carried += share - given - feeding.nLbPer1000;
      if (feeding.nLbPer1000 < wanted - 0.05) {
        short ??= { rule: `feed-limited-${feeding.limitedBy}`, inputs: { slot: slot.slug } };
      }
    }
    if (year > yearOf(today)) continue;
    const enough = recorded + planned >= yearly * feedingRules.yearFrom - 1e-9;
    result.years.push({
      zoneId: zone.id,
      year,
      targetLbPer1000: yearly,
      recordedLbPer1000: recorded,
      plannedLbPer1000: planned,
      ...(enough ? {} : { reason: short ?? { rule: 'feed-year-short', inputs: {} } }),
    });
  }
  return result;
}

/** First day before one on which no earlier feeding is too near. */
function freeFrom({ fed }: ZoneCase, date: LocalDate): LocalDate {
  const last = fedOn(fed)
    .filter((day) => day < date)
    .pop();
  return last ? addDays(last, feedingRules.gapDays) : localDate('1900-01-01');
}
