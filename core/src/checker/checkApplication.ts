import { activeCaps, grass, prodiamineSteps, rotationRules, type GrassSlug } from '../knowledge';
import type { Shelf, ShelfHerbicide } from '../products';
import type { Application, Material } from '../rates';
import { daysBetween, localDate, monthOf, type LocalDate } from '../units';
import { activeLoad } from './activeLoad';
import { shelfIn, type CheckContext } from './checkContext';
import { checkDay } from './checkDay';
import { checkTreatments } from './checkTreatment';
import type { CheckFinding } from './finding';
import { turfRating, type TurfState } from './turfRating';

const ACRE_FT2 = 43_560;
/** Rounding at the cup and the scale is no breach. */
const ROUNDING = 1.005;
/** The highest rate of the ladder, and every one above it. */
const LAST_STEP = prodiamineSteps[prodiamineSteps.length - 1] as (typeof prodiamineSteps)[number];
/** Share of a zone up to which a treatment counts as single spots. */
const SPOT_SHARE = 0.15;

const ratePerAcre = (material: Material, areaFt2: number): number =>
  (material.amount / areaFt2) * ACRE_FT2;

/** Grasses whose injury would count: wanted, and enough of them (5 % for the tender ones). */
function countingGrasses({ stand, desired }: CheckContext): GrassSlug[] {
  const tender = ['st-augustine', 'centipede', 'perennial-ryegrass'];
  const counting = stand
    .filter(({ species }) => desired.includes(species))
    .filter(({ species, cover }) => cover >= (tender.includes(species) ? 0.05 : 0.1))
    .map(({ species }) => species);
  return counting.length > 0 ? counting : [...desired];
}

function turfState(application: Application, context: CheckContext): TurfState {
  const coverOf = (species: string) =>
    context.stand.find((share) => share.species === species)?.cover ?? 0;
  const wanted = context.stand
    .filter(({ species }) => context.desired.includes(species))
    .reduce((sum, { cover }) => sum + cover, 0);
  return {
    month: monthOf(localDate(application.date)),
    treatedShare: application.areaFt2 / context.zoneFt2,
    carpetgrassCover: coverOf('carpetgrass'),
    fineFescueShare: context.desired.includes('fine-fescue')
      ? wanted > 0
        ? coverOf('fine-fescue') / wanted
        : 1
      : 0,
    ...(context.airHighF === undefined ? {} : { airHighF: context.airHighF }),
    ...(context.soilF === undefined ? {} : { soilF: context.soilF }),
    ...(context.soilRising === undefined ? {} : { soilRising: context.soilRising }),
    ...(context.drought === undefined ? {} : { drought: context.drought }),
  };
}

/** One earlier or later use of a product on the zone. */
interface OtherUse {
  product: ShelfHerbicide;
  rate: number;
  date: LocalDate;
}

function otherUses(context: CheckContext): OtherUse[] {
  const shelf = shelfIn(context);
  return context.others.flatMap((other) =>
    other.materials.flatMap((material) => {
      const product = material.kind === 'herbicide' ? shelf.herbicide(material.slug) : undefined;
      if (!product) return [];
      return [{ product, rate: ratePerAcre(material, other.areaFt2), date: localDate(other.date) }];
    }),
  );
}

const sameYear = (a: string, b: string): boolean => a.slice(0, 4) === b.slice(0, 4);

/** Smallest gap in days to any of the uses; uses of the same day are one walk. */
function nearest(date: LocalDate, uses: readonly OtherUse[]): number | null {
  const gaps = uses.map((use) => Math.abs(daysBetween(date, use.date)));
  return gaps.length > 0 ? Math.min(...gaps) : null;
}

function checkHerbicide(
  product: ShelfHerbicide,
  rate: number,
  application: Application,
  context: CheckContext,
  uses: readonly OtherUse[],
): CheckFinding[] {
  const findings: CheckFinding[] = [];
  const date = localDate(application.date);
  const say = (
    rule: CheckFinding['rule'],
    severity: CheckFinding['severity'],
    inputs: CheckFinding['inputs'] = {},
  ) => findings.push({ rule, severity, material: product.slug, inputs });
  const unit = product.unit;

  if (rate > product.maxPerApplication * ROUNDING) {
    say('rate-over-label', 'exceeds', { rate, max: product.maxPerApplication, unit });
  }
  const grasses = countingGrasses(context);
  for (const species of grasses) {
    const cap = product.rateCaps[species];
    if (cap !== undefined && rate > cap * ROUNDING && cap < product.maxPerApplication) {
      say('rate-over-grass-cap', 'exceeds', { rate, max: cap, unit, species });
    }
  }
  const same = uses.filter((use) => use.product.slug === product.slug);
  const thisYear = same.filter((use) => sameYear(use.date, date));
  const yearRate = thisYear.reduce((sum, use) => sum + use.rate, rate);
  if (yearRate > product.maxPerYear * ROUNDING) {
    say('year-amount', 'exceeds', { rate: yearRate, max: product.maxPerYear, unit });
  }
  if (thisYear.length + 1 > product.maxApplications) {
    say('year-count', 'exceeds', { count: thisYear.length + 1, max: product.maxApplications });
  }
  const gap = nearest(date, same);
  if (gap !== null && gap < product.minIntervalDays) {
    say('interval', 'exceeds', { days: gap, min: product.minIntervalDays });
  }

  const state = turfState(application, context);
  // A total killer on single spots is a decision a person may take; over the zone it is a mistake.
  const spotKill = !product.selective && state.treatedShare < SPOT_SHARE;
  for (const species of grasses) {
    const rating = turfRating(product, species, state);
    if (rating === 'caution' || (spotKill && rating !== 'safe')) {
      say('turf-caution', 'caution', { species });
    } else if (rating !== 'safe') say('turf-not-tolerant', 'exceeds', { species, rating });
  }
  if (context.airHighF !== undefined) {
    if (context.airHighF > product.airF[1]) {
      say('too-hot', 'exceeds', { airHighF: context.airHighF, max: product.airF[1] });
    }
    const foliar = product.postEmergent && !product.preEmergent;
    if (foliar && context.airHighF < product.airF[0]) {
      say('too-cold', 'caution', { airHighF: context.airHighF, min: product.airF[0] });
    }
    if (context.airHighF >= 95 && context.drought === true) say('no-herbicide-heat', 'exceeds');
  }
  if (context.drought === true && product.postEmergent && !product.preEmergent) {
    say('drought', 'caution');
  }
  if (product.residential === 'no') say('not-for-home-lawns', 'exceeds');
  if (
    product.residential === 'check-label' &&
    !(context.confirmedLabels ?? []).includes(product.slug)
  ) {
    say('label-unconfirmed', 'caution');
  }
  if (product.restrictedUse && context.certified !== true) say('licence-needed', 'exceeds');

  for (const other of context.others) {
    if (!other.materials.some(({ kind }) => kind === 'seed')) continue;
    const days = daysBetween(date, localDate(other.date));
    if (days >= 0) {
      const wait = seedWaitDays(product, rate);
      if (days < wait) say('seed-too-soon', 'exceeds', { days, min: wait });
    } else if (-days < 365) {
      const germination = Math.max(
        ...other.materials
          .filter((material) => material.kind === 'seed')
          .map(({ slug }) => grass(slug).seed?.germinationDays[1] ?? 21),
      );
      const weeks = Math.max(0, (-days - germination) / 7);
      if (weeks < product.seedlingAgeWeeks) {
        say('seedlings-too-young', 'exceeds', { weeks, min: product.seedlingAgeWeeks });
      }
    }
  }
  return findings;
}

/** Days that a product at its rate asks before seed. */
function seedWaitDays(product: ShelfHerbicide, rate: number): number {
  const onLabel = product.own?.seedAfterWeeks ?? null;
  if (product.slug === 'prodiamine' && onLabel === null) {
    const step = prodiamineSteps.find(({ ozPerAcre }) => rate <= ozPerAcre * ROUNDING);
    return (step ?? LAST_STEP).waitWeeks * 7;
  }
  return product.waitBeforeSeedingWeeks[1] * 7;
}

function checkActives(
  doses: readonly { product: ShelfHerbicide; rate: number }[],
  date: LocalDate,
  uses: readonly OtherUse[],
): CheckFinding[] {
  const findings: CheckFinding[] = [];
  const total = new Map<string, number>();
  for (const { product, rate } of doses) {
    activeLoad(product, rate).forEach((lb, name) => total.set(name, (total.get(name) ?? 0) + lb));
  }
  for (const cap of activeCaps) {
    const lb = total.get(cap.active);
    if (lb === undefined) continue;
    const holding = uses.filter((use) => activeLoad(use.product, 1).has(cap.active));
    const year = holding.filter((use) => sameYear(use.date, date));
    const yearLb = year.reduce(
      (sum, use) => sum + (activeLoad(use.product, use.rate).get(cap.active) ?? 0),
      lb,
    );
    const count = new Set(year.map((use) => use.date).filter((day) => day !== date)).size + 1;
    const say = (rule: CheckFinding['rule'], inputs: CheckFinding['inputs']) =>
      findings.push({
        rule,
        severity: 'exceeds',
        material: null,
        inputs: { active: cap.active, ...inputs },
      });
    if (lb > cap.maxLbPerApplication * ROUNDING) {
      say('active-per-application', { lb, max: cap.maxLbPerApplication });
    }
    if (yearLb > cap.maxLbPerYear * ROUNDING)
      say('active-year', { lb: yearLb, max: cap.maxLbPerYear });
    if (cap.maxApplications !== null && count > cap.maxApplications) {
      say('active-count', { count, max: cap.maxApplications });
    }
    const gap = nearest(date, holding);
    if (gap !== null && gap < cap.minIntervalDays) {
      say('active-interval', { days: gap, min: cap.minIntervalDays });
    }
  }
  return findings;
}

const nitrogenLb = (application: Application, shelf: Shelf): number =>
  application.materials.reduce((sum, material) => {
    const percent =
      material.kind === 'fertilizer' ? (shelf.fertilizer(material.slug)?.grade[0] ?? 0) : 0;
    return sum + ((material.amount * percent) / 100 / application.areaFt2) * 1000;
  }, 0);

function checkNitrogen(application: Application, context: CheckContext): CheckFinding[] {
  const shelf = shelfIn(context);
  const lb = nitrogenLb(application, shelf);
  if (lb <= 0) return [];
  const findings: CheckFinding[] = [];
  const products = application.materials.flatMap((material) =>
    material.kind === 'fertilizer' ? (shelf.fertilizer(material.slug) ?? []) : [],
  );
  const slow = products.every(({ slowShare }) => slowShare >= 0.5);
  const month = monthOf(localDate(application.date));
  const entries = countingGrasses(context).map(grass);
  const limit = Math.min(
    ...entries.map(({ nitrogen, season }) => {
      if (nitrogen === null) return Infinity;
      if (slow) return nitrogen.maxSlowLbPer1000;
      return season === 'cool' && month >= 6 && month <= 8
        ? nitrogen.maxQuickSummerLbPer1000
        : nitrogen.maxQuickLbPer1000;
    }),
  );
  const say = (
    rule: CheckFinding['rule'],
    severity: CheckFinding['severity'],
    inputs: CheckFinding['inputs'],
  ) => findings.push({ rule, severity, material: products[0]?.slug ?? null, inputs });
  if (lb > limit * ROUNDING) say('nitrogen-per-application', 'exceeds', { lb, max: limit });
  const yearLimit = Math.min(
    ...entries.map(({ nitrogen }) => nitrogen?.yearLbPer1000[2] ?? Infinity),
  );
  const year = context.others
    .filter((other) => sameYear(other.date, application.date))
    .reduce((sum, other) => sum + nitrogenLb(other, shelf), lb);
  if (year > yearLimit * ROUNDING) say('nitrogen-year', 'exceeds', { lb: year, max: yearLimit });
  const cool = entries.some(({ season }) => season === 'cool');
  if (cool && context.airHighF !== undefined && context.airHighF >= 85) {
    const most =
      context.irrigated !== true
        ? 0
        : context.airHighF >= 90
          ? slow
            ? 0.25
            : 0
          : slow
            ? 0.5
            : 0.25;
    if (lb > most * ROUNDING) {
      say('nitrogen-heat', 'exceeds', { lb, max: most, airHighF: context.airHighF });
    }
  }
  return findings;
}

function checkSeed(
  application: Application,
  context: CheckContext,
  uses: readonly OtherUse[],
): CheckFinding[] {
  const seeds = application.materials.filter(({ kind }) => kind === 'seed');
  if (seeds.length === 0) return [];
  const date = localDate(application.date);
  const findings: CheckFinding[] = [];
  for (const use of uses) {
    const days = daysBetween(use.date, date);
    const wait = seedWaitDays(use.product, use.rate);
    if (days >= 0 && days < wait) {
      findings.push({
        rule: 'seed-too-soon',
        severity: 'exceeds',
        material: use.product.slug,
        inputs: { days, min: wait },
      });
    }
  }
  for (const seed of seeds) {
    const range = grass(seed.slug as GrassSlug).seed?.soilF;
    if (
      range &&
      context.soilF !== undefined &&
      (context.soilF < range.min - 5 || context.soilF > range.max)
    ) {
      findings.push({
        rule: 'seed-soil',
        severity: 'caution',
        material: seed.slug,
        inputs: { soilF: context.soilF, min: range.min, max: range.max },
      });
    }
  }
  return findings;
}

/**
 * Groups used against one weed: too often in a year, or alone for too many years running. Only a
 * record that names its targets can be judged.
 */
function checkRotation(
  application: Application & { targets?: readonly string[] },
  context: CheckContext,
  uses: readonly OtherUse[],
): CheckFinding[] {
  const targets = application.targets ?? [];
  if (targets.length === 0) return [];
  const shelf = shelfIn(context);
  const groupsOf = (own: Application) =>
    own.materials.flatMap((material) =>
      material.kind === 'herbicide' ? (shelf.herbicide(material.slug)?.hrac ?? []) : [],
    );
  const own = new Set(groupsOf(application));
  if (own.size !== 1 || uses.length === 0) return [];
  const [group] = own as Set<string>;
  const year = Number(application.date.slice(0, 4));
  const against = context.others.filter((other: Application & { targets?: readonly string[] }) =>
    (other.targets ?? []).some((weed) => targets.includes(weed)),
  );
  const alone = (y: number) => {
    const groups = against.filter(({ date }) => Number(date.slice(0, 4)) === y).flatMap(groupsOf);
    return groups.length > 0 && groups.every((entry) => entry === group);
  };
  const inYear = against.filter(
    (other) => Number(other.date.slice(0, 4)) === year && groupsOf(other).includes(group as string),
  ).length;
  const findings: CheckFinding[] = [];
  const say = (inputs: CheckFinding['inputs']) =>
    findings.push({
      rule: 'rotation',
      severity: 'caution',
      material: null,
      inputs: { mode: group as string, ...inputs },
    });
  if (inYear >= rotationRules.mostInYear) {
    say({ count: inYear + 1, max: rotationRules.mostInYear });
  } else if (alone(year - 1) && alone(year - 2)) say({ count: 3, max: rotationRules.mostYears });
  return findings;
}

/**
 * Judges one application, planned or done, against the label-type limits and the safety rules. It
 * refuses nothing: what has happened has happened, and the reader decides. Shares no code with the
 * planner.
 * @param application what was put down; `amount` is the total over `areaFt2`
 * @returns findings, the ones over a limit first; empty when nothing speaks against it
 */
export function checkApplication(
  application: Application & { targets?: readonly string[] },
  context: CheckContext,
): CheckFinding[] {
  const date = localDate(application.date);
  const others = context.others.filter(({ id }) => id !== application.id);
  const scoped: CheckContext = { ...context, others };
  const uses = otherUses(scoped);
  const shelf = shelfIn(context);
  const doses = application.materials.flatMap((material) => {
    const product = material.kind === 'herbicide' ? shelf.herbicide(material.slug) : undefined;
    return product ? [{ product, rate: ratePerAcre(material, application.areaFt2) }] : [];
  });
  const findings = [
    ...doses.flatMap(({ product, rate }) =>
      checkHerbicide(product, rate, application, scoped, uses),
    ),
    ...checkActives(doses, date, uses),
    ...checkNitrogen(application, scoped),
    ...checkSeed(application, scoped, uses),
    ...checkTreatments(application, scoped),
    ...checkRotation(application, scoped, uses),
    ...checkDay(application, scoped),
  ];
  const sprayed = application.materials.some(
    ({ kind }) => kind === 'herbicide' || kind === 'treatment',
  );
  if (sprayed && context.windMph !== undefined) {
    if (context.windMph > 10) {
      findings.push({
        rule: 'wind',
        severity: 'exceeds',
        material: null,
        inputs: { mph: context.windMph, max: 10 },
      });
    } else if (context.windMph < 3) {
      findings.push({
        rule: 'wind',
        severity: 'caution',
        material: null,
        inputs: { mph: context.windMph, min: 3 },
      });
    }
  }
  if (application.areaFt2 > context.zoneFt2 * 1.05) {
    findings.push({
      rule: 'area-over-zone',
      severity: 'caution',
      material: null,
      inputs: { area: application.areaFt2, zone: context.zoneFt2 },
    });
  }
  return findings.sort(
    (a, b) => Number(b.severity === 'exceeds') - Number(a.severity === 'exceeds'),
  );
}
