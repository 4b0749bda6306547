import type { GrassSlug } from './grasses';
import type { Source } from './source';

/** A seed mix by the weight of its grasses; no trade product. */
export interface SeedMix {
  slug: string;
  parts: readonly { species: GrassSlug; share: number }[];
  use: 'sun' | 'shade' | 'wear' | 'repair' | 'low-input' | 'winter';
  source: Source;
}

const COMMON: Source = { kind: 'common-practice' };

/** Mixes that any seed house makes up. Bluegrass and fine fescue go by count: a little weighs much. */
export const seedMixes: readonly SeedMix[] = [
  {
    slug: 'mix-fescue-bluegrass',
    parts: [
      { species: 'tall-fescue', share: 0.9 },
      { species: 'kentucky-bluegrass', share: 0.1 },
    ],
    use: 'sun',
    source: COMMON,
  },
  {
    slug: 'mix-bluegrass-ryegrass',
    parts: [
      { species: 'kentucky-bluegrass', share: 0.7 },
      { species: 'perennial-ryegrass', share: 0.3 },
    ],
    use: 'sun',
    source: COMMON,
  },
  {
    slug: 'mix-sun-and-shade',
    parts: [
      { species: 'kentucky-bluegrass', share: 0.4 },
      { species: 'fine-fescue', share: 0.4 },
      { species: 'perennial-ryegrass', share: 0.2 },
    ],
    use: 'shade',
    source: COMMON,
  },
  {
    slug: 'mix-deep-shade',
    parts: [
      { species: 'fine-fescue', share: 0.85 },
      { species: 'kentucky-bluegrass', share: 0.15 },
    ],
    use: 'shade',
    source: COMMON,
  },
  {
    slug: 'mix-wear',
    parts: [
      { species: 'perennial-ryegrass', share: 0.5 },
      { species: 'kentucky-bluegrass', share: 0.5 },
    ],
    use: 'wear',
    source: COMMON,
  },
  {
    slug: 'mix-quick-repair',
    parts: [
      { species: 'tall-fescue', share: 0.75 },
      { species: 'perennial-ryegrass', share: 0.25 },
    ],
    use: 'repair',
    source: COMMON,
  },
  {
    slug: 'mix-low-input',
    parts: [
      { species: 'fine-fescue', share: 0.6 },
      { species: 'tall-fescue', share: 0.4 },
    ],
    use: 'low-input',
    source: COMMON,
  },
  {
    slug: 'mix-winter-overseed',
    parts: [
      { species: 'perennial-ryegrass', share: 0.7 },
      { species: 'annual-ryegrass', share: 0.3 },
    ],
    use: 'winter',
    source: COMMON,
  },
];

const bySlug = new Map(seedMixes.map((mix) => [mix.slug, mix]));

/** The mix of a slug, or `undefined` when there is none. */
export const seedMix = (slug: string): SeedMix | undefined => bySlug.get(slug);
