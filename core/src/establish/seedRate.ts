import { grass, type GrassSlug } from '../knowledge';

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
