import { applicationRules, dayRules, grass, prodiamineSteps, type GrassSlug } from '../knowledge';
import type { ShelfHerbicide } from '../products';
import type { Material } from '../rates';
import { daysBetween, localDate, monthOf } from '../units';
import { hottest, ROUNDING, type CheckContext, type Judged, type Use } from './checkContext';
import { checkUses, isSpot } from './checkUses';
import { checkPermit } from './checkSite';
import { findingsBy, type CheckFinding } from './finding';
import { turfRating, type TurfState } from './turfRating';

/** The highest rate of the ladder, and every one above it. */
const LAST_STEP = prodiamineSteps[prodiamineSteps.length - 1] as (typeof prodiamineSteps)[number];
/** A second treatment within so many days is a repeat of the first. */
const REPEAT_DAYS = 60;
/** Under this share of the lowest rate a product holds back, and does not kill. */
const LOW_RATE = 0.5;
/** Days after sowing over which seed is still coming up. */
const SOWN_DAYS = 28;
const YEAR_DAYS = 365;

/** Grasses whose injury would count: wanted, and enough of them (5 % for the tender ones). */
export function countingGrasses({ stand, desired }: CheckContext): GrassSlug[] {
  const tender: readonly string[] = applicationRules.sensitiveGrasses;
  const counting = stand
    .filter(({ species }) => desired.includes(species))
    .filter(
      ({ species, cover }) =>
        cover >=
        (tender.includes(species)
          ? applicationRules.sensitiveDesirableCover
          : applicationRules.desirableCover),
    )
    .map(({ species }) => species);
  return counting.length > 0 ? counting : [...desired];
}

/** Grass that comes up, or takes root, where it is put. */
export const isPlanted = ({ kind }: Pick<Material, 'kind'>): boolean =>
  kind === 'seed' || kind === 'plugs';

/** Seed that goes down with an application, or lies in the ground of the zone on its day. */
const sownWith = (application: Judged, context: CheckContext): string[] =>
  [application, ...context.others].flatMap(({ date, materials }) => {
    const days = daysBetween(localDate(date), localDate(application.date));
    if (days < 0 || days > SOWN_DAYS) return [];
    return materials.filter(isPlanted).map(({ slug }) => slug);
  });

function turfState(
  use: Use<ShelfHerbicide>,
  application: Judged,
  context: CheckContext,
  same: readonly Use<ShelfHerbicide>[],
): TurfState {
  const coverOf = (species: string) =>
    context.stand.find((share) => share.species === species)?.cover ?? 0;
  const wanted = context.stand
    .filter(({ species }) => context.desired.includes(species))
    .reduce((sum, { cover }) => sum + cover, 0);
  const air = hottest(context);
  return {
    month: monthOf(use.date),
    treatedShare: use.share,
    carpetgrassCover: coverOf('carpetgrass'),
    fineFescueShare: context.desired.includes('fine-fescue')
      ? wanted > 0
        ? coverOf('fine-fescue') / wanted
        : 1
      : 0,
    youngTurf: context.youngTurf === true,
    atSeeding: sownWith(application, context).length > 0,
    repeated: same.some(({ date }) => {
      const days = daysBetween(date, use.date);
      return days > 0 && days <= REPEAT_DAYS;
    }),
    coolAndWet:
      air !== undefined &&
      air < dayRules.coolBelowF &&
      (context.leafWet === true || context.saturated === true),
    againstBermuda: (application.targets ?? []).some((weed) => weed.includes('bermuda')),
    lowRate: use.rate < (use.product.rate[0] ?? use.product.rate[1]) * LOW_RATE,
    ...(air === undefined ? {} : { airHighF: air }),
    ...(context.soilF === undefined ? {} : { soilF: context.soilF }),
    ...(context.soilRising === undefined ? {} : { soilRising: context.soilRising }),
    ...(context.drought === undefined ? {} : { drought: context.drought }),
  };
}

/** Days that a product at its rate asks before seed. */
export function seedWaitDays(product: ShelfHerbicide, rate: number): number {
  const onLabel = product.own?.seedAfterWeeks ?? null;
  if (product.slug === 'prodiamine' && onLabel === null) {
    const step = prodiamineSteps.find(({ ozPerAcre }) => rate <= ozPerAcre * ROUNDING);
    return (step ?? LAST_STEP).waitWeeks * 7;
  }
  return product.waitBeforeSeedingWeeks[1] * 7;
}

/** Judges one herbicide of a walk: its label, the turf, the heat and the seed. */
export function checkHerbicide(
  use: Use<ShelfHerbicide>,
  application: Judged,
  context: CheckContext,
  uses: readonly Use<ShelfHerbicide>[],
): CheckFinding[] {
  const { product, rate, date } = use;
  return findingsBy(product.slug, (say) => {
    const { unit } = product;
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
    const same = uses.filter((other) => other.product.slug === product.slug);
    checkUses(use, same, product, say);

    const state = turfState(use, application, context, same);
    for (const species of grasses) {
      const rating = turfRating(product, species, state);
      if (rating === 'safe') continue;
      if (rating === 'caution') say('turf-caution', 'caution', { species });
      // A total killer on single spots, or where somebody decided so, is no mistake.
      else if (!product.selective && (context.kill === true || isSpot(use))) {
        say('turf-kill', 'caution', { species });
      } else say('turf-not-tolerant', 'exceeds', { species, rating });
    }
    for (const seed of new Set(sownWith(application, context))) {
      const rating = turfRating(product, seed as GrassSlug, state);
      if (rating === 'caution') say('seed-not-tolerant', 'caution', { species: seed, rating });
      else if (rating !== 'safe' && product.selective) {
        say('seed-not-tolerant', 'exceeds', { species: seed, rating });
      }
    }
    if (context.youngTurf === true && product.seedlingAgeWeeks > 0) {
      say('young-turf', 'caution', { min: product.seedlingAgeWeeks });
    }

    const air = hottest(context);
    const foliar = product.postEmergent && !product.preEmergent;
    if (air !== undefined) {
      if (air > product.airF[1]) {
        say('too-hot', 'exceeds', { airHighF: air, max: product.airF[1] });
      }
      if (foliar && air < product.airF[0]) {
        say('too-cold', 'caution', { airHighF: air, min: product.airF[0] });
      }
      if (air >= applicationRules.noHerbicideF && context.drought === true) {
        say('no-herbicide-heat', 'exceeds', { max: applicationRules.noHerbicideF });
      }
      if (
        context.tenderPlants === true &&
        product.volatility === 'high' &&
        air > applicationRules.vapourAboveF
      ) {
        say('vapour', 'exceeds', { airHighF: air, max: applicationRules.vapourAboveF });
      }
    }
    if (context.drought === true && foliar) say('drought', 'caution');
    if (context.treeRoots === true) {
      if (product.rootZone === 'high') say('root-zone', 'exceeds');
      else if (product.rootZone === 'moderate') say('root-zone', 'caution');
    }
    checkPermit(product, context, say);

    for (const other of [application, ...context.others]) {
      const seeds = other.materials.filter(isPlanted);
      if (seeds.length === 0) continue;
      const days = daysBetween(date, localDate(other.date));
      if (days >= 0) {
        const min = seedWaitDays(product, rate);
        if (days < min) say('seed-too-soon', 'exceeds', { days, min });
      } else if (-days < YEAR_DAYS) {
        const germination = Math.max(
          ...seeds.map(({ slug }) => grass(slug as GrassSlug).seed?.germinationDays[1] ?? 21),
        );
        const weeks = Math.max(0, (-days - germination) / 7);
        if (weeks < product.seedlingAgeWeeks) {
          say('seedlings-too-young', 'exceeds', { weeks, min: product.seedlingAgeWeeks });
        }
      }
    }
  });
}
