import type { GrassSlug } from '../knowledge';
import { emergenceCurve, germinationPace } from '../knowledge/germination';

/**
 * How far seed comes in one day on the way to its first seedlings (1 is the first of them).
 * Source of the form: Larsen & Bibby 2005, Crop Science 45:2030-2037.
 * @param soilF mean of the day at 2 in, °F, in a moist seedbed
 * @returns share of the way, 0 or more; `null` where nothing is known of the grass's seed
 */
export function emergencePace(species: GrassSlug, soilF: number): number | null {
  const pace = germinationPace[species];
  if (!pace) return null;
  const { baseF, optimumF, ceilingF, firstDays } = pace;
  const [low, high] = optimumF;
  if (soilF <= baseF || soilF >= ceilingF) return 0;
  const share =
    soilF <= low
      ? (soilF - baseF) / (low - baseF)
      : soilF <= high
        ? 1
        : (ceilingF - soilF) / (ceilingF - high);
  return share / firstDays;
}

/**
 * Days until a grass has come a share of the way, over the soil that is expected.
 * @param soilF mean of each day from the sowing on, °F
 * @returns whole days, 1 at least; `null` when the days end before
 */
export function daysUntilUp(
  species: GrassSlug,
  soilF: readonly (number | null)[],
  share = 1,
): number | null {
  let way = 0;
  for (const [day, degrees] of soilF.entries()) {
    way += degrees === null ? 0 : (emergencePace(species, degrees) ?? 0);
    if (way >= share - 1e-9) return day + 1;
  }
  return null;
}

/** Days to the first seedlings and until nine in ten are up; `null` where the days end before. */
export const daysToStand = (
  species: GrassSlug,
  soilF: readonly (number | null)[],
): readonly [first: number | null, most: number | null] => [
  daysUntilUp(species, soilF),
  daysUntilUp(species, soilF, emergenceCurve.ninetyPct),
];
