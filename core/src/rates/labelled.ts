import {
  grass,
  herbicide,
  herbicides,
  toleranceSchema,
  treatment,
  type GrassSlug,
  type Herbicide,
  type Treatment,
} from '../knowledge';
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
  if (entry.unit && entry.unit !== label.unit) {
    say('unit', 'label-unit', { own: label.unit, library: entry.unit });
  } else if (rate) {
    if (label.highPerAcre > rate[1] * FAR) {
      say('highPerAcre', 'label-rate-high', { own: label.highPerAcre, library: rate[1] });
    }
    if (label.highPerAcre * FAR < (rate[0] ?? rate[1])) {
      say('highPerAcre', 'label-rate-low', { own: label.highPerAcre, library: rate[0] ?? rate[1] });
    }
  }
  if (
    entry.maxPerYear !== null &&
    label.maxPerYear !== null &&
    label.maxPerYear > entry.maxPerYear * FAR
  ) {
    say('maxPerYear', 'label-year-high', { own: label.maxPerYear, library: entry.maxPerYear });
  }
  if (ORDER.indexOf(label.signalWord) < ORDER.indexOf(entry.signalWord)) {
    say('signalWord', 'label-signal', { own: label.signalWord, library: entry.signalWord });
  }
  if (label.homeLawns && entry.residential === 'no') say('homeLawns', 'label-home');
  const strength = label.actives.length === 1 ? label.actives[0] : undefined;
  if (strength && entry.concentration) {
    const own =
      strength.unit === 'percent'
        ? { amount: strength.amount / 100, unit: 'fraction' }
        : { amount: strength.amount, unit: 'lb-per-gal' };
    const { amount, unit } = entry.concentration;
    if (own.unit !== unit) say('actives', 'label-form');
    else if (own.amount > amount * FAR || own.amount * FAR < amount) {
      say('actives', 'label-strength', { own: own.amount, library: amount });
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

const labelOf = (labels: readonly ShelfLabel[], kind: string, slug: string) =>
  labels.find(({ base, inUse }) => inUse && base?.kind === kind && base.slug === slug);

/** A herbicide as the company's own label has it; the library's entry where there is no label. */
export function labelledHerbicide(product: Herbicide, labels: readonly ShelfLabel[]): Herbicide {
  const label = labelOf(labels, 'herbicide', product.slug);
  if (!label || label.unit !== product.unit) return product;
  const high = label.highPerAcre;
  const scale = (cap: number) => Math.min(cap, high);
  return {
    ...product,
    rate: [label.lowPerAcre ?? product.rate[0], high],
    maxPerApplication: high,
    maxPerYear: label.maxPerYear ?? Math.max(product.maxPerYear, high),
    maxApplications: label.maxApplications ?? product.maxApplications,
    minIntervalDays: label.minIntervalDays ?? product.minIntervalDays,
    airF: [label.airMinF ?? product.airF[0], label.airMaxF ?? product.airF[1]],
    rainfastHours: label.rainfastHours ?? product.rainfastHours,
    seedlingAgeWeeks: label.seedBeforeWeeks ?? product.seedlingAgeWeeks,
    waitBeforeSeedingWeeks:
      label.seedAfterWeeks === null
        ? product.waitBeforeSeedingWeeks
        : [label.seedAfterWeeks, label.seedAfterWeeks],
    residential: label.homeLawns ? 'yes' : 'no',
    signalWord: label.signalWord,
    usdPerUnitInvented: unitPrice(label) ?? product.usdPerUnitInvented,
    rateCaps: Object.fromEntries(
      Object.entries(product.rateCaps).map(([species, cap]) => [species, scale(cap)]),
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
export function labelledTreatment(product: Treatment, labels: readonly ShelfLabel[]): Treatment {
  const label = labelOf(labels, 'treatment', product.slug);
  if (!label || (product.unit !== null && label.unit !== product.unit)) return product;
  return {
    ...product,
    unit: label.unit,
    ratePerAcre: [label.lowPerAcre ?? label.highPerAcre, label.highPerAcre],
    maxPerYear: label.maxPerYear ?? product.maxPerYear,
    maxApplications: label.maxApplications ?? product.maxApplications,
    minIntervalDays: label.minIntervalDays ?? product.minIntervalDays,
    waterInIn: label.waterInIn ?? product.waterInIn,
    hotAboveF: label.airMaxF ?? product.hotAboveF,
    residential: label.homeLawns ? 'yes' : 'no',
    signalWord: label.signalWord,
  };
}

/** Library entries that the shelf has in store, by slug. */
export const inStore = (labels: readonly ShelfLabel[]): ReadonlySet<string> =>
  new Set(
    labels.flatMap(({ base, inUse, packages }) =>
      base && inUse && packages > 0 ? [base.slug] : [],
    ),
  );

const shelves = new WeakMap<readonly ShelfLabel[], readonly Herbicide[]>();

/** Every herbicide with the company's labels over the library's; put together once for each shelf. */
export function shelfHerbicides(labels: readonly ShelfLabel[]): readonly Herbicide[] {
  if (labels.length === 0) return herbicides;
  let shelf = shelves.get(labels);
  if (!shelf) {
    shelf = herbicides.map((product) => labelledHerbicide(product, labels));
    shelves.set(labels, shelf);
  }
  return shelf;
}
