import { activeCaps } from '../knowledge';
import type { ShelfHerbicide } from '../products';
import { localDate } from '../units';
import { activeLoad } from './activeLoad';
import {
  perAcreOf,
  ROUNDING,
  sameYear,
  shelfIn,
  type CheckContext,
  type Judged,
  type Use,
} from './checkContext';
import { checkDay } from './checkDay';
import { checkFertilizers } from './checkFertilizer';
import { checkHerbicide } from './checkHerbicide';
import { checkNitrogen } from './checkNitrogen';
import { checkSeed } from './checkSeed';
import { checkSite } from './checkSite';
import { checkRotation, checkTank } from './checkTank';
import { checkTreatments } from './checkTreatment';
import { isSpot, nearest } from './checkUses';
import { findingsBy, type CheckFinding } from './finding';

const herbicidesOf = (application: Judged, context: CheckContext): Use<ShelfHerbicide>[] =>
  application.materials.flatMap((material) => {
    const product =
      material.kind === 'herbicide' ? shelfIn(context).herbicide(material.slug) : undefined;
    if (!product) return [];
    return [
      {
        product,
        rate: perAcreOf(material.amount, application.areaFt2),
        date: localDate(application.date),
        share: application.areaFt2 / context.zoneFt2,
        targets: application.targets ?? null,
      },
    ];
  });

/** Sums each active over every product that holds it: at once, in the year, and how often. */
function checkActives(
  doses: readonly Use<ShelfHerbicide>[],
  uses: readonly Use<ShelfHerbicide>[],
): CheckFinding[] {
  const [first] = doses;
  if (!first) return [];
  const total = new Map<string, number>();
  for (const { product, rate } of doses) {
    activeLoad(product, rate).forEach((lb, name) => total.set(name, (total.get(name) ?? 0) + lb));
  }
  return findingsBy(null, (say) => {
    for (const cap of activeCaps) {
      const lb = total.get(cap.active);
      if (lb === undefined) continue;
      const holding = uses.filter((use) => activeLoad(use.product, 1).has(cap.active));
      const year = holding.filter((use) => sameYear(use.date, first.date));
      const yearLb = year.reduce(
        (sum, use) =>
          sum +
          (activeLoad(use.product, use.rate).get(cap.active) ?? 0) * (isSpot(use) ? use.share : 1),
        lb,
      );
      const days = new Set(year.filter((use) => !isSpot(use)).map(({ date }) => date as string));
      days.delete(first.date);
      const count = days.size + 1;
      const { active } = cap;
      if (lb > cap.maxLbPerApplication * ROUNDING) {
        say('active-per-application', 'exceeds', { active, lb, max: cap.maxLbPerApplication });
      }
      if (yearLb > cap.maxLbPerYear * ROUNDING) {
        say('active-year', 'exceeds', { active, lb: yearLb, max: cap.maxLbPerYear });
      }
      if (cap.maxApplications !== null && count > cap.maxApplications) {
        say('active-count', 'exceeds', { active, count, max: cap.maxApplications });
      }
      const gap = nearest(
        first,
        holding.filter((use) => !(isSpot(use) && isSpot(first))),
      );
      if (gap !== null && gap < cap.minIntervalDays) {
        say('active-interval', 'exceeds', { active, days: gap, min: cap.minIntervalDays });
      }
    }
  });
}

/**
 * Judges one application, planned or done, against the label-type limits and the safety rules. It
 * refuses nothing: what has happened has happened, and the reader decides. Shares no code with the
 * planner.
 * @param application what was put down; `amount` is the total over `areaFt2`
 * @returns findings, the ones over a limit first; empty when nothing speaks against it
 */
export function checkApplication(application: Judged, context: CheckContext): CheckFinding[] {
  const scoped: CheckContext = {
    ...context,
    others: context.others.filter(({ id }) => id !== application.id),
  };
  const uses = scoped.others.flatMap((other) => herbicidesOf(other, scoped));
  const doses = herbicidesOf(application, scoped);
  return [
    ...doses.flatMap((use) => checkHerbicide(use, application, scoped, uses)),
    ...checkActives(doses, uses),
    ...checkTank(doses),
    ...checkNitrogen(application, scoped),
    ...checkFertilizers(application, scoped),
    ...checkSeed(application, scoped, uses),
    ...checkTreatments(application, scoped),
    ...checkRotation(application, scoped),
    ...checkSite(application, scoped),
    ...checkDay(application, scoped),
  ].sort((a, b) => Number(b.severity === 'exceeds') - Number(a.severity === 'exceeds'));
}
