import { walkRules } from '../knowledge/programmes';
import { addDays, type LocalDate } from '../units';
import type { DailyWeather } from '../weather';

/** Share of its work that a spray has done which rain washed off soon after (common practice). */
export const WASHED_OFF = walkRules.washedOff;

/** Whether so little of a piece of work was left that it is still to be done. */
export const isWashedOff = ({ effect }: { effect?: number | undefined }): boolean =>
  effect !== undefined && effect < walkRules.leastEffect;

/**
 * Rain at the station on the day of a spray and the next, in, where it is worth asking what it did.
 * @returns `null` where hardly any fell
 */
export function rainAfter(days: readonly DailyWeather[], date: LocalDate): number | null {
  const fell = days
    .filter((day) => day.date === date || day.date === addDays(date, 1))
    .reduce((sum, { rainIn }) => sum + rainIn, 0);
  return fell >= walkRules.washesFromIn ? fell : null;
}
