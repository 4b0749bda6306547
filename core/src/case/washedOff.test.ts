import { localDate } from '../units';
import { isWashedOff, rainAfter, WASHED_OFF } from './washedOff';

const day = (date: string, rainIn: number) => ({
  date: localDate(date),
  tmaxF: 70,
  tminF: 50,
  rainIn,
});

it('is work that is still to be done, from under half of it on', () => {
  expect([0, WASHED_OFF, 0.49, 0.5, 1, undefined].map((effect) => isWashedOff({ effect }))).toEqual(
    [true, true, true, false, false, false],
  );
});
it('asks about a tenth of an inch on the day or the next, and of no other day', () => {
  const on = localDate('2026-05-01');
  const rain = (before: number, own: number, next: number, later: number) =>
    rainAfter(
      [
        day('2026-04-30', before),
        day('2026-05-01', own),
        day('2026-05-02', next),
        day('2026-05-03', later),
      ],
      on,
    );
  expect(rain(2, 0, 0, 2)).toBeNull();
  expect(rain(0, 0.04, 0.05, 0)).toBeNull();
  expect(rain(0, 0.05, 0.05, 0)).toBeCloseTo(0.1, 9);
  expect(rain(0, 0, 0.3, 0)).toBeCloseTo(0.3, 9);
});
