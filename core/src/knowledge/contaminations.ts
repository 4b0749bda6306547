import { grass, type GrassSlug } from './grasses';
import type { Source } from './source';

/** A way to meet a grass or a weed that no usual programme clears out of a lawn. */
export type HardWay =
  | 'suppress-seasons'
  | 'kill-and-reseed'
  | 'kill-and-resod'
  | 'spot-kill'
  | 'dig-out'
  | 'crowd-out'
  | 'accept';

/** What is open where a plant is hard to get out of a turf, the better way first. */
export interface Contamination {
  weed: string;
  turf: readonly GrassSlug[] | 'cool';
  ways: readonly HardWay[];
}

/** Share of the zone from which a contaminant is rather killed and sown anew than held down over seasons. */
export const KILL_FROM_COVER = 0.15;

/** Order of the ways where there is no rule by cover: as they stand (common practice). */
export const contaminations: readonly Contamination[] = [
  { weed: 'bermuda-common', turf: ['st-augustine'], ways: ['kill-and-resod', 'accept'] },
  {
    weed: 'bermuda-common',
    turf: ['zoysia-fine', 'zoysia-wide'],
    ways: ['suppress-seasons', 'kill-and-resod', 'accept'],
  },
  { weed: 'bermuda-common', turf: ['bermuda-hybrid'], ways: ['spot-kill', 'accept'] },
  { weed: 'bermuda-common', turf: 'cool', ways: ['suppress-seasons', 'kill-and-reseed'] },
  { weed: 'zoysia', turf: 'cool', ways: ['kill-and-reseed', 'accept'] },
  { weed: 'roughstalk-bluegrass', turf: 'cool', ways: ['crowd-out', 'kill-and-reseed'] },
  { weed: 'torpedograss', turf: ['st-augustine'], ways: ['kill-and-resod', 'accept'] },
  { weed: 'dallisgrass', turf: 'cool', ways: ['suppress-seasons', 'kill-and-reseed'] },
  { weed: 'tall-fescue', turf: 'cool', ways: ['dig-out', 'kill-and-reseed'] },
  { weed: 'orchardgrass', turf: 'cool', ways: ['dig-out', 'kill-and-reseed'] },
  { weed: 'quackgrass', turf: 'cool', ways: ['kill-and-reseed', 'accept'] },
];
export const contaminationsSource: Source = { kind: 'common-practice' };

/**
 * Ways out of a contamination, the default one first: over {@link KILL_FROM_COVER} of the zone what kills stands before
 * what holds down. None where the usual programme does it.
 * @param cover share of the zone's ground, 0-1
 */
export function hardWays(weed: string, turf: GrassSlug, cover: number): HardWay[] {
  const row = contaminations.find(
    (entry) =>
      entry.weed === weed &&
      (entry.turf === 'cool' ? grass(turf).season === 'cool' : entry.turf.includes(turf)),
  );
  if (!row) return [];
  const kills = (way: HardWay) => way.startsWith('kill') && cover >= KILL_FROM_COVER;
  return [...row.ways].sort((a, b) => Number(kills(b)) - Number(kills(a)));
}
