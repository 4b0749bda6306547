import { crossingHysteresis } from '../knowledge';

/** Days before a window over which the side is told that it begins on. */
const LOOK_BACK_DAYS = 14;

/**
 * First index at which a five-day mean reaches a threshold for good, within `[from, to]`: it holds
 * for `confirmDays` in a row, and no cold (or warm) spell within the window takes it back by 2 °F for
 * three days. A series that ends before the crossing is confirmed has none, and neither has one that was never on the
 * other side: soil that is warm all winter does not warm to a threshold on the first day of the window.
 * @param means shape (n), `null` where there is no mean yet
 * @param direction `rising`: at or above; `falling`: at or below
 * @returns index of the first day, or `null`
 */
export function crossing(
  means: readonly (number | null)[],
  thresholdF: number,
  direction: 'rising' | 'falling',
  { from = 0, to = means.length - 1, confirmDays = 3 } = {},
): number | null {
  // Read once: this loop runs for every simulated year of every threshold.
  const { backF, days: backDays } = crossingHysteresis;
  const sign = direction === 'rising' ? 1 : -1;
  let crossed: number | null = null;
  let reached = 0;
  let takenBack = 0;
  // A few days before the window tell on which side it begins.
  let otherSide = false;
  for (let index = Math.max(0, from - LOOK_BACK_DAYS); index < from; index += 1) {
    const value = means[index];
    otherSide ||= value !== null && value !== undefined && sign * (value - thresholdF) < 0;
  }
  const last = Math.min(to + confirmDays - 1, means.length - 1);
  for (let index = from; index <= last; index += 1) {
    const value = means[index];
    const past = value === null || value === undefined ? null : sign * (value - thresholdF);
    otherSide ||= past !== null && past < 0;
    reached = past !== null && past >= 0 ? reached + 1 : 0;
    takenBack = past !== null && past <= -backF ? takenBack + 1 : 0;
    if (crossed === null && otherSide && reached >= confirmDays && index - confirmDays + 1 <= to) {
      crossed = index - confirmDays + 1;
    } else if (crossed !== null && takenBack >= backDays) {
      crossed = null;
    }
  }
  return crossed;
}
