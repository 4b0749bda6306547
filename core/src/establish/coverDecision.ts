import { coverRule, grass, type GrassSlug } from '../knowledge';
import { wilsonInterval } from '../lawn';

export type CoverDecision = 'enough' | 'overseed' | 'renovate' | 'count-more';

/**
 * What a zone's cover of desired grass asks for. With a point count the 50 % rule reads the interval
 * (crossings of one frame are alike, so only 60 % of the points count); an estimate is taken as it is.
 * @param cover share of the ground under desired grass, 0-1
 * @param count the point count behind it, if there was one
 */
export function coverDecision(
  cover: number,
  mainGrass: GrassSlug,
  count?: { hits: number; points: number },
): CoverDecision {
  const bunch = grass(mainGrass).recovery === 'bunch';
  if (cover >= (bunch ? coverRule.enoughBunch : coverRule.enoughSpreading)) return 'enough';
  if (count) {
    const share = coverRule.effectiveShare;
    const [low, high] = wilsonInterval(count.hits * share, count.points * share, coverRule.z);
    if (high < coverRule.renovateBelow) return 'renovate';
    return low > coverRule.renovateBelow ? 'overseed' : 'count-more';
  }
  return cover < coverRule.renovateBelow ? 'renovate' : 'overseed';
}
