import { applicationRules, grass, weedOfGrass, type GrassSlug } from '../knowledge';
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

/** Grasses of the stand that nobody wants, as weeds with their share of the ground. */
export function contaminantWeeds(
  zone: Pick<Zone, 'stand' | 'desired'>,
): { weed: string; cover: number }[] {
  return zone.stand.flatMap((share) => {
    if (zone.desired.includes(share.species) || share.cover <= 0) return [];
    const weed = weedOfGrass[share.species];
    return weed === undefined ? [] : [{ weed, cover: share.cover }];
  });
}

/** The desired grass with the most ground; the first desired one when the stand has none of them. */
export function mainGrass(zone: Pick<Zone, 'stand' | 'desired'>): GrassSlug {
  const wanted = zone.stand
    .filter((share: StandShare) => zone.desired.includes(share.species))
    .sort((a, b) => b.cover - a.cover);
  return wanted[0]?.species ?? (zone.desired[0] as GrassSlug);
}

/** `cool` or `warm`, by the main grass. */
export const standSeason = (zone: Pick<Zone, 'stand' | 'desired'>): 'cool' | 'warm' =>
  grass(mainGrass(zone)).season;
