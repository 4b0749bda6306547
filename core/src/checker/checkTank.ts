import { rotationRules, tankRules } from '../knowledge';
import type { ShelfHerbicide } from '../products';
import type { Application } from '../rates';
import { activeLoad } from './activeLoad';
import { shelfIn, type CheckContext, type Judged, type Use } from './checkContext';
import { findingsBy, type CheckFinding } from './finding';

const isAntagonist = (product: ShelfHerbicide): boolean =>
  product.hrac.includes(tankRules.auxinGroup) &&
  [...activeLoad(product, 1).keys()].some((active) =>
    (tankRules.antagonists as readonly string[]).includes(active),
  );

/** Judges what shares a tank: products that take each other's effect, and two of one mode of action. */
export function checkTank(doses: readonly Use<ShelfHerbicide>[]): CheckFinding[] {
  const products = doses.map(({ product }) => product);
  return findingsBy(null, (say) => {
    for (const graminicide of products) {
      if (!graminicide.hrac.includes(tankRules.graminicideGroup)) continue;
      const against = products.find((other) => other !== graminicide && isAntagonist(other));
      if (against) say('antagonism', 'caution', { other: against.slug }, graminicide.slug);
    }
    products.forEach((product, index) => {
      const twin = products
        .slice(0, index)
        .find((other) =>
          other.hrac.some(
            (group) =>
              product.hrac.includes(group) &&
              !(tankRules.mayRepeat as readonly string[]).includes(group),
          ),
        );
      const mode = twin?.hrac.find((group) => product.hrac.includes(group));
      if (twin && mode) say('same-mode', 'caution', { other: twin.slug, mode }, product.slug);
    });
  });
}

/**
 * Groups used against one weed: too often in a year, or alone for too many years running. Only a
 * record that names its targets can be judged.
 */
export function checkRotation(application: Judged, context: CheckContext): CheckFinding[] {
  const targets = application.targets ?? [];
  if (targets.length === 0) return [];
  const shelf = shelfIn(context);
  const groupsOf = (own: Application) =>
    own.materials.flatMap((material) =>
      material.kind === 'herbicide' ? (shelf.herbicide(material.slug)?.hrac ?? []) : [],
    );
  const own = new Set(groupsOf(application));
  const [group] = own;
  if (own.size !== 1 || group === undefined) return [];
  const year = Number(application.date.slice(0, 4));
  const against = context.others.filter((other) =>
    (other.targets ?? []).some((weed) => targets.includes(weed)),
  );
  const ofYear = (y: number) => against.filter(({ date }) => Number(date.slice(0, 4)) === y);
  const alone = (y: number) => {
    const groups = ofYear(y).flatMap(groupsOf);
    return groups.length > 0 && groups.every((entry) => entry === group);
  };
  // A tank of several modes is one more walk of each of them.
  const inYear = ofYear(year).filter((other) => groupsOf(other).includes(group)).length;
  const running = Array.from({ length: rotationRules.mostYears }, (_, index) => year - 1 - index);
  return findingsBy(null, (say) => {
    if (inYear >= rotationRules.mostInYear) {
      say('rotation', 'caution', { mode: group, count: inYear + 1, max: rotationRules.mostInYear });
    } else if (running.every(alone)) {
      say('rotation', 'caution', {
        mode: group,
        count: rotationRules.mostYears + 1,
        max: rotationRules.mostYears,
      });
    }
  });
}
