import { z } from 'zod';
import {
  fertilizer,
  grass,
  grassSlugSchema,
  herbicide,
  herbicides,
  toleranceSchema,
  treatment,
  type GrassSlug,
  type Herbicide,
  type Treatment,
} from '../knowledge';

const positive = z.number().positive('above 0');
const optional = (schema: z.ZodNumber) => schema.nullable().default(null);

/**
 * A product on the company's own shelf as its label has it. Rates are per acre in `unit`, whatever the
 * label prints. What is `null` is not on the label; the library then stands.
 */
export const shelfLabelSchema = z
  .object({
    id: z.uuid(),
    /** Entry of the library that it is; `null`: something that the library does not have. */
    base: z
      .object({ kind: z.enum(['herbicide', 'treatment', 'fertilizer']), slug: z.string() })
      .nullable(),
    /** The company's own name for it. */
    name: z.string().trim().min(1, 'name it').max(80),
    registration: z.string().trim().max(40).default(''),
    signalWord: z.enum(['none', 'caution', 'warning', 'danger']),
    unit: z.enum(['oz', 'fl-oz', 'lb', 'million']),
    /** Active ingredients: lb per gal of liquid, or per cent of the weight. */
    actives: z
      .array(
        z.object({
          name: z.string().trim().min(1, 'name the active ingredient'),
          amount: positive,
          unit: z.enum(['lb-per-gal', 'percent']),
        }),
      )
      .max(6)
      .default([]),
    lowPerAcre: optional(positive),
    highPerAcre: positive,
    maxPerYear: optional(positive),
    maxApplications: z.number().int().positive().nullable().default(null),
    minIntervalDays: optional(z.number().min(0).max(730)),
    /** Grasses that the label names; empty: not entered, the library's ratings stand. */
    turf: z.array(grassSlugSchema).default([]),
    airMinF: optional(z.number().min(-20).max(120)),
    airMaxF: optional(z.number().min(20).max(130)),
    waterInIn: optional(z.number().min(0).max(2)),
    rainfastHours: optional(z.number().min(0).max(96)),
    reentryHours: optional(z.number().min(0).max(240)),
    /** Weeks to wait before seed goes down, and that seedlings must have stood. */
    seedAfterWeeks: optional(z.number().min(0).max(104)),
    seedBeforeWeeks: optional(z.number().min(0).max(104)),
    homeLawns: z.boolean(),
    siteBans: z.string().max(400).default(''),
    packageAmount: optional(positive),
    priceUsd: optional(z.number().min(0).max(100_000)),
    /** Whole packages in the store; may be a part of one. */
    packages: z.number().min(0).max(10_000).default(0),
    /** Of several labels of one entry the one that is used counts. */
    inUse: z.boolean().default(true),
  })
  .superRefine((label, context) => {
    const issue = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message });
    if (label.lowPerAcre !== null && label.lowPerAcre > label.highPerAcre) {
      issue('lowPerAcre', 'the low rate is above the high one');
    }
    if (label.maxPerYear !== null && label.maxPerYear < label.highPerAcre) {
      issue('maxPerYear', 'a year allows less than one application');
    }
    if (label.airMinF !== null && label.airMaxF !== null && label.airMinF >= label.airMaxF) {
      issue('airMinF', 'the lowest air is not below the highest');
    }
    const { base } = label;
    if (base && !entryOf(base)) issue('base', 'the library has no such entry');
  });
export type ShelfLabel = z.infer<typeof shelfLabelSchema>;

const entryOf = ({ kind, slug }: { kind: string; slug: string }) =>
  kind === 'herbicide'
    ? herbicide(slug)
    : kind === 'treatment'
      ? treatment(slug)
      : fertilizer(slug);

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
