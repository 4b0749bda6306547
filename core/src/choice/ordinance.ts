import { addDays, daysBetween, type LocalDate } from '../units';
import type { Policy } from '../needs/seasonInput';
import type { StepWindow } from './window';

type Blackout = Policy['ordinance']['blackout'];

/** Whether no fertilizer may be spread on a day. */
export const blackoutShuts = (blackout: NonNullable<Blackout>, date: LocalDate): boolean => {
  const [from, to] = blackout;
  const day = date.slice(5);
  return from <= to ? day >= from && day <= to : day >= from || day <= to;
};

/**
 * The part of a window in which the place allows fertilizer, about its best day from today on.
 * @returns `null` when the whole window is shut
 */
export function outsideBlackout(
  window: StepWindow,
  blackout: Blackout,
  today: LocalDate,
): StepWindow | null {
  if (!blackout) return window;
  const length = daysBetween(window.opens, window.closes) + 1;
  const open = Array.from({ length }, (_, day) => addDays(window.opens, day)).filter(
    (date) => !blackoutShuts(blackout, date),
  );
  const far = (date: LocalDate) => Math.abs(daysBetween(date, window.best));
  const best = open
    .filter((date) => date >= today)
    .reduce<LocalDate | null>(
      (nearest, date) => (nearest === null || far(date) < far(nearest) ? date : nearest),
      null,
    );
  if (!best) return null;
  // Only the run of open days about the best one: a blackout in the middle parts the window.
  let opens = best;
  let closes = best;
  while (open.includes(addDays(opens, -1))) opens = addDays(opens, -1);
  while (open.includes(addDays(closes, 1))) closes = addDays(closes, 1);
  return { ...window, opens, best, closes };
}
