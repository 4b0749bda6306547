/** Two waves in moist loam (van Wijk & de Vries 1963; Campbell & Norman 1998), worked by hand. */
import { analyticCrossing, analyticSoilF, dampingDepth } from './analyticSoil';

const LOAM = {
  meanF: 55,
  annualHalfRangeF: 25,
  warmestDay: 200,
  dailyHalfRangeF: 12,
  warmestHour: 13.5,
  diffusivity: 0.5,
};

it('sinks to 0.1173 m in a day and 2.2411 m in a year', () => {
  expect(dampingDepth(0.5, 1)).toBeCloseTo(0.117265, 5);
  expect(dampingDepth(0.5, 365.25)).toBeCloseTo(2.2411, 3);
});
it.each([
  [0, [51.97, 60.9, 64.77, 58.33]],
  [2, [48.86, 54.78, 60.93, 58.93]],
  [4, [48.29, 51.51, 57.15, 57.52]],
  [8, [49.58, 49.79, 52.22, 53.59]],
])('EX-2.1: day 105 at %d in, at 7, 10, 15 and 18 h', (depth, expected) =>
  [7, 10, 15, 18].forEach((hour, index) =>
    expect(Math.abs(analyticSoilF(LOAM, depth, 105, hour) - expected[index]!)).toBeLessThan(0.011),
  ),
);
it.each([
  [50, 98.03, 304.6],
  [55, 110, 292.6],
  [60, 122, 280.7],
  [65, 134.5, 268.1],
  [70, 148.4, 254.2],
])('EX-2.2: passes %d °F at 2 in', (value, rising, falling) => {
  const days = analyticCrossing(LOAM, 2, value)!;
  expect(Math.abs(days.rising - rising)).toBeLessThan(0.06);
  expect(Math.abs(days.falling - falling)).toBeLessThan(0.06);
});
it('has no crossing of what it never reaches', () => {
  expect(analyticCrossing(LOAM, 2, 90)).toBeNull();
});
it('has a daily mean that is the yearly wave, within 0.05 °F', () => {
  for (const depth of [0, 2, 4]) {
    const hours = Array.from({ length: 24 }, (_, hour) => analyticSoilF(LOAM, depth, 105, hour));
    const mean = hours.reduce((sum, value) => sum + value, 0) / 24;
    const yearly = analyticSoilF({ ...LOAM, dailyHalfRangeF: 0 }, depth, 105, 11.5);
    expect(Math.abs(mean - yearly)).toBeLessThan(0.05);
  }
});
