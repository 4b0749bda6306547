import { bandPath, curvePath, dayScale, PAD, valueScale } from './curvePaths';

const x = dayScale(10, 124);
const y = valueScale(0, 100, 0, 50);

it('puts the first and last day at the padding, and days outside with them', () => {
  expect([x(0), x(10), x(5)]).toEqual([PAD, 124 - PAD, 62]);
  expect([x(-1), x(11)]).toEqual([PAD, 124 - PAD]);
});

it('puts large values on top, and keeps what is outside at the edge', () => {
  expect([y(0), y(100), y(50), y(101), y(-1)]).toEqual([50, 0, 25, 0, 50]);
});

it('draws the days that have a value', () => {
  expect(curvePath([0, null, 100, 50], 0, 3, x, y)).toBe('M12,50L32,0L42,25');
  expect(curvePath([0, 50], 0, 99, x, y)).toBe('M12,50L22,25');
  expect(curvePath([null], 0, 0, x, y)).toBe('');
});

it('draws a band there and back', () => {
  expect(bandPath([0, 0], [100, 50], 0, 1, x, y)).toBe('M12,0L22,25L22,50L12,50Z');
  expect(bandPath([], [1], 0, 1, x, y)).toBe('');
});
