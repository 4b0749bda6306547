import fc from 'fast-check';
import { inOutline, zoneAt } from './zoneAt';

const box = (x: number, y: number, w: number, h: number) => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + h },
  { x, y: y + h },
];
const front = { outline: box(0, 0, 60, 40), cutouts: [box(20, 10, 10, 10)] };
const bed = { outline: box(50, 30, 8, 8), cutouts: [] };

it('finds the zone whose turf was touched, the smaller of two over each other', () => {
  expect(zoneAt([front, bed], { x: 5, y: 5 })).toBe(front);
  expect(zoneAt([front, bed], { x: 54, y: 34 })).toBe(bed);
  // Inside the house that is cut out, and outside everything.
  expect(zoneAt([front, bed], { x: 25, y: 15 })).toBeNull();
  expect(zoneAt([front, bed], { x: 61, y: 5 })).toBeNull();
});

it('knows inside from outside of any circle of corners', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 3, max: 20 }),
      fc.double({ min: 0, max: 6.28, noNaN: true }),
      fc.double({ min: 0, max: 30, noNaN: true }),
      (corners, turn, far) => {
        const ring = Array.from({ length: corners }, (_, k) => {
          const angle = (2 * Math.PI * k) / corners;
          return { x: 10 * Math.cos(angle), y: 10 * Math.sin(angle) };
        });
        const at = { x: far * Math.cos(turn), y: far * Math.sin(turn) };
        // Between the circle in the ring and the one around it the side decides; no claim there.
        const inner = 10 * Math.cos(Math.PI / corners);
        if (far < inner - 1e-9) expect(inOutline(at, ring)).toBe(true);
        if (far > 10 + 1e-9) expect(inOutline(at, ring)).toBe(false);
      },
    ),
  );
});
