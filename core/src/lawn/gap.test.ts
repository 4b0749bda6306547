import { gapTo, runDistance } from './gap';

const SQUARE = [
  { x: 0, y: 0 },
  { x: 10, y: 0 },
  { x: 10, y: 10 },
  { x: 0, y: 10 },
];

it('is the ground between two outlines, to a corner or to a side', () => {
  const aside = SQUARE.map(({ x, y }) => ({ x: x + 13, y: y + 4 }));
  expect(gapTo(SQUARE, aside)).toBeCloseTo(3);
  const corner = SQUARE.map(({ x, y }) => ({ x: x + 13, y: y + 14 }));
  expect(gapTo(SQUARE, corner)).toBeCloseTo(5);
});
it('is nothing where one lies in the other, whichever is named first', () => {
  const inside = SQUARE.map(({ x, y }) => ({ x: 2 + x / 5, y: 2 + y / 5 }));
  expect(gapTo(SQUARE, inside)).toBe(0);
  expect(gapTo(inside, SQUARE)).toBe(0);
});
it('of a single place is the distance to the nearest side', () => {
  expect(gapTo(SQUARE, [{ x: 5, y: -7 }])).toBeCloseTo(7);
  expect(gapTo(SQUARE, [{ x: 5, y: 5 }])).toBe(0);
});
it('counts the side that closes an outline, and not the one that closes a run', () => {
  expect(runDistance({ x: -4, y: 5 }, SQUARE, true)).toBeCloseTo(4);
  expect(runDistance({ x: -4, y: 5 }, SQUARE, false)).toBeCloseTo(Math.hypot(4, 5));
});
