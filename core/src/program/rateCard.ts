import { coverDecision } from '../establish';
import { daysToStand } from '../establish/emergence';
import { gradeFeeding, WORTH_FEEDING, type FeedingInput } from '../fertility';
import {
  applicationRules,
  dayRules,
  feedingRules,
  grass,
  seedingWindows,
  type GrassSlug,
} from '../knowledge';
import { winterOverseed } from '../knowledge/winterOverseed';
import { desiredCover } from '../lawn';
import type { ShelfFertilizer, ShelfHerbicide, ShelfSeed, ShelfTreatment } from '../products';
import { holdDays } from '../rates/holding';
import {
  addDays,
  daysBetween,
  localDate,
  monthOf,
  SQUARE_FEET_PER_ACRE,
  yearOf,
  type LocalDate,
} from '../units';
import { seasonDay } from '../weather';
import { chooseRate, screenLabel, type MixQuestion } from '../choice/chooseMix';
import { fedWithinGap, nitrogenInYear } from '../choice/fed';
import {
  fertilizerRefusals,
  growthAt,
  isAsleep,
  placeRoom,
  UPKEEP_INDEX,
  withinYear,
} from '../choice/nitrogen';
import { blackoutShuts } from '../choice/ordinance';
import type { Reason } from '../needs/reason';
import { treatmentRefusals } from '../choice/screenTreatments';
import { herbicideHold, seedStep } from '../courses/seedStep';
import { expectedDay, highestAir, toleranceConditions, type ExpectedDay } from '../choice/sprayDay';
import { question } from '../courses/sprayQuestion';
import { hasLadder, tolerance } from '../choice/tolerance';
import { firstFrost, type ZoneCase } from '../choice/zoneCase';

/** What a product's rate on this turf is today: in full, light, not now, or not here at all. */
export type RateVerdict = 'rate' | 'light' | 'hold' | 'never';

/** A figure of the table and what the soil of these days makes of it. */
export interface MovedFigure {
  kind: 'hold-days' | 'up-days' | 'nitrogen';
  table: readonly [number, number];
  /** `null`: not within the days that are foreseen. */
  here: readonly [number | null, number | null];
}

export interface RateCardRow {
  kind: 'herbicide' | 'treatment' | 'fertilizer' | 'seed';
  slug: string;
  verdict: RateVerdict;
  /** Product per acre in `unit` at the verdict; `null` without one. */
  ratePerAcre: number | null;
  /** Full and light rate of the label on this turf, whatever the day says; `null`: the label must be read. */
  fullPerAcre: number | null;
  lightPerAcre: number | null;
  unit: string;
  /** What decides; every other rule that speaks is in `reasons`. */
  rule: string;
  reasons: Reason[];
  /** First day on which what holds it is over, where that is known. */
  until: LocalDate | null;
  moved: MovedFigure[];
  inStore: boolean;
}

/** A zone's card for one day: every product of the shelf against its grass, its stage and its soil. */
export interface RateCard {
  zoneId: string;
  date: LocalDate;
  grasses: GrassSlug[];
  /** How the turf stands: the conditions that move a rate. */
  stage: 'dormant' | 'greening' | 'green';
  soilF: number | null;
  soilRising: boolean;
  airHighF: number;
  drought: boolean;
  growth: number;
  rows: RateCardRow[];
}

/** Rules that no season ends. */
const FOR_GOOD = new Set([
  'R01-recipe-over-cap',
  'R01-off-label',
  'R02-site',
  'R09-root-zone',
  'R13-restricted-use',
  'card-other-grass',
  'card-no-nitrogen',
]);
/** Days over which the weather of a feeding counts. */
const FEED_DAYS = 7;
/** Days that are looked ahead for seed to come up. */
const UP_DAYS = 150;
const MONTH_DAYS = 30;
/** Days after sowing over which a starter still feeds seedlings (common practice). */
const STARTER_DAYS = 42;
/** From this month on a seeding is one of the fall. */
const HIGH_SUMMER = 7;
const YEAR_DAYS = 365;

/** Everything that all rows of a card share. */
interface Setting {
  zoneCase: ZoneCase;
  date: LocalDate;
  day: ExpectedDay;
  pre: MixQuestion;
  post: MixQuestion;
  frozen: boolean;
  /** Soil of each day from the date on. */
  ahead: (number | null)[];
  growth: number;
  /** Share of a year's growth that the month from the date on has. */
  monthShare: number;
}

const first = (reasons: readonly Reason[]): Reason | undefined =>
  reasons.find(({ rule }) => FOR_GOOD.has(rule)) ?? reasons[0];

/** What reasons make of a row that would otherwise go at a rate. */
function held(reasons: readonly Reason[]): Pick<RateCardRow, 'verdict' | 'rule'> | null {
  const reason = first(reasons);
  if (!reason) return null;
  return { verdict: FOR_GOOD.has(reason.rule) ? 'never' : 'hold', rule: reason.rule };
}

const FROZEN = (soilF: number): Reason => ({ rule: 'card-frozen', inputs: { soilF } });

/** Whether a product is for this turf at some time of the year, whatever the day is like. */
function takenSomeTime(product: ShelfHerbicide, { post, zoneCase }: Setting): boolean {
  const lasting = [...post.conditions].filter(
    (condition) => condition === 'alone-stand' || condition.startsWith('carpetgrass'),
  );
  return (['green', 'fully-dormant'] as const).some((stage) =>
    zoneCase.grasses.every((species) => {
      const rating = tolerance(product, species, new Set([...lasting, stage]));
      return rating === 'safe' || rating === 'caution';
    }),
  );
}

/** Days that a product holds by the table, and in the soil that is expected. */
const heldFigure = (
  low: number,
  high: number,
  ahead: readonly (number | null)[],
  dry: boolean,
): MovedFigure => ({
  kind: 'hold-days',
  table: [low, high],
  here: [holdDays(low, ahead, { dry }), holdDays(high, ahead, { dry })],
});

function herbicideRow(product: ShelfHerbicide, setting: Setting): RateCardRow {
  const { zoneCase, day, frozen, ahead } = setting;
  const asked = [
    ...(product.preEmergent ? [setting.pre] : []),
    ...(product.postEmergent ? [setting.post] : []),
  ].map((question) => {
    const label = screenLabel(product, question);
    const reasons = [...label.reasons, ...label.refusals];
    if (frozen) reasons.push(FROZEN(day.soilF!));
    return { question, label, reasons };
  });
  // What may be used in one way is to be had, whatever speaks against the other.
  const open = asked.find(({ reasons }) => reasons.length === 0) ?? asked[0]!;
  const { label, reasons, question: at } = open;
  const unsown = { ...at, weeksToSeeding: null };
  const fullPerAcre = chooseRate(product, unsown, false).ratePerAcre;
  const lightPerAcre = hasLadder(product)
    ? Math.min(fullPerAcre, product.rate[0] ?? fullPerAcre)
    : chooseRate(product, unsown, true).ratePerAcre;
  const turf = reasons.find(({ rule }) => rule === 'R01-turf');
  const never = turf && !takenSomeTime(product, setting);
  const light = label.ratePerAcre < fullPerAcre - 1e-9;
  const [low, high] = product.residualWeeks.map((weeks) => weeks * 7) as [number, number];
  return {
    kind: 'herbicide',
    slug: product.slug,
    unit: product.unit,
    fullPerAcre,
    lightPerAcre,
    ...(never
      ? { verdict: 'never' as const, rule: turf.rule }
      : (held(reasons) ?? {
          verdict: light ? ('light' as const) : ('rate' as const),
          rule:
            label.turf.rating === 'caution'
              ? 'card-tender'
              : !light
                ? 'card-full'
                : hasLadder(product) && at.weeksToSeeding !== null
                  ? 'card-before-seed'
                  : at.airHighF > applicationRules.lightRateAboveF && at.mode === 'post'
                    ? 'card-hot'
                    : 'card-year-left',
        })),
    ratePerAcre: reasons.length > 0 ? null : label.ratePerAcre,
    reasons: [
      ...reasons,
      ...(label.turf.rating === 'caution'
        ? [{ rule: 'card-tender', inputs: { species: label.turf.species } }]
        : []),
      ...(hasLadder(product) && at.weeksToSeeding !== null
        ? [{ rule: 'card-before-seed', inputs: { weeks: Math.floor(at.weeksToSeeding) } }]
        : []),
    ],
    until: null,
    moved: product.preEmergent ? [heldFigure(low, high, ahead, at.drought)] : [],
    inStore: zoneCase.shelf.inStore.has(product.slug),
  };
}

function treatmentRow(product: ShelfTreatment, setting: Setting): RateCardRow {
  const { zoneCase, date, day, frozen, ahead, post } = setting;
  const rates = product.ratePerAcre;
  const reasons = rates
    ? treatmentRefusals(zoneCase, product, rates[1], date, day.airHighF)
    : [{ rule: 'R17-read-label', inputs: {} }];
  if (frozen) reasons.push(FROZEN(day.soilF!));
  const inSoil = (product.waterInIn ?? 0) > 0 ? product.residualDays : null;
  return {
    kind: 'treatment',
    slug: product.slug,
    unit: product.unit ?? '',
    fullPerAcre: rates?.[1] ?? null,
    lightPerAcre: rates?.[0] ?? null,
    ...(held(reasons) ?? { verdict: 'rate' as const, rule: 'card-full' }),
    ratePerAcre: reasons.length > 0 ? null : (rates?.[1] ?? null),
    reasons,
    until: null,
    moved: inSoil ? [heldFigure(inSoil, inSoil, ahead, post.drought)] : [],
    inStore: zoneCase.shelf.inStore.has(product.slug),
  };
}

/** Seed that comes up uses phosphorus: sown on record in the weeks before a day. */
const sownLately = ({ records }: ZoneCase, date: LocalDate): boolean =>
  records.some(({ date: day, materials }) => {
    const days = daysBetween(localDate(day), date);
    return days >= 0 && days <= STARTER_DAYS && materials.some(({ kind }) => kind === 'seed');
  });

/** What stands in the way of any nitrogen on a day. */
function feedingReasons({ zoneCase, date, day, frozen, growth }: Setting): {
  reasons: Reason[];
  until: LocalDate | null;
} {
  const { fed, input, grasses } = zoneCase;
  const reasons: Reason[] = [];
  let until: LocalDate | null = null;
  const soilF = day.soilF ?? undefined;
  if (frozen) reasons.push(FROZEN(day.soilF!));
  const { blackout } = input.policy.ordinance;
  if (blackout && blackoutShuts(blackout, date)) {
    reasons.push({ rule: 'card-blackout', inputs: { from: blackout[0], to: blackout[1] } });
  }
  const last = fedWithinGap(fed, date);
  if (last) {
    until = addDays(last, feedingRules.gapDays);
    reasons.push({ rule: 'card-fed', inputs: { days: feedingRules.gapDays, from: until } });
  }
  const warm = grasses.length > 0 && grasses.every((slug) => grass(slug).season === 'warm');
  const toFrost = daysBetween(date, firstFrost(input.region, yearOf(date)));
  if (warm && soilF !== undefined && soilF < feedingRules.dormantF) {
    reasons.push({ rule: 'card-dormant', inputs: { soilF, min: feedingRules.dormantF } });
  } else if (warm && toFrost < feedingRules.warmDaysBeforeFrost) {
    reasons.push({
      rule: 'card-late',
      inputs: { last: addDays(date, toFrost - feedingRules.warmDaysBeforeFrost) },
    });
  }
  if (isAsleep(zoneCase, date)) {
    reasons.push({ rule: 'card-asleep', inputs: { growth: Math.round(growth * 100) } });
  }
  return { reasons, until };
}

function fertilizerRow(
  product: ShelfFertilizer,
  setting: Setting,
  day: ReturnType<typeof feedingReasons>,
): RateCardRow {
  const { zoneCase, date, growth, monthShare } = setting;
  const { grasses, input, zone, season, main, fed } = zoneCase;
  const entry = grass(main).nitrogen;
  const yearly = entry?.yearLbPer1000[UPKEEP_INDEX[zone.upkeep ?? input.upkeep]] ?? 0;
  const asked: FeedingInput = {
    grasses,
    wantedLbPer1000: Math.max(0, yearly - nitrogenInYear(fed, date)),
    airHighF: highestAir(season, date, addDays(date, FEED_DAYS)),
    month: monthOf(date),
    irrigated: zone.site.irrigated === true,
    slowShare: product.slowShare,
    givenLbPer1000: nitrogenInYear(fed, date),
    placeLbPer1000: placeRoom(zoneCase, date),
  };
  const feeding = gradeFeeding(withinYear(zoneCase, product, date), asked);
  const full = gradeFeeding(product, {
    ...asked,
    airHighF: 60,
    givenLbPer1000: 0,
    wantedLbPer1000: Infinity,
  });
  const reasons = fertilizerRefusals(zoneCase, product, date);
  if (!entry) reasons.push({ rule: 'card-no-nitrogen', inputs: { species: main } });
  if (product.grade[1] > 0 && !sownLately(zoneCase, date)) {
    reasons.push({ rule: 'card-phosphorus', inputs: { percent: product.grade[1] } });
  }
  reasons.push(...day.reasons);
  if (feeding.nLbPer1000 < WORTH_FEEDING) {
    reasons.push({
      rule: `feed-limited-${feeding.limitedBy}`,
      inputs: {
        airHighF: Math.round(asked.airHighF),
        wanted: Number(asked.wantedLbPer1000.toFixed(2)),
      },
    });
  }
  const perAcre = (lbPer1000: number) => (lbPer1000 * SQUARE_FEET_PER_ACRE) / 1000;
  const cut = feeding.limitedBy === 'heat' || feeding.limitedBy === 'hot';
  return {
    kind: 'fertilizer',
    slug: product.slug,
    unit: 'lb',
    fullPerAcre: perAcre(full.productLbPer1000),
    lightPerAcre: null,
    ...(held(reasons) ?? {
      verdict: cut ? ('light' as const) : ('rate' as const),
      rule: `feed-limited-${feeding.limitedBy}`,
    }),
    ratePerAcre: reasons.length > 0 ? null : perAcre(feeding.productLbPer1000),
    reasons:
      reasons.length > 0
        ? reasons
        : [
            {
              rule: `feed-limited-${feeding.limitedBy}`,
              inputs: {
                airHighF: Math.round(asked.airHighF),
                wanted: Number(asked.wantedLbPer1000.toFixed(2)),
              },
            },
          ],
    until: day.until,
    moved: entry
      ? [
          {
            kind: 'nitrogen',
            table: [0, full.nLbPer1000],
            here: [
              0,
              growth < feedingRules.growing ? 0 : Math.min(full.nLbPer1000, yearly * monthShare),
            ],
          },
        ]
      : [],
    inStore: zoneCase.shelf.inStore.has(product.slug),
  };
}

/** Whether seed belongs into this stand: one of its own grasses, or ryegrass for the winter of bermuda. */
function seedPlace({ parts }: ShelfSeed, { zoneCase }: Setting): 'stand' | 'winter' | null {
  const { desired } = zoneCase.zone;
  const species = parts.map((part) => part.species);
  const seasonOf = (slug: GrassSlug) => grass(slug).season;
  if (
    species.some((slug) => desired.includes(slug)) &&
    species.every((slug) => desired.some((own) => seasonOf(own) === seasonOf(slug)))
  ) {
    return 'stand';
  }
  return species.every((slug) => winterOverseed.seeds.includes(slug)) &&
    winterOverseed.grasses.includes(zoneCase.main)
    ? 'winter'
    : null;
}

function seedRow(product: ShelfSeed, setting: Setting, hold: LocalDate | null): RateCardRow {
  const { zoneCase, date, day, ahead } = setting;
  const { input, zone, main, shelf } = zoneCase;
  const place = seedPlace(product, setting);
  const use = coverDecision(desiredCover(zone), main) === 'renovate' ? 'new' : 'overseed';
  const lead = product.parts.reduce((a, b) => (b.share > a.share ? b : a)).species;
  const entry = grass(lead).seed!;
  const soilF = day.soilF ?? undefined;
  const reasons: Reason[] = [];
  const say = (rule: string, inputs: Reason['inputs'] = {}) => reasons.push({ rule, inputs });
  let until: LocalDate | null = null;
  if (!place) say('card-other-grass', { species: main });
  if (hold && hold > date) {
    until = hold;
    say('seed-herbicide-hold', { until: hold });
  }
  const range =
    place === 'winter' ? winterOverseed.soilF : ([entry.soilF.min, entry.soilF.max] as const);
  if (soilF !== undefined && soilF < range[0]) say('card-seed-cold', { soilF, min: range[0] });
  if (soilF !== undefined && soilF > range[1]) say('card-seed-hot', { soilF, max: range[1] });
  const window = seedingWindows.find(({ grasses }) => grasses.includes(lead));
  const toFrost = daysBetween(date, firstFrost(input.region, yearOf(date)));
  const wait = place === 'winter' ? winterOverseed.daysBeforeFrost : (window?.daysBeforeFrost ?? 0);
  // What is sown in falling soil may also be sown in spring, as the second best.
  const spring = window?.direction === 'falling' && monthOf(date) < HIGH_SUMMER;
  if (!(place === 'stand' && spring) && toFrost < wait)
    say('card-seed-frost', { days: wait, left: Math.max(0, toFrost) });
  const rule =
    place === 'stand' && spring
      ? 'card-seed-second-best'
      : soilF !== undefined && soilF < entry.soilF.optimum[0]
        ? 'card-seed-slow'
        : 'card-seed-open';
  const perAcre = (lb: number) => (lb * SQUARE_FEET_PER_ACRE) / 1000;
  const full = perAcre(use === 'new' ? product.newLbPer1000 : product.overseedLbPer1000);
  return {
    kind: 'seed',
    slug: product.slug,
    unit: 'lb',
    fullPerAcre: full,
    lightPerAcre: perAcre(product.overseedLbPer1000),
    ...(held(reasons) ?? { verdict: 'rate' as const, rule }),
    ratePerAcre: reasons.length > 0 ? null : full,
    reasons,
    until,
    moved: [
      {
        kind: 'up-days',
        table: entry.germinationDays,
        here: daysToStand(lead, ahead.slice(0, UP_DAYS)),
      },
    ],
    inStore: shelf.inStore.has(product.slug),
  };
}

/** Growth of the week before a day, and the share of a year's growth that the month from it on has. */
function growthOf(zoneCase: ZoneCase, date: LocalDate): { growth: number; monthShare: number } {
  const { season } = zoneCase;
  const total = season.airHighF.length;
  const at = Math.max(0, Math.min(total - 1, seasonDay(season, date)));
  const sumOver = (from: number, to: number) => {
    let sum = 0;
    for (let day = from; day < to; day += 1) sum += growthAt(zoneCase, day);
    return sum;
  };
  // A year about the day; what of it lies before the season's first day is not known.
  const from = Math.max(0, Math.min(at, total - YEAR_DAYS));
  const to = Math.min(total, from + YEAR_DAYS);
  const year = (sumOver(from, to) * YEAR_DAYS) / Math.max(1, to - from);
  const month = Math.min(total, at + MONTH_DAYS);
  const days = Math.max(1, month - at);
  return {
    growth: growthAt(zoneCase, at),
    monthShare: year > 0 ? (sumOver(at, month) * MONTH_DAYS) / days / year : 0,
  };
}

/**
 * Every product of the shelf against one zone's grass, its stage and the soil, heat and water of a day: at which
 * rate it may go, or why not now, or why never. It chooses nothing: what a weed or a cause asks for is the plan's.
 * @throws RangeError as `zoneCaseOf` does
 */
export function rateCard(zoneCase: ZoneCase, date: LocalDate = zoneCase.input.today): RateCard {
  const { season, shelf, areaFt2, grasses, zone } = zoneCase;
  const day = expectedDay(season, date);
  const seed = seedStep(zoneCase).step;
  const ask = (mode: 'pre' | 'post') =>
    question(zoneCase, mode, [], date, seed, { treatedFt2: areaFt2, airHighF: day.airHighF });
  const post = ask('post');
  const frozen = day.soilF !== null && day.soilF <= dayRules.frozenF;
  const at = seasonDay(season, date);
  const setting: Setting = {
    zoneCase,
    date,
    day,
    pre: ask('pre'),
    post,
    frozen,
    ahead: season.meanF.slice(Math.max(0, at)),
    ...growthOf(zoneCase, date),
  };
  const conditions = toleranceConditions(zone, day, date, { drought: false, treatedShare: 1 });
  const feeding = feedingReasons(setting);
  const hold = herbicideHold(zoneCase);
  return {
    zoneId: zone.id,
    date,
    grasses,
    stage: conditions.has('fully-dormant')
      ? 'dormant'
      : conditions.has('spring-transition')
        ? 'greening'
        : 'green',
    soilF: day.soilF,
    soilRising: day.soilRising,
    airHighF: day.airHighF,
    drought: post.drought,
    growth: setting.growth,
    rows: [
      ...shelf.herbicides.map((product) => herbicideRow(product, setting)),
      ...shelf.treatments.map((product) => treatmentRow(product, setting)),
      ...shelf.fertilizers.map((product) => fertilizerRow(product, setting, feeding)),
      ...shelf.seeds.map((product) => seedRow(product, setting, hold)),
    ],
  };
}
