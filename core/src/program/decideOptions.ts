import { cause as causeOf, grass, type GrassSlug } from '../knowledge';
import { decisionRules as rules, recoveryOf } from '../knowledge/decisionRules';
import { addDays, type LocalDate } from '../units';
import type { Upkeep } from '../lawn';

/** What can be done about a cause. */
export const OPTIONS = ['leave', 'fix', 'treat', 'prevent', 'repair', 'renovate', 'lab'] as const;
export type OptionKind = (typeof OPTIONS)[number];
export type CostClass = 'none' | 'low' | 'middle' | 'high';

export interface DecideInput {
  cause: string;
  /** Posterior of the cause, 0-1. */
  p: number;
  /** The technician named it, though the signs that were answered do not lead there. */
  named: boolean;
  /** Grass that the weeks to fill in hang on; the region's own where none is named. */
  main: GrassSlug;
  /** Somebody has named the grass: no product is on offer before. */
  grassNamed: boolean;
  upkeep: Upkeep;
  irrigated: boolean | null;
  today: LocalDate;
  /** Weeks until the grass stops growing this year. */
  weeksLeft: number;
  /** Damaged share of the zone, 0-1; `null` when nobody has measured it. */
  damagedShare: number | null;
  /** Wanted grass that lives in the zone, share of the ground 0-1. */
  livingCover: number;
  /** Signs that were answered yes or no. */
  known: Readonly<Record<string, boolean>>;
}

export interface DecideOption {
  kind: OptionKind;
  allowed: boolean;
  /** Why it is allowed, or what it fails on: slugs of the catalog. */
  reasons: string[];
  cost: CostClass;
  /** Weeks until the turf is whole again, shortest and longest; `null` when that depends on the work. */
  weeks: [number, number] | null;
  followUps: LocalDate[];
}

export interface DecideAdvice {
  options: DecideOption[];
  /** The one that the order of thought puts first. */
  recommended: OptionKind;
  /** What happens when nothing is done. */
  ifNothing: 'fills-in' | 'thins' | 'comes-back' | 'dies-and-spreads' | 'stays-bare';
  /** Weeks that this grass needs to fill in here, or `null` when it does not. */
  fillWeeks: [number, number] | null;
  recoversInTime: boolean;
}

/** Weeks that a stand needs to fill in: the cause's range by grass and water. */
function fillWeeksOf(input: DecideInput): [number, number] | null {
  const weeks = recoveryOf(input.cause)?.weeks;
  if (!weeks) return null;
  const factor =
    (rules.fillFactor[input.main] ?? 1) * (input.irrigated === false ? rules.unwateredFactor : 1);
  return [weeks[0] * factor, weeks[1] * factor];
}

/**
 * The options for a cause, each allowed or not and why. Growing comes first and killing last: a product
 * needs its threshold, and no option is hidden.
 * @throws RangeError when the cause is unknown
 */
export function decideOptions(input: DecideInput): DecideAdvice {
  const entry = causeOf(input.cause);
  const recovery = recoveryOf(input.cause);
  if (!entry || !recovery) throw new RangeError(`unknown cause "${input.cause}"`);
  const { severity, action } = entry;
  const fillWeeks = fillWeeksOf(input);
  const dead = input.known['h-crown-dead'] === true;
  const spreading = input.known['c-expanding'] === true;
  const recoversInTime =
    severity !== 'lethal' &&
    !dead &&
    fillWeeks !== null &&
    input.weeksLeft >= fillWeeks[1] + rules.spareWeeks;
  const limits = rules.tolerated[input.upkeep];
  const limit = severity === 'cosmetic' ? limits.cosmetic : limits.lethal;
  const small = input.damagedShare !== null && input.damagedShare <= limit;
  const history = input.known['c-same-place'] === true;
  const cosmeticDisease =
    (rules.cosmeticDiseases as readonly string[]).includes(input.cause) &&
    input.upkeep !== 'showpiece';
  const outgrows =
    (rules.outgrown as readonly string[]).includes(input.cause) &&
    (rules.fillsFast as readonly string[]).includes(input.main) &&
    recoversInTime;

  const days = (list: readonly number[]) => list.map((day) => addDays(input.today, day));
  const option = (
    kind: OptionKind,
    allowed: boolean,
    reasons: readonly (string | false | null)[],
    cost: CostClass,
    weeks: [number, number] | null,
    followUps: readonly number[],
  ): DecideOption => ({
    kind,
    allowed,
    reasons: reasons.filter((reason): reason is string => typeof reason === 'string'),
    cost,
    weeks,
    followUps: days(followUps),
  });

  const leave = option(
    'leave',
    !(severity === 'lethal' && spreading) && (recoversInTime || small || cosmeticDisease),
    [
      recoversInTime && 'recovers-in-time',
      small && 'small',
      cosmeticDisease && 'cosmetic',
      outgrows && 'host-outgrows',
      severity === 'lethal' && spreading && 'spreads-and-kills',
      !recoversInTime && !small && !cosmeticDisease && 'too-much-to-leave',
    ],
    'none',
    fillWeeks,
    [5, 14],
  );

  const product = action === 'insecticide' || action === 'fungicide';
  const needsLaboratory = (rules.needsLaboratory as readonly string[]).includes(action);
  const fix = option(
    'fix',
    !product && action !== 'weed' && action !== 'seed' && action !== 'tolerate' && !needsLaboratory,
    [
      product && 'no-cause-to-fix',
      action === 'weed' && 'weeds-decide',
      action === 'seed' && 'only-seed',
      action === 'tolerate' && 'nothing-to-fix',
      needsLaboratory && 'figures-first',
      !product && !needsLaboratory && 'growing-first',
    ],
    action === 'drain' || action === 'soil' || action === 'aerate' ? 'middle' : 'low',
    fillWeeks,
    recovery.followUpDays,
  );

  const countSign = rules.countSigns[input.cause];
  const counted = countSign ? input.known[countSign] === true : false;
  const underLens = rules.fungusSigns.some((sign) => input.known[sign] === true);
  const sure = input.named || input.p >= rules.productFrom;
  const disease = entry.group === 'disease' && (action === 'fungicide' || action === 'cultural');
  const insect = entry.group === 'insect' && (product || action === 'tolerate');
  const treat = option(
    'treat',
    input.grassNamed &&
      ((insect && counted && sure && !outgrows) ||
        (disease && underLens && sure && !cosmeticDisease && severity === 'lethal') ||
        action === 'weed'),
    !input.grassNamed
      ? ['name-grass-first']
      : action === 'weed'
        ? ['weeds-decide']
        : !insect && !disease
          ? ['no-product-helps']
          : [
              !sure && 'not-sure-enough',
              insect && !counted && (countSign ? 'count-first' : 'see-the-insect'),
              insect && counted && 'over-threshold',
              outgrows && 'host-outgrows',
              disease && !underLens && 'lens-first',
              disease && underLens && 'seen-under-lens',
              disease && severity !== 'lethal' && 'no-repair-of-leaf',
              cosmeticDisease && 'cosmetic',
            ],
    'middle',
    fillWeeks,
    action === 'insecticide' ? [7, 14, 28] : [10, 21],
  );

  const slowHost = /^zoysia/.test(input.main) && input.cause === 'white-grub';
  const preventable = (rules.preventable as readonly string[]).includes(input.cause);
  const prevent = option(
    'prevent',
    input.grassNamed && preventable && (history || slowHost || input.upkeep === 'showpiece'),
    [
      !preventable && 'not-preventable',
      preventable && !input.grassNamed && 'name-grass-first',
      preventable && history && 'here-before',
      preventable && slowHost && 'slow-host',
      preventable && input.upkeep === 'showpiece' && 'showpiece',
      preventable && !history && !slowHost && input.upkeep !== 'showpiece' && 'no-history',
    ],
    'middle',
    null,
    [],
  );

  const holes = dead || severity === 'lethal' || recovery.recovers === 'no';
  const half = input.livingCover >= rules.renovateBelow;
  const repair = option(
    'repair',
    holes && half,
    [
      !holes && 'crowns-live',
      holes && half && 'holes-stay',
      !half && 'under-half',
      holes && 'cause-first',
    ],
    'middle',
    null,
    [10, 21, 42],
  );
  const renovate = option(
    'renovate',
    !half,
    [half ? 'over-half' : 'under-half', 'count-cover', 'cause-first'],
    'high',
    null,
    [21, 42],
  );
  const unsure = severity === 'lethal' && !input.named && input.p < rules.laboratoryBelow;
  const lab = option(
    'lab',
    needsLaboratory || unsure || input.known['h-roots-black'] === true,
    [
      needsLaboratory && 'figures-first',
      unsure && 'deadly-and-unsure',
      input.known['h-roots-black'] === true && 'roots-rot',
      !needsLaboratory && !unsure && input.known['h-roots-black'] !== true && 'known-enough',
    ],
    'low',
    null,
    [14],
  );

  const options = [leave, fix, treat, prevent, repair, renovate, lab];
  const first = (order: readonly DecideOption[]): OptionKind =>
    (order.find(({ allowed }) => allowed) ?? leave).kind;
  // A product that only lacks its count or its lens sign: nothing is rebuilt while the cause is at work.
  const unproven = (insect || (disease && severity === 'lethal')) && !treat.allowed && !outgrows;
  const recommended = unproven
    ? first([lab, fix, leave, prevent, repair, renovate])
    : severity === 'lethal' || spreading
      ? first([lab, treat, fix, renovate, repair, prevent, leave])
      : first([needsLaboratory ? lab : fix, leave, treat, renovate, repair, prevent, lab]);
  const ifNothing = recoversInTime
    ? ('fills-in' as const)
    : severity === 'lethal'
      ? spreading
        ? ('dies-and-spreads' as const)
        : ('stays-bare' as const)
      : recovery.recovers === 'yes'
        ? ('comes-back' as const)
        : ('thins' as const);
  return { options, recommended, ifNothing, fillWeeks, recoversInTime };
}

/**
 * Weeks from a day until the soil is too cold for the grass to grow.
 * @param soilF daily mean at 2 in, °F, from that day on
 */
export function growingWeeksLeft(main: GrassSlug, soilF: readonly (number | null)[]): number {
  const stops = rules.growthStopsF[grass(main).season];
  // The last warm day counts: a cold week of spring does not end the year.
  const last = soilF.reduce<number>(
    (latest, value, index) => (value !== null && value >= stops ? index : latest),
    -1,
  );
  return (last + 1) / 7;
}
