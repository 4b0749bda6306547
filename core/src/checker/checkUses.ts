import { countingRules, groupYears } from '../knowledge';
import { daysBetween } from '../units';
import { ROUNDING, sameYear, type Use } from './checkContext';
import type { Say } from './finding';

const { spotShare, seasonDays } = countingRules;

export const isSpot = ({ share }: Pick<Use<unknown>, 'share'>): boolean => share < spotShare;

/** Smallest gap in days to any of the uses; uses of the same day are one walk. */
export function nearest(
  { date }: Pick<Use<unknown>, 'date'>,
  uses: readonly Use<unknown>[],
): number | null {
  const gaps = uses.map((use) => Math.abs(daysBetween(date, use.date)));
  return gaps.length > 0 ? Math.min(...gaps) : null;
}

/** What a label allows of one product in a year; `null`: it names no limit. */
export interface YearLimits {
  unit: string;
  maxPerYear: number | null;
  maxApplications: number | null;
  minIntervalDays: number | null;
}

/**
 * Judges one use beside the others of the same product: amount and number of the year, amount of any half year,
 * days between. Spots rarely lie on each other: an earlier spot counts by its share of the zone; where all would
 * be one place, that is worth a word.
 */
export function checkUses(
  use: Use<unknown>,
  same: readonly Use<unknown>[],
  { unit, maxPerYear, maxApplications, minIntervalDays }: YearLimits,
  say: Say,
): void {
  const year = same.filter(({ date }) => sameYear(date, use.date));
  const sum = (uses: readonly Use<unknown>[], weigh: (other: Use<unknown>) => number) =>
    uses.reduce((total, other) => total + other.rate * weigh(other), use.rate);
  const weight = (other: Use<unknown>) => (isSpot(other) ? other.share : 1);
  if (maxPerYear !== null) {
    const most = maxPerYear * ROUNDING;
    const inYear = sum(year, weight);
    const onOnePlace = sum(year, () => 1);
    if (inYear > most) say('year-amount', 'exceeds', { rate: inYear, max: maxPerYear, unit });
    else if (onOnePlace > most) {
      say('year-amount', 'caution', { rate: onOnePlace, max: maxPerYear, unit });
    }
    const before = same.filter(({ date }) => {
      const days = daysBetween(date, use.date);
      return days >= 0 && days < seasonDays;
    });
    const inSeason = sum(before, weight);
    if (inSeason > most && inYear <= most) {
      say('season-amount', 'exceeds', { rate: inSeason, max: maxPerYear, unit, days: seasonDays });
    }
  }
  if (maxApplications !== null) {
    const count = year.filter((other) => !isSpot(other)).length + 1;
    const inputs = { count: year.length + 1, max: maxApplications };
    if (count > maxApplications) say('year-count', 'exceeds', inputs);
    else if (inputs.count > maxApplications) say('year-count', 'caution', inputs);
  }
  if (minIntervalDays !== null) {
    const gap = nearest(use, same);
    const whole = nearest(
      use,
      same.filter((other) => !(isSpot(other) && isSpot(use))),
    );
    if (whole !== null && whole < minIntervalDays) {
      say('interval', 'exceeds', { days: whole, min: minIntervalDays });
    } else if (gap !== null && gap < minIntervalDays) {
      say('interval', 'caution', { days: gap, min: minIntervalDays });
    }
  }
}

/** Judges how often one mode of action was used in the year, over every product that has it. */
export function checkGroupYear(
  group: string,
  use: Use<unknown>,
  ofGroup: readonly Use<unknown>[],
  say: Say,
): void {
  const most = groupYears[group];
  if (most === undefined) return;
  const days = new Set(
    ofGroup
      .filter((other) => sameYear(other.date, use.date) && !isSpot(other))
      .map(({ date }) => date as string),
  );
  days.delete(use.date);
  if (days.size + 1 > most)
    say('group-year', 'exceeds', { mode: group, count: days.size + 1, max: most });
}
