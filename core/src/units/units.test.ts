import fc from 'fast-check';
import {
  addDays,
  calendarRun,
  dayOfYear,
  daysBetween,
  fahrenheit,
  fluidOunces,
  isLocalDate,
  localDate,
  monthInWindow,
  monthOf,
  ounces,
  perAcre,
  per1000,
  quantity,
  toCelsius,
  toFahrenheit,
  celsius,
  toGrams,
  toMillilitres,
  toPer1000,
  toPerAcre,
} from '.';

describe('conversions (definitions)', () => {
  it('rates: 1.33 oz/A is 0.0305 oz, 0.866 g per 1000 ft²', () => {
    const rate = toPer1000(perAcre(1.33));
    expect(rate).toBeCloseTo(0.0305, 4);
    expect(toGrams(ounces(rate))).toBeCloseTo(0.866, 3);
  });
  it('rates go back and forth exactly', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 1e6, noNaN: true }), (rate) => {
        const back = toPerAcre(toPer1000(perAcre(rate)));
        expect(Math.abs(back / rate - 1)).toBeLessThan(1e-12);
      }),
    );
  });
  it('temperatures and volumes', () => {
    expect(toFahrenheit(celsius(100))).toBeCloseTo(212, 9);
    expect(toCelsius(fahrenheit(-40))).toBeCloseTo(-40, 9);
    expect(toMillilitres(fluidOunces(9.4))).toBeCloseTo(278, 0);
    expect(toPerAcre(per1000(1.5))).toBeCloseTo(65.34, 2);
  });
  it('refuses what is no number', () => {
    expect(() => quantity(Number.NaN)).toThrow(RangeError);
  });
});

describe('local dates', () => {
  it('reads days of the calendar only', () => {
    expect(isLocalDate('2026-02-29')).toBe(false);
    expect(isLocalDate('2028-02-29')).toBe(true);
    expect(() => localDate('2026-13-01')).toThrow(RangeError);
  });
  it('counts over summer time and leap days', () => {
    expect(addDays(localDate('2026-03-07'), 2)).toBe('2026-03-09');
    expect(addDays(localDate('2028-02-28'), 1)).toBe('2028-02-29');
    expect(daysBetween(localDate('2026-01-01'), localDate('2027-01-01'))).toBe(365);
    expect(dayOfYear(localDate('2026-12-31'))).toBe(365);
  });
  it('adds and subtracts the same days', () => {
    fc.assert(
      fc.property(fc.integer({ min: -4000, max: 4000 }), (days) => {
        const start = localDate('2026-06-15');
        expect(daysBetween(start, addDays(start, days))).toBe(days);
      }),
    );
  });
  it('knows windows that wrap over New Year', () => {
    expect(monthInWindow(12, [10, 4])).toBe(true);
    expect(monthInWindow(5, [10, 4])).toBe(false);
    expect(monthInWindow(5, [5, 9])).toBe(true);
  });
});

it('runs over the calendar day by day, leap years too', () => {
  for (const start of ['2023-12-30', '2024-02-27', '2026-02-27', '2100-02-28']) {
    const run = calendarRun(localDate(start), 400);
    for (let index = 0; index < 400; index += 1) {
      const date = addDays(localDate(start), index);
      expect([run.dayOfYear[index], run.month[index]]).toEqual([dayOfYear(date), monthOf(date)]);
    }
  }
});
