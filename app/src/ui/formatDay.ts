import { addDays, localDate } from '@alfombra/core';
import { locale } from '@/i18n';

const formatters = new Map<string, Intl.DateTimeFormat>();

function formatter(options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = `${locale()}${JSON.stringify(options)}`;
  let known = formatters.get(key);
  if (!known) {
    // The day is civil: it is put at noon UTC and read in UTC, so no zone can move it.
    known = new Intl.DateTimeFormat(locale(), { ...options, timeZone: 'UTC' });
    formatters.set(key, known);
  }
  return known;
}

const noon = (day: string): Date => new Date(`${day}T12:00:00Z`);

/** "8 Apr" in the user's language. */
export const shortDay = (day: string): string =>
  formatter({ day: 'numeric', month: 'short' }).format(noon(day));

/** "Apr 12 – 18": two days of a year as one span. */
export const daySpan = (from: string, to: string): string =>
  formatter({ day: 'numeric', month: 'short' }).formatRange(noon(from), noon(to));

/** "Wednesday, 8 April 2026". */
export const longDay = (day: string): string =>
  formatter({ weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' }).format(noon(day));

/** "8 Apr 2026", for days of other years. */
export const fullDay = (day: string): string =>
  formatter({ day: 'numeric', month: 'short', year: 'numeric' }).format(noon(day));

/** "8 Apr", and of another year than today's "8 Apr 2027". */
export const dayNear = (day: string, today: string): string =>
  (day.slice(0, 4) === today.slice(0, 4) ? shortDay : fullDay)(day);

/** "Apr" */
export const monthName = (month: number): string =>
  formatter({ month: 'short' }).format(noon(`2026-${String(month).padStart(2, '0')}-15`));

/** The day so many days later. */
export const daysOn = (day: string, days: number): string => addDays(localDate(day), days);

/** "7 AM" or "07", as the place writes an hour of the day, 0-24. */
export const hourName = (hour: number): string =>
  formatter({ hour: 'numeric' }).format(new Date(Date.UTC(2026, 0, 1, hour)));
