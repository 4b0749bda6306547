import { z } from 'zod';
import rawActiveCaps from './data/activeCaps.json';
import raw from './data/herbicides.json';
import rawOverrides from './data/toleranceOverrides.json';
import { sourceSchema } from './source';

const range = z.tuple([z.number(), z.number()]);

/** From mild to severe; the worst rating of a stand governs. */
export const TOLERANCE_RATINGS = ['safe', 'caution', 'not-labelled', 'injures', 'kills'] as const;
export const toleranceSchema = z.enum(TOLERANCE_RATINGS);
export type Tolerance = z.infer<typeof toleranceSchema>;

export const productUnitSchema = z.enum(['oz', 'fl-oz', 'lb', 'dose']);

export const herbicideSchema = z.object({
  slug: z.string(),
  /** Mode-of-action groups of its actives, 2020 numbering. */
  hrac: z.array(z.string()),
  preEmergent: z.boolean(),
  postEmergent: z.boolean(),
  selective: z.boolean(),
  /** Decides its place in the order of filling. */
  form: z.enum(['dry-flowable', 'suspension', 'emulsion', 'solution', 'granule', 'tank-mix']),
  unit: productUnitSchema,
  /** lb a.i. per gal of liquid, or the fraction by weight of a dry product. */
  concentration: z
    .object({ amount: z.number(), unit: z.enum(['lb-per-gal', 'fraction']) })
    .nullable(),
  /** Actives of a premix; `null`: one active, named by the slug. */
  actives: z
    .array(
      z.object({
        active: z.string(),
        amount: z.number(),
        unit: z.enum(['lb-per-gal', 'fraction']),
      }),
    )
    .nullable(),
  /** Components of a tank-mix recipe: one dose per acre is these amounts. */
  tankMix: z
    .array(z.object({ herbicide: z.string(), ratePerAcre: z.number(), unit: productUnitSchema }))
    .nullable(),
  /** Label-type low and high rate, product per acre; a recipe has no low rate. */
  rate: z.tuple([z.number().nullable(), z.number()]),
  maxPerApplication: z.number(),
  maxPerYear: z.number(),
  minIntervalDays: z.number(),
  maxApplications: z.number().int(),
  /** Lowest and highest forecast high, °F. */
  airF: range,
  residualWeeks: range,
  /** Weeks a seedling stand must have stood before it may be sprayed. */
  seedlingAgeWeeks: z.number(),
  /** Weeks to wait before seeding, by rate or label version. */
  waitBeforeSeedingWeeks: range,
  daysToYellow: range.nullable(),
  daysToDead: range.nullable(),
  rainfastHours: z.number().nullable(),
  water: z.object({
    keepDryHours: z.number().nullable(),
    waterInInches: range.nullable(),
    withinDays: z.number().nullable(),
  }),
  surfactant: z.object({
    kind: z.enum(['none', 'non-ionic', 'methylated-seed-oil', 'ammonium-sulfate']),
    /** % of the spray volume. */
    percent: z.number().nullable(),
    optional: z.boolean(),
  }),
  residential: z.enum(['yes', 'no', 'check-label']),
  restrictedUse: z.boolean(),
  rootZone: z.enum(['none', 'low', 'moderate', 'high']),
  volatility: z.enum(['low', 'med', 'high']),
  signalWord: z.enum(['none', 'caution', 'warning', 'danger']),
  ppe: z.array(
    z.enum(['gloves', 'chemical-gloves', 'long-sleeves', 'goggles', 'face-shield', 'dust-mask']),
  ),
  /** Invented, for comparing mixes only. */
  usdPerUnitInvented: z.number(),
  tolerance: z.record(z.string(), toleranceSchema),
  /** Highest product rate per acre by grass, where lower than the general one. */
  rateCaps: z.record(z.string(), z.number()),
  source: sourceSchema,
});
export type Herbicide = z.infer<typeof herbicideSchema>;

export const toleranceConditionSchema = z.enum([
  'any',
  'green',
  'fully-dormant',
  'spring-transition',
  'air>85F',
  'drought',
  'alone-stand',
  'at-seeding',
  'repeat-applications',
  'cool-wet',
  'spot',
  'newly-sprigged',
  'young<16-months',
  'carpetgrass<=10pct-cover',
  'carpetgrass>10pct-cover',
  'bermuda-suppression',
  'low-rate-suppression',
]);
export type ToleranceCondition = z.infer<typeof toleranceConditionSchema>;

export const toleranceOverrideSchema = z.object({
  herbicide: z.string(),
  turf: z.string(),
  condition: toleranceConditionSchema,
  rating: toleranceSchema,
  source: sourceSchema,
});
export type ToleranceOverride = z.infer<typeof toleranceOverrideSchema>;

export const activeCapSchema = z.object({
  active: z.string(),
  /** lb a.i. or a.e. per acre, over every product that holds the active. */
  maxLbPerApplication: z.number(),
  maxLbPerYear: z.number(),
  maxApplications: z.number().int().nullable(),
  minIntervalDays: z.number().int(),
  source: sourceSchema,
});
export type ActiveCap = z.infer<typeof activeCapSchema>;

/** Every herbicide entry: single actives, premixes and tank-mix recipes. */
export const herbicides = raw as unknown as readonly Herbicide[];
/** Ratings that replace the base rating while a condition holds; in table order, last match wins. */
export const toleranceOverrides = rawOverrides as unknown as readonly ToleranceOverride[];
/** Limits per active across all products of one lawn and year. */
export const activeCaps = rawActiveCaps as unknown as readonly ActiveCap[];

const bySlug = new Map(herbicides.map((entry) => [entry.slug, entry]));

/** The entry of a slug, or `undefined` when there is none. */
export const herbicide = (slug: string): Herbicide | undefined => bySlug.get(slug);

/** Salts and esters of one acid are one active to the yearly cap. */
const ACTIVE_OF_SLUG: Readonly<Record<string, string>> = {
  '24d-amine': '2,4-d',
  '24d-ester': '2,4-d',
};

/** Name of the active of a single-active entry. */
export const activeName = (slug: string): string => ACTIVE_OF_SLUG[slug] ?? slug;

/**
 * Steps of prodiamine: the highest rate (oz product per acre) that leaves so many weeks before
 * seeding, and the share of its full effect it keeps.
 */
export const prodiamineSteps = [
  { ozPerAcre: 8, waitWeeks: 18, effect: 0.8 },
  { ozPerAcre: 12, waitWeeks: 22, effect: 0.9 },
  { ozPerAcre: 16, waitWeeks: 26, effect: 1 },
  { ozPerAcre: 24, waitWeeks: 40, effect: 1 },
  { ozPerAcre: 36.8, waitWeeks: 52, effect: 1 },
] as const;
