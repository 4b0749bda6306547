import { seedMixRate } from '../establish';
import {
  carriedNutrients,
  grass,
  herbicide,
  toleranceSchema,
  treatment,
  type Fertilizer,
  type GrassSlug,
  type Herbicide,
  type Nutrients,
  type SeedMix,
  type Treatment,
} from '../knowledge';
import { OUNCES_PER_POUND, THOUSANDS_PER_ACRE } from '../units';
import type { ShelfLabel } from './label';

/** What is odd about a label beside the library: perhaps a slip of the pen, perhaps the label is so. */
export interface Oddity {
  field: keyof ShelfLabel;
  rule: string;
  inputs: Record<string, string | number>;
}

const ORDER = ['none', 'caution', 'warning', 'danger'];
/** A figure this far off the library's is worth a second look. */
const FAR = 1.25;

/** Compares a label with the library's entry. Flags; the label still outranks. */
export function labelOddities(label: ShelfLabel): Oddity[] {
  const oddities: Oddity[] = [];
  const say = (field: keyof ShelfLabel, rule: string, inputs: Oddity['inputs'] = {}) =>
    oddities.push({ field, rule, inputs });
  const { base } = label;
  if (label.homeLawns === false) say('homeLawns', 'label-not-home');
  if (label.packageAmount !== null && label.priceUsd === null) say('priceUsd', 'label-no-price');
  if (base?.kind !== 'herbicide' && base?.kind !== 'treatment') return oddities;
  const entry = base.kind === 'herbicide' ? herbicide(base.slug) : treatment(base.slug);
  if (!entry) return oddities;
  const rate = 'rate' in entry ? entry.rate : entry.ratePerAcre;
  const strength =
    label.actives.length === 1 && label.actives[0] ? strengthOf(label.actives[0]) : null;
  const known = entry.concentration;
  const stronger =
    strength && known && strength.unit === known.unit ? strength.amount / known.amount : 1;
  const factor = unitFactor(label.unit, entry.unit);
  if (factor === null) {
    say('unit', 'label-unit', { own: label.unit, library: entry.unit ?? '' });
  } else {
    // A weak granule takes many pounds of it for the same dose: odd is what neither weight nor dose explains.
    const inUnit = (amount: number) => amount * factor;
    const most = (amount: number) => inUnit(amount) * Math.min(1, stronger);
    const least = (amount: number) => inUnit(amount) * Math.max(1, stronger);
    if (rate && most(label.highPerAcre) > rate[1] * FAR) {
      say('highPerAcre', 'label-rate-high', { own: inUnit(label.highPerAcre), library: rate[1] });
    }
    if (rate && least(label.highPerAcre) * FAR < (rate[0] ?? rate[1])) {
      say('highPerAcre', 'label-rate-low', {
        own: inUnit(label.highPerAcre),
        library: rate[0] ?? rate[1],
      });
    }
    const { maxPerYear } = label;
    if (
      entry.maxPerYear !== null &&
      maxPerYear !== null &&
      most(maxPerYear) > entry.maxPerYear * FAR
    ) {
      say('maxPerYear', 'label-year-high', { own: inUnit(maxPerYear), library: entry.maxPerYear });
    }
  }
  if (ORDER.indexOf(label.signalWord) < ORDER.indexOf(entry.signalWord)) {
    say('signalWord', 'label-signal', { own: label.signalWord, library: entry.signalWord });
  }
  if (label.homeLawns && entry.residential === 'no') say('homeLawns', 'label-home');
  if (strength && known) {
    if (strength.unit !== known.unit) say('actives', 'label-form');
    else if (stronger > FAR || stronger * FAR < 1) {
      say('actives', 'label-strength', { own: strength.amount, library: known.amount });
    }
  }
  if ('tolerance' in entry) {
    const hurt = label.turf.filter((species) =>
      ['injures', 'kills'].includes(ratingOf(entry, species)),
    );
    if (hurt.length > 0) say('turf', 'label-turf', { grasses: hurt.join(' ') });
  }
  return oddities;
}

function ratingOf(product: Herbicide, species: GrassSlug): string {
  const family = grass(species).herbicideTurf;
  return family === null
    ? 'not-labelled'
    : (product.tolerance[family === 'zoysia' ? species : family] ?? 'not-labelled');
}

/** Price of one unit of product, $; `null` where price or package are not known. */
export const unitPrice = ({ priceUsd, packageAmount }: ShelfLabel): number | null =>
  priceUsd === null || packageAmount === null ? null : priceUsd / packageAmount;

/** A price of a label's unit as one of the library's. */
const perUnit = (usd: number | null, factor: number): number | null =>
  usd === null ? null : usd / factor;

/** What only a label says, beside what it changes of the library's entry. */
interface OnLabel {
  /** Hours until people and pets may go back; `null`: the label says none. */
  reentryHours: number | null;
  /** Places and plants that the label forbids, in its own words; empty: none. */
  siteBans: string;
  /** Weeks until seed whatever the rate was; `null`: the library's ladder stands. */
  seedAfterWeeks: number | null;
  /** Grasses that it names; empty: none are named. */
  turf: readonly GrassSlug[];
}

/** What a product feeds beside what it is put down for; `null`: nothing. */
interface Carrying {
  nutrients: Nutrients | null;
}

/**
 * A herbicide as it stands on the shelf: the company's label where there is one, else the library's entry. Rules
 * take nothing less: an entry straight from the library does not fit.
 */
export type ShelfHerbicide = Herbicide &
  Carrying & {
    /** `null`: the library's entry. */
    own: OnLabel | null;
    /** Rates over which the library's control is reached, in this bottle's strength. */
    effectRate: Herbicide['rate'];
    /** What goes into the tank of a recipe for one dose; `null` of a single product. */
    parts: readonly { product: ShelfHerbicide; ratePerAcre: number }[] | null;
  };
export type ShelfTreatment = Treatment & Carrying & { own: OnLabel | null };

/** A fertilizer as it stands on the shelf. What only a label limits is `null` without one. */
export type ShelfFertilizer = Fertilizer & {
  own: OnLabel | null;
  /** lb of product per acre. */
  maxPerApplication: number | null;
  maxPerYear: number | null;
  maxApplications: number | null;
  minIntervalDays: number | null;
  residential: 'yes' | 'no';
};

/** Seed as it stands on the shelf: a mix, or one grass. Rates are lb from the bag per 1000 ft². */
export interface ShelfSeed {
  slug: string;
  parts: SeedMix['parts'];
  overseedLbPer1000: number;
  newLbPer1000: number;
  /** Share of the bag that is seed of the kind and comes up, 0-1. */
  liveShare: number;
  own: OnLabel | null;
}

const onLabel = ({ reentryHours, siteBans, seedAfterWeeks, turf }: ShelfLabel): OnLabel => ({
  reentryHours,
  siteBans: siteBans.trim(),
  seedAfterWeeks,
  turf,
});

const labelOf = (labels: readonly ShelfLabel[], kind: string, slug: string) =>
  labels.find(({ base, inUse }) => inUse && base?.kind === kind && base.slug === slug);

/** How many of the library's unit one unit of a label is; `null` between a weight and a volume. */
function unitFactor(own: ShelfLabel['unit'], library: string | null): number | null {
  if (library === null || own === library) return 1;
  if (own === 'lb' && library === 'oz') return OUNCES_PER_POUND;
  if (own === 'oz' && library === 'lb') return 1 / OUNCES_PER_POUND;
  return null;
}

type Strength = { amount: number; unit: 'lb-per-gal' | 'fraction' };
const strengthOf = ({ amount, unit }: ShelfLabel['actives'][number]): Strength =>
  unit === 'percent' ? { amount: amount / 100, unit: 'fraction' } : { amount, unit };

/** A name as a label prints it and as the library has it, without salts, signs and capitals. */
const plainName = (name: string) => name.toLowerCase().replace(/[^a-z0-9]/g, '');

/**
 * Strengths of the actives as this bottle has them, so that the limits of an active count what is in it. What
 * the label does not name, or names in a form that the unit has not, keeps the library's.
 */
function strengths(
  product: Herbicide,
  label: ShelfLabel,
): Pick<Herbicide, 'concentration' | 'actives'> {
  const { concentration, actives } = product;
  const [only] = label.actives;
  if (concentration && actives === null && label.actives.length === 1 && only) {
    const own = strengthOf(only);
    return { actives, concentration: own.unit === concentration.unit ? own : concentration };
  }
  return {
    concentration,
    actives:
      actives?.map((part) => {
        const own = label.actives.find(({ name }) =>
          plainName(name).startsWith(plainName(part.active)),
        );
        const strength = own && strengthOf(own);
        return strength?.unit === part.unit ? { ...part, ...strength } : part;
      }) ?? null,
  };
}

/** A herbicide as the company's own label has it; the library's entry where there is no label. */
export function labelledHerbicide(
  product: Herbicide,
  labels: readonly ShelfLabel[],
): ShelfHerbicide {
  const label = labelOf(labels, 'herbicide', product.slug);
  const factor = label && unitFactor(label.unit, product.unit);
  const nutrients = carriedNutrients[product.slug] ?? null;
  if (!label || !factor) {
    return { ...product, nutrients, own: null, effectRate: product.rate, parts: null };
  }
  const inUnit = (amount: number | null) => (amount === null ? null : amount * factor);
  const high = label.highPerAcre * factor;
  const strength = strengths(product, label);
  const stronger =
    strength.concentration && product.concentration
      ? strength.concentration.amount / product.concentration.amount
      : 1;
  return {
    ...product,
    ...strength,
    nutrients: label.nutrients ?? nutrients,
    form: label.granular ? 'granule' : product.form,
    own: onLabel(label),
    parts: null,
    effectRate: [
      product.rate[0] === null ? null : product.rate[0] / stronger,
      product.rate[1] / stronger,
    ],
    rate: [inUnit(label.lowPerAcre) ?? Math.min(product.rate[0] ?? high, high), high],
    maxPerApplication: high,
    maxPerYear: inUnit(label.maxPerYear) ?? Math.max(product.maxPerYear, high),
    maxApplications: label.maxApplications ?? product.maxApplications,
    minIntervalDays: label.minIntervalDays ?? product.minIntervalDays,
    airF: [label.airMinF ?? product.airF[0], label.airMaxF ?? product.airF[1]],
    rainfastHours: label.rainfastHours ?? product.rainfastHours,
    water:
      label.rainfastHours === null
        ? product.water
        : { ...product.water, keepDryHours: label.rainfastHours },
    seedlingAgeWeeks: label.seedBeforeWeeks ?? product.seedlingAgeWeeks,
    waitBeforeSeedingWeeks:
      label.seedAfterWeeks === null
        ? product.waitBeforeSeedingWeeks
        : [label.seedAfterWeeks, label.seedAfterWeeks],
    residential: label.homeLawns ? 'yes' : 'no',
    signalWord: label.signalWord,
    usdPerUnitInvented: perUnit(unitPrice(label), factor) ?? product.usdPerUnitInvented,
    rateCaps: Object.fromEntries(
      Object.entries(product.rateCaps).map(([species, cap]) => [species, Math.min(cap, high)]),
    ),
    tolerance: label.turf.length === 0 ? product.tolerance : narrowed(product, label.turf),
  };
}

/** Grasses that the label does not name are not on the label; the others keep their rating. */
function narrowed(product: Herbicide, turf: readonly GrassSlug[]): Herbicide['tolerance'] {
  const families = new Set(
    turf.flatMap((species) => {
      const family = grass(species).herbicideTurf;
      return family === null ? [] : [family === 'zoysia' ? species : family];
    }),
  );
  return Object.fromEntries(
    Object.entries(product.tolerance).map(([family, rating]) => [
      family,
      families.has(family) ? rating : toleranceSchema.enum['not-labelled'],
    ]),
  );
}

/** A treatment as the company's own label has it. */
export function labelledTreatment(
  product: Treatment,
  labels: readonly ShelfLabel[],
): ShelfTreatment {
  const label = labelOf(labels, 'treatment', product.slug);
  const factor = label && unitFactor(label.unit, product.unit);
  const nutrients = carriedNutrients[product.slug] ?? null;
  if (!label || !factor) return { ...product, nutrients, own: null };
  const high = label.highPerAcre * factor;
  return {
    ...product,
    nutrients: label.nutrients ?? nutrients,
    form: label.granular ? 'granule' : product.form,
    own: onLabel(label),
    unit: product.unit ?? label.unit,
    ratePerAcre: [label.lowPerAcre === null ? high : label.lowPerAcre * factor, high],
    maxPerYear: label.maxPerYear === null ? product.maxPerYear : label.maxPerYear * factor,
    maxApplications: label.maxApplications ?? product.maxApplications,
    minIntervalDays: label.minIntervalDays ?? product.minIntervalDays,
    waterInIn: label.waterInIn ?? product.waterInIn,
    hotAboveF: label.airMaxF ?? product.hotAboveF,
    residential: label.homeLawns ? 'yes' : 'no',
    signalWord: label.signalWord,
  };
}

/** A fertilizer as the company's own label has it: its own grade, and what the label limits. */
export function labelledFertilizer(
  product: Fertilizer,
  labels: readonly ShelfLabel[],
): ShelfFertilizer {
  const label = labelOf(labels, 'fertilizer', product.slug);
  const factor = label && unitFactor(label.unit, 'lb');
  if (!label || !factor) {
    return {
      ...product,
      own: null,
      maxPerApplication: null,
      maxPerYear: null,
      maxApplications: null,
      minIntervalDays: null,
      residential: 'yes',
    };
  }
  const { nutrients } = label;
  return {
    ...product,
    grade: nutrients ? [nutrients.n, nutrients.p2o5, nutrients.k2o] : product.grade,
    slowShare: nutrients ? nutrients.slowShare : product.slowShare,
    // Salt comes with the quick nitrogen and the potassium: by weight it moves with the richness of the grade.
    saltIndex: nutrients
      ? product.saltIndex *
        Math.max(1, saltyShare(nutrients) / saltyShare(libraryNutrients(product)))
      : product.saltIndex,
    bagLb: label.packageAmount === null ? product.bagLb : label.packageAmount * factor,
    own: onLabel(label),
    maxPerApplication: label.highPerAcre * factor,
    maxPerYear: label.maxPerYear === null ? null : label.maxPerYear * factor,
    maxApplications: label.maxApplications,
    minIntervalDays: label.minIntervalDays,
    residential: label.homeLawns ? 'yes' : 'no',
  };
}

const libraryNutrients = ({ grade: [n, p2o5, k2o], slowShare }: Fertilizer): Nutrients => ({
  n,
  p2o5,
  k2o,
  slowShare,
});
const saltyShare = ({ n, k2o, slowShare }: Nutrients): number => n * (1 - slowShare) + k2o;

/** Where a label says neither (common practice). */
const SEED_AS_SOLD = { purityPct: 98, germinationPct: 85 };

/** Seed as the company's own label has it: what of it comes up, and the rates of the bag. */
export function labelledSeed(
  slug: string,
  parts: SeedMix['parts'],
  labels: readonly ShelfLabel[],
): ShelfSeed {
  const label = labelOf(labels, 'seed', slug);
  const factor = label && unitFactor(label.unit, 'lb');
  const purity = (label?.purityPct ?? SEED_AS_SOLD.purityPct) / 100;
  const germination = (label?.germinationPct ?? SEED_AS_SOLD.germinationPct) / 100;
  const rate = (use: 'overseed' | 'new') =>
    seedMixRate({ slug, parts }, use, { purity, germination }).bulkLbPer1000;
  const onBag = (perAcre: number | null) =>
    perAcre === null || !factor ? null : (perAcre * factor) / THOUSANDS_PER_ACRE;
  return {
    slug,
    parts,
    overseedLbPer1000: onBag(label?.lowPerAcre ?? null) ?? rate('overseed'),
    newLbPer1000: onBag(label?.highPerAcre ?? null) ?? rate('new'),
    liveShare: purity * germination,
    own: label && factor ? onLabel(label) : null,
  };
}
