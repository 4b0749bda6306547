declare const localDateTag: unique symbol;

/** A day on the lawn's own calendar, `YYYY-MM-DD`. It has no clock and no time zone. */
export type LocalDate = string & { readonly [localDateTag]: true };

const PATTERN = /^(\d{4})-(\d{2})-(\d{2})$/;
const MILLISECONDS_PER_DAY = 86_400_000;

/**
 * Reads `YYYY-MM-DD`.
 * @throws RangeError when the text is not a day of the calendar (2026-02-30, 2026-13-01, free text).
 */
export function localDate(text: string): LocalDate {
  if (!isLocalDate(text)) throw new RangeError(`not a calendar day (YYYY-MM-DD): ${text}`);
  return text;
}

/** True when the text names a day of the calendar. */
export function isLocalDate(text: string): text is LocalDate {
  const match = PATTERN.exec(text);
  if (!match) return false;
  return fromDayNumber(toDayNumberUnchecked(match)) === text;
}

function toDayNumberUnchecked(match: RegExpExecArray): number {
  return Date.UTC(Number(match[1]), Number(match[2]) - 1, Number(match[3])) / MILLISECONDS_PER_DAY;
}

/** A season asks for the same few hundred days hundreds of thousands of times; so many days are kept. */
const MOST_KEPT = 20_000;
const numbers = new Map<LocalDate, number>();
const days = new Map<number, LocalDate>();

/** What was worked out before, or else is now. */
function kept<Key, Value>(known: Map<Key, Value>, key: Key, workOut: () => Value): Value {
  const before = known.get(key);
  if (before !== undefined) return before;
  const value = workOut();
  if (known.size >= MOST_KEPT) known.clear();
  known.set(key, value);
  return value;
}

/** Days since 1970-01-01 on the calendar; the integer all date arithmetic runs on. */
export const toDayNumber = (date: LocalDate): number =>
  kept(
    numbers,
    date,
    () =>
      Date.UTC(Number(date.slice(0, 4)), Number(date.slice(5, 7)) - 1, Number(date.slice(8, 10))) /
      MILLISECONDS_PER_DAY,
  );

/** Inverse of {@link toDayNumber}. */
export const fromDayNumber = (dayNumber: number): LocalDate =>
  kept(
    days,
    dayNumber,
    () => new Date(dayNumber * MILLISECONDS_PER_DAY).toISOString().slice(0, 10) as LocalDate,
  );

/** The day `days` later (earlier when negative). */
export const addDays = (date: LocalDate, days: number): LocalDate =>
  fromDayNumber(toDayNumber(date) + days);

/** Whole days from `from` to `to`; negative when `to` is earlier. */
export const daysBetween = (from: LocalDate, to: LocalDate): number =>
  toDayNumber(to) - toDayNumber(from);

/** 1-12. */
export const monthOf = (date: LocalDate): number => Number(date.slice(5, 7));

export const yearOf = (date: LocalDate): number => Number(date.slice(0, 4));

/** 1 on 1 January. */
export const dayOfYear = (date: LocalDate): number =>
  daysBetween(`${date.slice(0, 4)}-01-01` as LocalDate, date) + 1;

/** True when `month` lies in the window `[first, last]`, which may wrap over New Year (10-4). */
export function monthInWindow(month: number, [first, last]: readonly [number, number]): boolean {
  return first <= last ? month >= first && month <= last : month >= first || month <= last;
}

/** Day of the year (1-366) and month of each of so many days from a start, shape (count). */
export function calendarRun(
  start: LocalDate,
  count: number,
): { dayOfYear: Int16Array; month: Uint8Array } {
  const run = { dayOfYear: new Int16Array(count), month: new Uint8Array(count) };
  let year = yearOf(start);
  let month = monthOf(start);
  let day = Number(start.slice(8));
  let ofYear = dayOfYear(start);
  let length = daysOfMonth(year, month);
  for (let index = 0; index < count; index += 1) {
    run.dayOfYear[index] = ofYear;
    run.month[index] = month;
    day += 1;
    ofYear += 1;
    if (day <= length) continue;
    day = 1;
    month += 1;
    if (month > 12) {
      month = 1;
      year += 1;
      ofYear = 1;
    }
    length = daysOfMonth(year, month);
  }
  return run;
}

const MONTH_DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

const daysOfMonth = (year: number, month: number): number =>
  month === 2 && ((year % 4 === 0 && year % 100 !== 0) || year % 400 === 0)
    ? 29
    : (MONTH_DAYS[month - 1] as number);
