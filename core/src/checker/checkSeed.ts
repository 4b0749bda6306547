import { grass, type GrassSlug } from '../knowledge';
import type { ShelfHerbicide } from '../products';
import { daysBetween, localDate } from '../units';
import type { CheckContext, Judged, Use } from './checkContext';
import { isPlanted, seedWaitDays } from './checkHerbicide';
import { findingsBy, type CheckFinding } from './finding';

/** Soil so far under a seed's range still lets it come up, late, °F. */
const COLDER_F = 5;

/** Judges seed beside what was sprayed before it, and beside the soil. */
export function checkSeed(
  application: Judged,
  context: CheckContext,
  uses: readonly Use<ShelfHerbicide>[],
): CheckFinding[] {
  const seeds = application.materials.filter(isPlanted);
  if (seeds.length === 0) return [];
  const date = localDate(application.date);
  return findingsBy(null, (say) => {
    for (const { product, rate, date: sprayed } of uses) {
      const days = daysBetween(sprayed, date);
      const min = seedWaitDays(product, rate);
      if (days >= 0 && days < min) {
        say('seed-too-soon', 'exceeds', { days, min }, product.slug);
      }
    }
    const { soilF } = context;
    for (const { slug, kind } of seeds) {
      const range = kind === 'seed' ? grass(slug as GrassSlug).seed?.soilF : undefined;
      if (range && soilF !== undefined && (soilF < range.min - COLDER_F || soilF > range.max)) {
        say('seed-soil', 'caution', { soilF, min: range.min, max: range.max }, slug);
      }
    }
  });
}
