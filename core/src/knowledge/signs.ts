import { z } from 'zod';
import raw from './data/signs.json';
import { sourceSchema } from './source';

export const postureSchema = z.enum(['kerb', 'standing', 'kneeling', 'test', 'context']);
export type Posture = z.infer<typeof postureSchema>;

export const signSchema = z.object({
  slug: z.string().regex(/^[khstc]-[a-z0-9-]+$/),
  posture: postureSchema,
  /** Seconds to look and answer. */
  seconds: z.number().int().positive(),
  /** 1 anyone, 2 trained technician, 3 diagnostician. */
  skill: z.union([z.literal(1), z.literal(2), z.literal(3)]),
  /** Correlation group: a second agreeing sign of one group counts less. */
  group: z.string(),
  /** P(sign seen) for a cause that does not list it. */
  base: z.number().positive().lt(1),
  source: sourceSchema,
});
export type Sign = z.infer<typeof signSchema>;

/** Every observable sign, in the order of the walk. Shape checked by `knowledge.test.ts`. */
export const signs = raw as unknown as readonly Sign[];

const bySlug = new Map(signs.map((entry) => [entry.slug, entry]));

/** The sign of a slug, or `undefined` when there is none. */
export const sign = (slug: string): Sign | undefined => bySlug.get(slug);

/** A screen that asks several signs at once. `exclusive`: one yes answers the others no. */
export interface ChoiceScreen {
  slug: string;
  options: readonly string[];
  exclusive: boolean;
}

/** Choices under which a technician or a batch file may answer several signs at once. */
export const choiceScreens: readonly ChoiceScreen[] = [
  { slug: 'extent', options: ['k-pat-uniform', 'k-pat-single'], exclusive: true },
  { slug: 'edge', options: ['s-edge-sharp', 's-edge-diffuse'], exclusive: true },
  { slug: 'crown', options: ['h-crown-firm', 'h-crown-dead'], exclusive: true },
  { slug: 'weeds-in-patch', options: ['s-weeds-hit', 's-weeds-green'], exclusive: true },
  { slug: 'soil-water', options: ['h-soil-dry', 'h-soil-wet'], exclusive: true },
  {
    slug: 'colour',
    options: [
      's-col-straw',
      's-col-bluegray',
      's-col-lime',
      's-col-white',
      's-col-orange',
      's-col-redpink',
      's-col-dark-greasy',
      's-col-purple',
      's-col-grayfilm',
      's-col-mottle',
    ],
    exclusive: false,
  },
];

/** Pairs that cannot both be true of one zone: the zone wants splitting before scoring. */
export const contradictions: readonly (readonly [string, string])[] = [
  ['k-pat-uniform', 'k-pat-single'],
  ['h-crown-firm', 'h-crown-dead'],
];
