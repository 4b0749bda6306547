import { dayIn, daysBetween, type LocalDate } from '../units';
import type { Company } from '../contract/company';

/** A device that nobody heard of for longer than this has lost its clock rather than its line. */
const MOST_DAYS_ALONE = 14;

/** The day that work is dated with, and what the device says where that cannot be. */
export interface WorkingDay {
  day: LocalDate;
  /** The device's own day, when it is too far from the last answer to be believed; else `null`. */
  doubted: LocalDate | null;
}

/**
 * The day at a lawn by the device's clock: the server's last word is of another day once midnight has
 * passed without a line. A clock that cannot be right gives way to that last word.
 * @param company as the server last told it
 * @param timeZone the lawn's own; `null` for the company's
 */
export function workingDay(
  { clock, today, timeZone: companyZone }: Pick<Company, 'clock' | 'today' | 'timeZone'>,
  now: Date,
  timeZone: string | null = null,
): WorkingDay {
  if (clock.kind === 'fixed') return { day: today, doubted: null };
  const day = dayIn(now, timeZone ?? companyZone);
  const since = daysBetween(today, day);
  // A lawn west of the company may still be in yesterday.
  return since < -1 || since > MOST_DAYS_ALONE
    ? { day: today, doubted: day }
    : { day, doubted: null };
}
