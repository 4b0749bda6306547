import { applicationRules, grass, weedOfGrass, type GrassSlug, type Region } from '../knowledge';
import type { StandShare, Zone } from './zone';

/** Share of the ground under grasses that the customer wants, 0-1. */
export function desiredCover(zone: Pick<Zone, 'stand' | 'desired'>): number {
  return zone.stand
    .filter((share) => zone.desired.includes(share.species))
    .reduce((sum, share) => sum + share.cover, 0);
}

/**
 * Desired grasses that govern what may be sprayed: those with at least 10 % of the ground, 5 % for
 * the sensitive ones (St. Augustine, centipede, perennial ryegrass). An empty stand falls back to
 * every desired grass, the cautious reading.
 */
export function governingGrasses(zone: Pick<Zone, 'stand' | 'desired'>): GrassSlug[] {
  const governing = zone.stand.filter((share) => {
    if (!zone.desired.includes(share.species)) return false;
    const sensitive = (applicationRules.sensitiveGrasses as readonly string[]).includes(
      share.species,
    );
    return (
      share.cover >=
      (sensitive ? applicationRules.sensitiveDesirableCover : applicationRules.desirableCover)
    );
  });
  return governing.length > 0 ? governing.map((share) => share.species) : [...zone.desired];
}

/** Grasses of the stand that are neither wanted nor put up with, as weeds with their share of the ground. */
export function contaminantWeeds(
  zone: Pick<Zone, 'stand' | 'desired' | 'tolerated'>,
): { weed: string; cover: number }[] {
  const mayStay = [...zone.desired, ...zone.tolerated];
  return zone.stand.flatMap((share) => {
    if (mayStay.includes(share.species) || share.cover <= 0) return [];
    const weed = weedOfGrass[share.species];
    return weed === undefined ? [] : [{ weed, cover: share.cover }];
  });
}

/**
 * The desired grass with the most ground; the first desired one when the stand has none of them; `null`
 * while nobody has named a grass, for none is assumed.
 */
export function mainGrass(zone: Pick<Zone, 'stand' | 'desired'>): GrassSlug | null {
  const wanted = zone.stand
    .filter((share: StandShare) => zone.desired.includes(share.species))
    .sort((a, b) => b.cover - a.cover);
  return wanted[0]?.species ?? zone.desired[0] ?? null;
}

/** Grass of the open sunny lawn that stands for a region. */
export const regionGrass: Readonly<Record<Region, GrassSlug>> = {
  north: 'kentucky-bluegrass',
  transition: 'tall-fescue',
  south: 'bermuda-hybrid',
};

/**
 * The grass that limits and curves hang on: the zone's own, or the region's while nobody has named it.
 * Never for anything that is spread or sprayed.
 */
export const assumedGrass = (zone: Pick<Zone, 'stand' | 'desired'>, region: Region): GrassSlug =>
  mainGrass(zone) ?? regionGrass[region];

/** `cool` or `warm`, by the main grass; `null` while it has no name. */
export function standSeason(zone: Pick<Zone, 'stand' | 'desired'>): 'cool' | 'warm' | null {
  const main = mainGrass(zone);
  return main && grass(main).season;
}
