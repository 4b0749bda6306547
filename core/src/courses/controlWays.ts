import type { ZoneCase } from '../choice/zoneCase';
import { weed as weedOf } from '../knowledge';
import { hardWays } from '../knowledge/contaminations';
import type { WeedFinding } from '../needs/seasonInput';

/** Cover of the zone below which a few plants are as soon lifted out as sprayed (common practice). */
const BY_HAND_BELOW = 0.05;

/** Ways that are walks with a product. */
const WALKS: ReadonlySet<string> = new Set(['post-emergent', 'suppress-seasons']);
/** Whether a way is what the plan lays out by itself. */
export const isWalked = (way: string): boolean => WALKS.has(way);

/**
 * Every way that is open to a growing weed, the default one first: a programme of walks where one is laid out, what is
 * left where no usual programme clears it out of this grass, lifting out a few that do not come back from the root, and
 * leaving it, with a look.
 * @param walks a programme of walks is laid out, or under way
 */
export function controlWays(
  { main }: Pick<ZoneCase, 'main'>,
  { weed, cover }: WeedFinding,
  walks: boolean,
): string[] {
  const hard = hardWays(weed, main, cover);
  const entry = weedOf(weed);
  const byHand = cover < BY_HAND_BELOW && entry !== undefined && entry.pull !== 'no';
  return [
    ...(hard.length > 0
      ? hard.filter((way) => way !== 'suppress-seasons' || walks)
      : walks
        ? ['post-emergent']
        : []),
    ...(byHand ? ['hand-removal'] : []),
    // What may be lived with for good may be left for a while.
    ...(hard.includes('accept') ? [] : ['leave']),
  ];
}
