import { z } from 'zod';
import raw from './data/treatments.json';
import { sourceSchema } from './source';

export const TREATMENT_KINDS = [
  'insecticide',
  'biological',
  'nematicide',
  'fungicide',
  'growth-regulator',
  'wetting-agent',
] as const;
export const treatmentKindSchema = z.enum(TREATMENT_KINDS);
export const treatmentUnitSchema = z.enum(['oz', 'fl-oz', 'lb', 'million']);
/** How well: not, partly, well. */
const gradeSchema = z.union([z.literal(0), z.literal(1), z.literal(2)]);

/** An insecticide, fungicide, growth regulator or wetting agent by its active ingredient. */
export const treatmentSchema = z
  .object({
    slug: z.string(),
    kind: treatmentKindSchema,
    /** Mode-of-action group. Insecticide 28 and fungicide 28 are different lists: read with `kind`. */
    group: z.string(),
    form: z.enum(['dry-flowable', 'suspension', 'emulsion', 'solution', 'granule', 'live']),
    /** `null`: the label must be read for every figure. */
    unit: treatmentUnitSchema.nullable(),
    concentration: z
      .object({ amount: z.number(), unit: z.enum(['lb-per-gal', 'fraction']) })
      .nullable(),
    /** Low and high, product per acre in `unit`. */
    ratePerAcre: z.tuple([z.number(), z.number()]).nullable(),
    maxPerYear: z.number().nullable(),
    maxApplications: z.number().int().nullable(),
    minIntervalDays: z.number().nullable(),
    /** Days after which a repeat is usual. */
    repeatDays: z.number().nullable(),
    /** Water after it, in; 0: none for a day, it works on the leaf. */
    waterInIn: z.number().nullable(),
    residualDays: z.number().nullable(),
    preventive: gradeSchema,
    curative: gradeSchema,
    /** Hazard to bees while flowers are open, 0-3. */
    beeHazard: z.number().int().min(0).max(3),
    residential: z.enum(['yes', 'no', 'check-label']),
    restrictedUse: z.boolean(),
    hotAboveF: z.number().nullable(),
    signalWord: z.enum(['none', 'caution', 'warning', 'danger']),
    /** Causes it is used against. */
    targets: z.array(z.string()),
    /** Invented, for comparing only. */
    usdPer1000Invented: z.number().nullable(),
    source: sourceSchema,
  })
  .refine(({ unit, ratePerAcre }) => (unit === null) === (ratePerAcre === null), {
    path: ['ratePerAcre'],
    message: 'a rate has a unit',
  });
export type Treatment = z.infer<typeof treatmentSchema>;

/** The library of treatments; typical label values, to be checked against one's own. */
export const treatments = raw as unknown as readonly Treatment[];

const bySlug = new Map(treatments.map((entry) => [entry.slug, entry]));

/** The entry of a slug, or `undefined` when there is none. */
export const treatment = (slug: string): Treatment | undefined => bySlug.get(slug);

/** Repeats of one mode of action that resistance takes for an invitation. */
export const rotationRules = {
  /** Fungicide groups never used twice running against these. */
  neverTwice: ['dollar-spot', 'gray-leaf-spot', 'pythium-blight'],
  /** Insecticides: at most so many of one group running. */
  mostRunning: 2,
  /** Herbicides: consecutive years with one group alone, and applications of it in a year. */
  mostYears: 2,
  mostInYear: 2,
  source: { kind: 'common-practice' },
} as const;

/** Expected effect of a grade, % of the target (memory): partly and well. */
export const gradeControl = [0, 60, 85] as const;
