import { localDate, type LocalDate } from './localDate';

/** Time zones that a lawn of this trade's rules may lie in, by their names in the IANA database. */
export const TIME_ZONES = [
  'America/New_York',
  'America/Chicago',
  'America/Denver',
  'America/Phoenix',
  'America/Los_Angeles',
  'America/Anchorage',
  'Pacific/Honolulu',
] as const;

/**
 * The calendar day at a moment in a time zone.
 * @param timeZone a name of the IANA database
 * @throws RangeError for a zone that there is not
 */
export function dayIn(at: Date, timeZone: string): LocalDate {
  const part = Object.fromEntries(
    new Intl.DateTimeFormat('en-US', {
      timeZone,
      calendar: 'gregory',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
    })
      .formatToParts(at)
      .map(({ type, value }) => [type, value]),
  );
  return localDate(`${part.year?.padStart(4, '0')}-${part.month}-${part.day}`);
}
