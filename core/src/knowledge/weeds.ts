import { z } from 'zod';
import raw from './data/weeds.json';
import { monthWindowsSchema } from './region';
import { sourceSchema } from './source';

export const weedCategorySchema = z.enum([
  'sedge',
  'rush',
  'broadleaf',
  'grassy-annual',
  'grassy-perennial',
  'bulb',
  'contaminant-turf',
  'moss',
]);

export const weedSchema = z.object({
  slug: z.string(),
  latin: z.string(),
  family: z.string(),
  lifeCycle: z.string(),
  category: weedCategorySchema,
  /** Soil °F at 2 in (24-h mean) at which it emerges, and the way the soil is moving. */
  emergenceF: z.number(),
  emergenceDirection: z.enum(['rising', 'falling', 'any']),
  /** Months in which it is conspicuous. */
  months: monthWindowsSchema,
  pull: z.enum(['yes', 'no', 'young']),
  /** 1 easy to 5 very hard. */
  difficulty: z.number().int().min(1).max(5),
  applications: z.number().int().min(0),
  intervalDays: z.tuple([z.number(), z.number()]),
  source: sourceSchema,
});
export type Weed = z.infer<typeof weedSchema>;

/** Every weed of the library. Shape checked by `knowledge.test.ts`. */
export const weeds = raw as unknown as readonly Weed[];

const bySlug = new Map(weeds.map((entry) => [entry.slug, entry]));

/** The weed of a slug, or `undefined` when there is none. */
export const weed = (slug: string): Weed | undefined => bySlug.get(slug);

/** The weed that a turf grass is when the customer does not want it. */
export const weedOfGrass: Readonly<Record<string, string>> = {
  'bermuda-common': 'bermuda-common',
  bahia: 'bahia',
  carpetgrass: 'carpetgrass',
  'tall-fescue': 'tall-fescue',
  'perennial-ryegrass': 'perennial-ryegrass',
  'annual-ryegrass': 'perennial-ryegrass',
  'creeping-bentgrass': 'creeping-bentgrass',
  'roughstalk-bluegrass': 'roughstalk-bluegrass',
  'annual-bluegrass': 'annual-bluegrass',
  'zoysia-fine': 'zoysia',
  'zoysia-wide': 'zoysia',
};
