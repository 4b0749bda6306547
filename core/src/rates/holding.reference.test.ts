/**
 * How the soil moves the days that a product holds. Factor for ten degrees Celsius: EFSA 2007, default Q10 of 2.58
 * for breakdown in soil; moisture exponent 0.7: Walker 1974, Journal of Environmental Quality (both from memory).
 */
import { holdingPace } from '../knowledge/holding';
import { breakdownPace, holdDays } from './holding';

it('is the table’s pace at 68 °F, and 2.58 times as quick 10 °C higher', () => {
  expect(breakdownPace(68)).toBe(1);
  expect(breakdownPace(86)).toBeCloseTo(2.58, 9);
  expect(breakdownPace(50)).toBeCloseTo(1 / 2.58, 9);
});
it('slows in dry soil as half of field capacity to the power 0.7 does', () => {
  expect(holdingPace.dryFactor).toBeCloseTo(0.5 ** 0.7, 2);
  expect(breakdownPace(68, { dry: true })).toBe(holdingPace.dryFactor);
});
it('stands still in frozen ground, and a degree above goes on', () => {
  expect(breakdownPace(32)).toBe(0);
  expect(breakdownPace(33)).toBeGreaterThan(0);
});
it('holds the table’s days in the table’s soil, fewer in warm and a quarter more at most in cold', () => {
  expect(
    holdDays(
      84,
      Array.from({ length: 200 }, () => 68),
    ),
  ).toBe(84);
  expect(
    holdDays(
      84,
      Array.from({ length: 200 }, () => 86),
    ),
  ).toBe(Math.ceil(84 / 2.58));
  expect(
    holdDays(
      84,
      Array.from({ length: 200 }, () => 40),
    ),
  ).toBe(105);
  expect(
    holdDays(
      84,
      Array.from({ length: 200 }, () => 86),
      { dry: true },
    ),
  ).toBe(Math.ceil(84 / 2.58 / holdingPace.dryFactor));
});
it('goes on with the last soil that is foreseen, and with the table where none is', () => {
  expect(holdDays(84, [86])).toBe(Math.ceil(84 / 2.58));
  expect(holdDays(84, [])).toBe(84);
  expect(holdDays(84, [null, null])).toBe(84);
});
