import { grass, type GrassSlug, type SeedMix } from '../knowledge';

export interface SeedRate {
  /** lb pure live seed per 1000 ft². */
  plsLbPer1000: number;
  /** lb of seed from the bag per 1000 ft², for its purity and germination. */
  bulkLbPer1000: number;
}

/**
 * Seed for a zone: the middle of the overseeding range, or of the range for bare ground.
 * @param purity share of the bag that is seed of the kind, 0-1
 * @param germination share of that seed that germinates, 0-1
 * @returns `null` when no seed of the grass is sold
 */
export function seedRate(
  species: GrassSlug,
  use: 'overseed' | 'new',
  { purity = 0.98, germination = 0.85 } = {},
): SeedRate | null {
  const { seed } = grass(species);
  if (!seed) return null;
  const [low, high] = use === 'overseed' ? seed.overseedLbPer1000 : seed.newLbPer1000;
  const plsLbPer1000 = (low + high) / 2;
  return { plsLbPer1000, bulkLbPer1000: plsLbPer1000 / (purity * germination) };
}

/** What one grass of a mix comes to. */
export interface MixPart {
  species: GrassSlug;
  plsLbPer1000: number;
  seedsPerFt2: number;
  /** Share of the mix by number of seeds, 0-1; the label gives it by weight. */
  countShare: number;
}

/**
 * Rate of a mix: each grass's own rate by its share of the weight, and how many seeds of each fall.
 * @throws RangeError when no seed is sold of one of its grasses
 */
export function seedMixRate(
  { slug, parts }: Pick<SeedMix, 'slug' | 'parts'>,
  use: 'overseed' | 'new',
  bag: { purity?: number; germination?: number } = {},
): SeedRate & { parts: MixPart[] } {
  const own = parts.map(({ species, share }) => {
    const rate = seedRate(species, use, bag);
    const seedsPerLb = grass(species).seed?.seedsPerLb;
    if (!rate || seedsPerLb === undefined) throw new RangeError(`no seed of ${species} in ${slug}`);
    return { species, share, rate, seedsPerLb };
  });
  const plsLbPer1000 = own.reduce((sum, { share, rate }) => sum + share * rate.plsLbPer1000, 0);
  const bulkLbPer1000 = own.reduce((sum, { share, rate }) => sum + share * rate.bulkLbPer1000, 0);
  const seeds = own.map(({ share, seedsPerLb }) => (plsLbPer1000 * share * seedsPerLb) / 1000);
  const all = seeds.reduce((sum, count) => sum + count, 0);
  return {
    plsLbPer1000,
    bulkLbPer1000,
    parts: own.map(({ species, share }, index) => ({
      species,
      plsLbPer1000: plsLbPer1000 * share,
      seedsPerFt2: seeds[index]!,
      countShare: seeds[index]! / all,
    })),
  };
}
