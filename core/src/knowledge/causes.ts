import { z } from 'zod';
import raw from './data/causes.json';
import { HOST_SLUGS } from './grasses';
import { monthWindowsSchema } from './region';
import { sourceSchema } from './source';

export const causeGroupSchema = z.enum([
  'heat-drought',
  'cold-winter',
  'insect',
  'disease',
  'animals',
  'chemical',
  'mechanical',
  'soil-site',
  'nutrition',
  'natural',
  'weeds',
]);

export const actionSchema = z.enum([
  'water',
  'less-water',
  'drain',
  'fix',
  'wait',
  'rake',
  'leach',
  'fertilise',
  'iron',
  'mow',
  'wetting',
  'aerate',
  'soil',
  'lime',
  'sulfur',
  'seed',
  'cultural',
  'insecticide',
  'tolerate',
  'fungicide',
  'weed',
  'animal',
  'lab',
]);
export type Action = z.infer<typeof actionSchema>;

/** Likelihoods are elicited on these ten levels only; never 0 or 1. */
export const LIKELIHOOD_LEVELS = [0.02, 0.05, 0.1, 0.2, 0.35, 0.5, 0.65, 0.8, 0.9, 0.97] as const;

export const causeSchema = z.object({
  slug: z.string(),
  group: causeGroupSchema,
  /** Relative frequency among damage calls, before season and grass. */
  baseWeight: z.number().positive(),
  severity: z.enum(['cosmetic', 'thinning', 'lethal']),
  /** Class of action that answers the cause today. */
  action: actionSchema,
  /** Months in which the damage can be seen. */
  months: monthWindowsSchema,
  /** Soil °F at 2 in in which the damage appears. */
  soilF: z.tuple([z.number(), z.number()]),
  /** Susceptibility per grass: 0 immune, 1 slight, 2 moderate, 3 high. */
  host: z.record(z.enum(HOST_SLUGS), z.number().int().min(0).max(3)),
  /** P(sign | cause) where it differs from the sign's base rate. */
  signs: z.record(z.string(), z.number()),
  source: sourceSchema,
});
export type Cause = z.infer<typeof causeSchema>;

/** Every cause of turf damage. Shape checked by `knowledge.test.ts`. */
export const causes = raw as unknown as readonly Cause[];

const bySlug = new Map(causes.map((entry) => [entry.slug, entry]));

/** The cause of a slug, or `undefined` when there is none. */
export const cause = (slug: string): Cause | undefined => bySlug.get(slug);
