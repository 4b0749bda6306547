import { grass, seedRules, type GrassSlug } from '../knowledge';
import type { ShelfHerbicide } from '../products';
import { daysBetween, localDate } from '../units';
import { ROUNDING, shelfIn, type CheckContext, type Judged, type Use } from './checkContext';
import { isPlanted, seedWaitDays } from './checkHerbicide';
import { findingsBy, type CheckFinding, type Say } from './finding';

/**
 * Seed that went down, as a share of the most that makes sense: what the bag says, else some times the rate for bare
 * ground. Grasses that are sown together share one ground.
 */
function checkHeavy(application: Judged, context: CheckContext, say: Say): void {
  let lb = 0;
  let share = 0;
  for (const { kind, slug, amount } of application.materials) {
    const bag = kind === 'seed' ? shelfIn(context).seed(slug) : undefined;
    if (!bag) continue;
    const per1000 = (amount / application.areaFt2) * 1000;
    lb += per1000;
    share += per1000 / (bag.newLbPer1000 * (bag.own ? ROUNDING : seedRules.heavy));
  }
  if (share > 1) say('seed-heavy', 'caution', { lb, max: lb / share });
}

/** Judges seed by its amount, beside what was sprayed before it, and beside the soil. */
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
    checkHeavy(application, context, say);
    const { soilF } = context;
    for (const { slug, kind } of seeds) {
      const range = kind === 'seed' ? grass(slug as GrassSlug).seed?.soilF : undefined;
      if (
        range &&
        soilF !== undefined &&
        (soilF < range.min - seedRules.colderF || soilF > range.max)
      ) {
        say('seed-soil', 'caution', { soilF, min: range.min, max: range.max }, slug);
      }
    }
  });
}
