import { testLawn } from '@/testdata/testLawn';
import { planOf } from '@/state/planStore';
import { markGrips, moveMark } from './planMarks';
import { closedPath, edgesPath, gridPath, nearestEdge, nearestPlace } from './planPaths';

const PIN = '0190a000-0000-7000-8000-000000000011';
const LINE = '0190a000-0000-7000-8000-000000000012';

const plan = planOf(
  testLawn({
    pins: [{ id: PIN, kind: 'tree', at: { x: 1, y: 2 }, note: '', seenOn: '2026-04-08' }],
    lines: [
      {
        id: LINE,
        kind: 'mow-line',
        points: [
          { x: 0, y: 0 },
          { x: 10, y: 0 },
        ],
        note: '',
        seenOn: '2026-04-08',
      },
    ],
  }),
);

it('takes hold of the marks of the kinds asked for only', () => {
  expect(markGrips(plan, ['pin']).map(({ id }) => id)).toEqual([PIN]);
  expect(markGrips(plan, ['line']).map(({ point }) => point)).toEqual([0, 1]);
  expect(markGrips(plan, [])).toEqual([]);
});

it('moves one mark and leaves the lists of the others as they are', () => {
  const grip = markGrips(plan, ['line'])[1]!;
  const moved = moveMark(plan, { ...grip, at: { x: 12, y: 3 } });
  expect(moved.lines[0]!.points).toEqual([
    { x: 0, y: 0 },
    { x: 12, y: 3 },
  ]);
  expect(moved.pins).toBe(plan.pins);
  expect(plan.lines[0]!.points[1]).toEqual({ x: 10, y: 0 });
  const pin = moveMark(plan, { kind: 'pin', id: PIN, point: 0, at: { x: 5, y: 5 } });
  expect(pin.pins[0]!.at).toEqual({ x: 5, y: 5 });
  expect(pin.lines).toBe(plan.lines);
});

const same = (p: { x: number; y: number }) => p;
const square = [
  { x: 0, y: 0 },
  { x: 10, y: 0 },
  { x: 10, y: 10 },
  { x: 0, y: 10 },
];

it('draws outlines, chosen edges and the grid as one path each', () => {
  expect(closedPath(square, same)).toBe('M0.0 0.0L10.0 0.0L10.0 10.0L0.0 10.0Z');
  expect(edgesPath(square, same, (edge) => edge === 3)).toBe('M0.0 10.0L0.0 0.0');
  // Lines at 0, 10 and 20 ft each way.
  expect(gridPath({ x: 0, y: 0 }, { x: 25, y: 25 }, same).match(/M/g)).toHaveLength(6);
  expect(gridPath({ x: 0, y: 0 }, { x: 5000, y: 5000 }, same)).toBe('');
});

it('finds the place and the edge under a finger, and none out of reach', () => {
  expect(nearestPlace(square, { x: 9, y: 1 }, 3)).toBe(1);
  expect(nearestPlace(square, { x: 50, y: 50 }, 3)).toBeNull();
  expect(nearestEdge(square, { x: 5, y: 9 }, 3)).toBe(2);
  expect(nearestEdge(square, { x: 5, y: 5 }, 3)).toBeNull();
});
