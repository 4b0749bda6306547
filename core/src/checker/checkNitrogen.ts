import { feedingRules, grass, heatRule } from '../knowledge';
import type { Shelf } from '../products';
import type { Application } from '../rates';
import { addDays, daysBetween, localDate, monthOf, yearOf } from '../units';
import {
  hottest,
  ROUNDING,
  sameYear,
  shelfIn,
  type CheckContext,
  type Judged,
} from './checkContext';
import { countingGrasses } from './checkHerbicide';
import { findingsBy, type CheckFinding } from './finding';

/** lb N and P₂O₅ per 1000 ft² of an application, whatever brought it. */
export function nutrients(application: Application, shelf: Shelf): { n: number; p: number } {
  const brought = application.materials.flatMap((material) => shelf.nutrientsOf(material) ?? []);
  const per1000 = (lb: number) => (lb / application.areaFt2) * 1000;
  return {
    n: per1000(brought.reduce((sum, { n }) => sum + n, 0)),
    p: per1000(brought.reduce((sum, { p2o5 }) => sum + p2o5, 0)),
  };
}

/** Days before the mean first hard frost that follows, or after the one before; `null`: nobody knows it. */
function daysToFrost(date: string, firstFrost: string | undefined): number | null {
  if (firstFrost === undefined) return null;
  const day = localDate(date);
  return daysBetween(day, localDate(`${yearOf(day)}-${firstFrost}`));
}

/** Judges the nitrogen of an application: at once, in the month, in the year, in heat, before and in winter. */
export function checkNitrogen(application: Judged, context: CheckContext): CheckFinding[] {
  const shelf = shelfIn(context);
  const { n: lb } = nutrients(application, shelf);
  if (lb <= 0) return [];
  const bringers = application.materials.flatMap((material) => {
    const brought = shelf.nutrientsOf(material);
    return brought && brought.n > 0 ? [{ slug: material.slug, ...brought }] : [];
  });
  const slow = bringers.every(({ slowShare }) => slowShare >= heatRule.slowShare);
  const meal = bringers.every(({ slowShare }) => slowShare === 1);
  const day = localDate(application.date);
  const month = monthOf(day);
  const entries = countingGrasses(context).map(grass);
  const limit = Math.min(
    ...entries.map(({ nitrogen, season }) => {
      if (nitrogen === null) return Infinity;
      if (meal) return nitrogen.maxSlowLbPer1000 * feedingRules.mealFactor;
      if (slow) return nitrogen.maxSlowLbPer1000;
      return season === 'cool' && month >= 6 && month <= 8
        ? nitrogen.maxQuickSummerLbPer1000
        : nitrogen.maxQuickLbPer1000;
    }),
  );
  return findingsBy(bringers[0]?.slug ?? null, (say) => {
    if (lb > limit * ROUNDING) say('nitrogen-per-application', 'exceeds', { lb, max: limit });
    const yearLimit = Math.min(
      ...entries.map(({ nitrogen }) => nitrogen?.yearLbPer1000[2] ?? Infinity),
    );
    const others = context.others.map((other) => ({
      date: localDate(other.date),
      lb: nutrients(other, shelf).n,
    }));
    const year = others
      .filter((other) => sameYear(other.date, day))
      .reduce((sum, other) => sum + other.lb, lb);
    if (year > yearLimit * ROUNDING) say('nitrogen-year', 'exceeds', { lb: year, max: yearLimit });

    const before = others
      .map((other) => ({ ...other, days: daysBetween(other.date, day) }))
      .filter((other) => other.days >= 0 && other.lb >= feedingRules.traceLb);
    const month28 = before.filter(({ days }) => days < feedingRules.gapDays);
    const near = month28.reduce((sum, other) => sum + other.lb, lb);
    const last = Math.min(...month28.map(({ days }) => days));
    if (month28.length > 0 && lb >= feedingRules.traceLb && near > limit * ROUNDING) {
      say('nitrogen-gap', 'exceeds', {
        lb: near,
        max: limit,
        days: last,
        min: feedingRules.gapDays,
      });
    } else if (
      lb >= feedingRules.wordLb &&
      before.some((other) => other.days < feedingRules.wordDays && other.lb >= feedingRules.wordLb)
    ) {
      say('nitrogen-gap', 'caution', {
        lb: near,
        max: limit,
        days: last,
        min: feedingRules.wordDays,
      });
    }

    const cool = entries.some(({ season }) => season === 'cool');
    const air = hottest(context);
    if (cool && air !== undefined && air >= heatRule.warmF) {
      const hot = air >= heatRule.hotF;
      const most =
        context.irrigated !== true
          ? 0
          : slow
            ? hot
              ? heatRule.hotSlowLb
              : heatRule.warmSlowLb
            : hot
              ? 0
              : heatRule.warmQuickLb;
      if (lb > most * ROUNDING) {
        say('nitrogen-heat', 'exceeds', { lb, max: most, airHighF: air });
      }
    }

    const warm = entries.length > 0 && entries.every(({ season }) => season === 'warm');
    if (!warm || lb < feedingRules.traceLb) return;
    const { soilF } = context;
    if (soilF !== undefined && soilF < feedingRules.dormantF) {
      say('nitrogen-dormant', 'exceeds', { soilF, min: feedingRules.dormantF });
    } else if (soilF !== undefined && soilF < feedingRules.slowF) {
      say('nitrogen-dormant', 'caution', { soilF, min: feedingRules.slowF });
    }
    const toFrost = daysToFrost(application.date, context.firstFrost);
    if (toFrost !== null && toFrost < feedingRules.warmDaysBeforeFrost) {
      say('nitrogen-late', 'exceeds', {
        last: addDays(day, toFrost - feedingRules.warmDaysBeforeFrost),
      });
    }
  });
}
