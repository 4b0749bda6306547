import { grass, SITE_EXPOSURES, type SiteFactor } from '../knowledge';
import { mainGrass } from './stand';
import type { Zone } from './zone';

/** Hours of direct sun on a clear midsummer day that part the rows of the offset table (common practice). */
const SUN_HOURS = { full: 6, half: 3 } as const;
/** Turf kept lower than this lets the sun onto the soil, in. */
const SHORT_TURF_IN = 2;

/**
 * Rows of the soil-temperature offset table that hold in a zone: those that were picked, and where no
 * exposure was picked the one that the hours of sun and the grass's usual height make.
 */
export function siteFactors({
  site,
  ...zone
}: Pick<Zone, 'site' | 'stand' | 'desired'>): SiteFactor[] {
  const picked = site.factors.some((factor) => SITE_EXPOSURES.some((one) => one === factor));
  if (picked || site.sunHours === null) return site.factors;
  if (site.sunHours < SUN_HOURS.half) return [...site.factors, 'full-shade'];
  if (site.sunHours < SUN_HOURS.full) return [...site.factors, 'half-shade'];
  const main = mainGrass(zone);
  const height = main && grass(main).mowingIn?.default;
  return [...site.factors, height && height <= SHORT_TURF_IN ? 'full-sun-short' : 'full-sun-tall'];
}
