/**
 * Degree-days: sine and its cutoffs (Baskerville & Emin 1969, Ecology 50:514-517; Zalom and others
 * 1983), worked by hand from the formulas.
 */
import fc from 'fast-check';
import { degreeDayModels } from '../knowledge/degreeDayModels';
import { localDate } from '../units';
import {
  averageDegreeDay,
  degreeDaySum,
  modifiedDegreeDay,
  sineDegreeDay,
  sineDegreeDayCut,
} from './degreeDays';

describe('a day', () => {
  it.each([
    ['TV-1', 72, 44, 8, 11, 9.206],
    ['TV-2', 58, 36, 0, 4, 2.132],
    ['TV-3', 48, 30, 0, 0, 0],
    ['TV-4', 96, 70, 33, 28, 33],
    ['TV-5', 88, 58, 23, 22, 23],
    ['TV-6', 96, 46, 21, 18, 21.48],
  ])('%s: %d/%d °F over 50', (_, high, low, average, modified, sine) => {
    expect(averageDegreeDay(high, low, 50)).toBeCloseTo(average, 9);
    expect(modifiedDegreeDay(high, low, 50, 86)).toBeCloseTo(modified, 9);
    expect(sineDegreeDay(high, low, 50)).toBeCloseTo(sine, 2);
  });
  it('TV-7: 77/59 °F over 32', () => {
    expect(averageDegreeDay(77, 59, 32)).toBeCloseTo(36, 9);
    expect(modifiedDegreeDay(77, 59, 32, 86)).toBeCloseTo(36, 9);
    expect(sineDegreeDay(77, 59, 32)).toBeCloseTo(36, 9);
  });
  it.each([
    [96, 70, 30.25, 27.5, 14.92],
    [88, 58, 22.78, 22.56, 16.79],
    [96, 46, 19.55, 17.61, 8.919],
  ])('%d/%d °F between 50 and 86', (high, low, horizontal, intermediate, vertical) => {
    expect(sineDegreeDayCut(high, low, 50, 86, 'horizontal')).toBeCloseTo(horizontal, 2);
    expect(sineDegreeDayCut(high, low, 50, 86, 'intermediate')).toBeCloseTo(intermediate, 2);
    expect(sineDegreeDayCut(high, low, 50, 86, 'vertical')).toBeCloseTo(vertical, 2);
  });
  it('never gives the sine less than the average, nor a cutoff more than none', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 110, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        (low, range) => {
          const sine = sineDegreeDay(low + range, low, 50);
          expect(sine).toBeGreaterThanOrEqual(averageDegreeDay(low + range, low, 50) - 1e-9);
          const cut = sineDegreeDayCut(low + range, low, 50, 86, 'horizontal');
          expect(cut).toBeLessThanOrEqual(sine + 1e-9);
          for (const kind of ['intermediate', 'vertical'] as const) {
            const other = sineDegreeDayCut(low + range, low, 50, 86, kind);
            expect(other).toBeGreaterThanOrEqual(0);
            expect(other).toBeLessThanOrEqual(cut + 1e-9);
          }
        },
      ),
    );
  });
});

describe('a sum', () => {
  it('EX-2.11: adds five spring days by both methods: 22 and 30.43', () => {
    const days = [
      [58, 36],
      [62, 40],
      [66, 44],
      [70, 46],
      [72, 44],
    ] as const;
    const add = (of: typeof averageDegreeDay) =>
      days.reduce((sum, [high, low]) => sum + of(high, low, 50), 0);
    expect(add(averageDegreeDay)).toBeCloseTo(22, 9);
    expect(add(sineDegreeDay)).toBeCloseTo(30.43, 2);
  });
  it('enters and leaves its window, and reads today', () => {
    const model = degreeDayModels.find(({ slug }) => slug === 'dandelion-bloom')!;
    const highs = Array.from({ length: 365 }, () => 70);
    const lows = Array.from({ length: 365 }, () => 50);
    const sum = degreeDaySum(model, localDate('2026-01-01'), highs, lows, localDate('2026-03-10'))!;
    expect(sum.sumFDays).toBe(100);
    expect(sum.opens).toBe('2026-03-13');
    expect(sum.closes).toBe('2026-03-20');
    expect(
      degreeDaySum(model, localDate('2026-03-02'), highs, lows, localDate('2026-03-10')),
    ).toBeNull();
  });
});
