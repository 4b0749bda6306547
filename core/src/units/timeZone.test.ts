import fc from 'fast-check';
import { addDays } from './localDate';
import { dayIn, TIME_ZONES } from './timeZone';

it.each([
  // United States Code 15, 260a: clocks go forward on the second Sunday of March, back on the first of November.
  ['2026-03-08T06:59:00Z', 'America/New_York', '2026-03-08'],
  ['2026-03-09T03:59:00Z', 'America/New_York', '2026-03-08'],
  ['2026-03-09T04:00:00Z', 'America/New_York', '2026-03-09'],
  ['2026-11-02T04:59:00Z', 'America/New_York', '2026-11-01'],
  ['2026-11-02T05:00:00Z', 'America/New_York', '2026-11-02'],
  // Arizona and Hawaii keep standard time the year round (15 USC 260a(a); common practice).
  ['2026-07-01T06:59:00Z', 'America/Phoenix', '2026-06-30'],
  ['2026-07-01T07:00:00Z', 'America/Phoenix', '2026-07-01'],
  ['2026-07-01T09:59:00Z', 'Pacific/Honolulu', '2026-06-30'],
  ['2026-07-01T10:00:00Z', 'Pacific/Honolulu', '2026-07-01'],
  ['2026-01-01T00:30:00Z', 'America/Los_Angeles', '2025-12-31'],
])('%s in %s is %s', (at, zone, day) => {
  expect(dayIn(new Date(at), zone)).toBe(day);
});

it('is the day of the clock in UTC, and never more than one off anywhere', () =>
  fc.assert(
    fc.property(
      fc.date({ min: new Date('1990-01-01'), max: new Date('2090-01-01'), noInvalidDate: true }),
      fc.constantFrom(...TIME_ZONES),
      (at, zone) => {
        const utc = dayIn(at, 'UTC');
        expect(utc).toBe(at.toISOString().slice(0, 10));
        expect([addDays(utc, -1), utc]).toContain(dayIn(at, zone));
      },
    ),
  ));
