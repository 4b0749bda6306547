import { localDate } from '../units';
import { workingDay } from './workingDay';

const company = {
  clock: { kind: 'calendar' } as const,
  today: localDate('2026-11-28'),
  timeZone: 'America/New_York',
};

it.each([
  // The last answer's day is left behind at the lawn's own midnight.
  ['2026-11-29T04:59:00Z', null, '2026-11-28', null],
  ['2026-11-29T05:00:00Z', null, '2026-11-29', null],
  ['2026-11-29T05:00:00Z', 'America/Chicago', '2026-11-28', null],
  // Two days without a line.
  ['2026-11-30T15:00:00Z', null, '2026-11-30', null],
  ['2026-12-12T15:00:00Z', null, '2026-12-12', null],
  // At the limit, one step inside above, one outside here.
  ['2026-12-13T15:00:00Z', null, '2026-11-28', '2026-12-13'],
  ['2026-11-27T15:00:00Z', null, '2026-11-27', null],
  ['2026-11-26T15:00:00Z', null, '2026-11-28', '2026-11-26'],
  ['1970-01-01T00:00:00Z', null, '2026-11-28', '1969-12-31'],
])('at %s in %s it is %s', (now, zone, day, doubted) => {
  expect(workingDay(company, new Date(now), zone)).toEqual({ day, doubted });
});

it('is the fixed day of a company that tries things out', () => {
  const fixed = { ...company, clock: { kind: 'fixed', date: company.today } as const };
  expect(workingDay(fixed, new Date('2030-01-01'))).toEqual({ day: company.today, doubted: null });
});
