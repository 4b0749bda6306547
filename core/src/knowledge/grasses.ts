import { z } from 'zod';
import raw from './data/grasses.json';
import { sourceSchema } from './source';

const range = z.tuple([z.number(), z.number()]);

/** Every turf grass, desired or contaminant, that a stand can be made of. */
export const GRASS_SLUGS = [
  'kentucky-bluegrass',
  'tall-fescue',
  'fine-fescue',
  'perennial-ryegrass',
  'annual-ryegrass',
  'creeping-bentgrass',
  'roughstalk-bluegrass',
  'annual-bluegrass',
  'bermuda-common',
  'bermuda-hybrid',
  'zoysia-fine',
  'zoysia-wide',
  'st-augustine',
  'centipede',
  'bahia',
  'buffalograss',
  'carpetgrass',
] as const;
export const grassSlugSchema = z.enum(GRASS_SLUGS);
export type GrassSlug = z.infer<typeof grassSlugSchema>;

/** Row names of the susceptibility table of the causes. */
export const HOST_SLUGS = [
  'kentucky-bluegrass',
  'tall-fescue',
  'fine-fescue',
  'perennial-ryegrass',
  'creeping-bentgrass',
  'bermuda-common',
  'bermuda-hybrid',
  'zoysia-fine',
  'zoysia-wide',
  'st-augustine',
  'centipede',
  'bahia',
  'buffalograss',
] as const;
export type HostSlug = (typeof HOST_SLUGS)[number];

export const grassSchema = z.object({
  slug: grassSlugSchema,
  latin: z.string(),
  season: z.enum(['cool', 'warm']),
  roles: z.array(z.enum(['desired', 'contaminant'])).min(1),
  habit: z.enum(['bunch', 'bunch-or-rhizome', 'rhizome', 'stolon', 'stolon-and-rhizome']),
  /** How the stand closes a gap by itself. */
  recovery: z.enum(['fast-spreader', 'medium-spreader', 'slow-spreader', 'bunch']),
  /** Row of the cause susceptibility table; `null`: use St. Augustine's, halved (assumption). */
  diagnosisHost: z.enum(HOST_SLUGS).nullable(),
  /** Column family of the herbicide tolerance table; `null`: no label row, treated as a weed only. */
  herbicideTurf: z.string().nullable(),
  ph: z.object({ ok: range, target: z.number() }).nullable(),
  /** lb N per 1000 ft²: low, typical and high per year; per-application limits. */
  nitrogen: z
    .object({
      yearLbPer1000: z.tuple([z.number(), z.number(), z.number()]),
      maxQuickLbPer1000: z.number(),
      maxQuickSummerLbPer1000: z.number(),
      maxSlowLbPer1000: z.number(),
    })
    .nullable(),
  mowingIn: z
    .object({ range, default: z.number(), summer: range, flagBelow: z.number() })
    .nullable(),
  /** Soil °F at 4 in: green-up begins, full. */
  greenUpSoilF: range,
  dormancySoilF: z.number(),
  /** `null`: no seed on the market, plugs or sod only. */
  seed: z
    .object({
      newLbPer1000: range,
      overseedLbPer1000: range,
      seedsPerLb: z.number().int(),
      germinationDays: range,
      soilF: z.object({ min: z.number(), optimum: range, max: z.number() }),
      depthIn: range,
    })
    .nullable(),
  shootOptimumAirF: range,
  /** Ordinal ratings 1-5, never averaged across traits. */
  tolerance: z.object({
    shade: z.number(),
    heat: z.number(),
    cold: z.number(),
    droughtAlive: z.number(),
    droughtGreen: z.number(),
    traffic: z.number(),
    recuperation: z.number(),
  }),
  /** Hours of direct sun below which the stand does not last. */
  sunHours: range,
  traits: z.object({
    vernation: z.enum(['folded', 'rolled']),
    ligule: z.enum(['membrane-short', 'membrane-long', 'membrane-with-hairs', 'fringe-of-hairs']),
    auricle: z.enum(['none', 'short-fringed', 'small-or-none', 'long-clasping']),
    bladeMm: range,
    tip: z.enum(['boat', 'pointed', 'sharp', 'needle', 'blunt', 'rounded', 'curling']),
  }),
  peakWaterInPerWeek: range.nullable(),
  plugs: z.object({ spacingIn: range, monthsToCover: range }).nullable(),
  kinds: z
    .array(
      z.object({
        slug: z.string(),
        latin: z.string(),
        habit: z.enum(['bunch', 'rhizome']),
        bladeMm: range,
        seedsPerLb: z.number().int(),
        shade: z.number(),
        recuperation: z.number(),
      }),
    )
    .nullable(),
  source: sourceSchema,
});
export type Grass = z.infer<typeof grassSchema>;

/** All turf grasses. Shape checked by `knowledge.test.ts`, since the data ships with the code. */
export const grasses = raw as unknown as readonly Grass[];

const bySlug = new Map(grasses.map((entry) => [entry.slug, entry]));

/** The entry of a slug. Every {@link GrassSlug} has one. */
export function grass(slug: GrassSlug): Grass {
  return bySlug.get(slug) as Grass;
}
