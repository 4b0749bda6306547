import { addDays, localDate, type LocalDate } from '../units';
import type { SoilCrossing, SoilSeason } from '../weather';
import { soilWindow } from './window';

/** A season that only knows when it crosses: °F to month-day. */
function crossingOn(days: Record<number, string>): SoilSeason {
  const crossing = (
    thresholdF: number,
    direction: 'rising' | 'falling',
    year = 2026,
  ): SoilCrossing | null => {
    const day = days[thresholdF];
    if (!day) return null;
    const date = localDate(`${year}-${day}`);
    return {
      thresholdF,
      direction,
      date,
      early: addDays(date, -5),
      late: addDays(date, 6),
      measured: false,
      share: 1,
    };
  };
  return { crossing } as unknown as SoilSeason;
}

const RULE = { direction: 'rising', opensF: 45, bestF: 50, closesF: 55 } as const;
const dates = (window: { opens: LocalDate; best: LocalDate; closes: LocalDate } | null) =>
  window && [window.opens, window.best, window.closes];

it('opens at the first temperature and closes on the day before the last', () => {
  const window = soilWindow(crossingOn({ 45: '03-10', 50: '03-28', 55: '04-14' }), RULE, 2026);
  expect(dates(window)).toEqual(['2026-03-10', '2026-03-28', '2026-04-13']);
  expect(window?.basis).toEqual({
    kind: 'soil',
    thresholdF: 45,
    direction: 'rising',
    early: '2026-03-05',
    late: '2026-03-16',
    measured: false,
  });
});

it('has none in a year that never gets warm enough', () => {
  expect(soilWindow(crossingOn({}), RULE, 2026)).toBeNull();
});

it('stays open two months when the soil never closes it', () => {
  const window = soilWindow(crossingOn({ 45: '03-10', 50: '03-28' }), RULE, 2026);
  expect(window?.closes).toBe('2026-05-09');
});

it('waits for the calendar edge, and is gone when the soil closed it before', () => {
  const season = crossingOn({ 45: '03-10', 50: '03-28', 55: '04-14' });
  const edge = { ...RULE, notBefore: '04-01' };
  expect(dates(soilWindow(season, edge, 2026))).toEqual(['2026-04-01', '2026-04-01', '2026-04-13']);
  expect(soilWindow(season, { ...RULE, notBefore: '05-01' }, 2026)).toBeNull();
});

it('never has its best day outside itself', () => {
  const quick = crossingOn({ 45: '03-10', 50: '03-10', 55: '03-10' });
  expect(dates(soilWindow(quick, RULE, 2026))).toEqual(['2026-03-10', '2026-03-10', '2026-03-10']);
  const late = crossingOn({ 45: '03-10', 50: '05-28', 55: '04-14' });
  expect(soilWindow(late, RULE, 2026)?.best).toBe('2026-04-13');
});

it('asks for the year it is given', () => {
  const window = soilWindow(crossingOn({ 45: '03-10', 50: '03-28', 55: '04-14' }), RULE, 2027);
  expect(window?.opens).toBe('2027-03-10');
});
