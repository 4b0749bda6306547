import { WEEKDAYS, type Weekday } from '@alfombra/core';
import { locale } from '@/i18n';

/** 2026 began its second week on a Sunday, 4 January: the days after it name the week. */
const FIRST_SUNDAY = 4;

/** "Tue", as the place writes it. */
export const weekdayName = (day: Weekday): string =>
  new Intl.DateTimeFormat(locale(), { weekday: 'short', timeZone: 'UTC' }).format(
    Date.UTC(2026, 0, FIRST_SUNDAY + WEEKDAYS.indexOf(day), 12),
  );

/** "Mon and Thu", in the order of the week. */
export const weekdayNames = (days: readonly Weekday[]): string =>
  new Intl.ListFormat(locale(), { type: 'conjunction' }).format(
    WEEKDAYS.filter((day) => days.includes(day)).map(weekdayName),
  );
