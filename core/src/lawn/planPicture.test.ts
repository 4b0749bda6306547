import fc from 'fast-check';
import { zoneSchema } from './zone';
import { cornerLetter } from './cornerLetter';
import {
  fitPlan,
  labelPlace,
  planShapes,
  type PlanContent,
  type PlanShape,
  type PlanWords,
} from './planPicture';
import { inOutline } from './zoneAt';

const ID = '0190a000-0000-7000-8000-000000000001';
const P = (pairs: [number, number][]) => pairs.map(([x, y]) => ({ x, y }));
const zone = (
  outline = P([
    [0, 0],
    [60, 0],
    [60, 40],
    [0, 40],
  ]),
) =>
  zoneSchema.parse({
    id: ID,
    name: 'Front',
    outline,
    edges: outline.map((_, index) => (index === 1 ? 'assumed' : 'confirmed')),
    stand: [],
    desired: [],
    site: {},
  });
const content = (fields: Partial<PlanContent> = {}): PlanContent => ({
  zones: [zone()],
  features: [],
  patches: [],
  pins: [],
  lines: [],
  weedPatches: [],
  northDeg: null,
  ...fields,
});
const words: PlanWords = {
  area: (ft2) => `${Math.round(ft2)} ft²`,
  feature: (kind) => kind,
  length: (ft) => `${ft} ft`,
};
const draw = (given: PlanContent, choice = {}) =>
  planShapes(given, fitPlan(given, { width: 360, height: 260, margin: 18 }), words, choice);
const texts = (shapes: PlanShape[]) =>
  shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []));

it('draws name, area and scale, and north only when somebody said where it is', () => {
  const plain = draw(content());
  expect(texts(plain)).toEqual(['Front', '2400 ft²']);
  const scale = plain.find((shape) => shape.kind === 'scale');
  // 60 ft over 324 px are 5.4 px a foot: 10 ft is the first length of 50 px or more.
  expect(scale).toMatchObject({ text: '10 ft', length: expect.closeTo(54, 6) as number });
  expect(plain.some(({ kind }) => kind === 'north')).toBe(false);
  expect(draw(content({ northDeg: 90 })).find(({ kind }) => kind === 'north')).toMatchObject({
    degrees: 90,
  });
});

it('letters the ends of the side that a question names, and no other corner', () => {
  const asked = draw(content(), { asked: [{ zoneId: ID, edge: 1 }] });
  expect(asked.flatMap((shape) => (shape.kind === 'badge' ? [shape.text] : []))).toEqual([
    'B',
    'C',
  ]);
  expect(asked.filter((shape) => 'role' in shape && shape.role === 'edge-asked')).toHaveLength(1);
  expect(asked.filter((shape) => 'role' in shape && shape.role === 'edge-assumed')).toHaveLength(0);
  expect([0, 25, 26, 27].map(cornerLetter)).toEqual(['A', 'Z', 'A2', 'B2']);
});

it('never writes the name of a zone over a pin or the number of a damaged place', () => {
  const at = { x: 30, y: 20 };
  const mark = { id: 'p', zoneId: ID, number: 1, centre: at, widthFt: 3, lengthFt: 3 };
  for (const given of [
    content({ patches: [mark] }),
    content({ pins: [{ id: 'q', kind: 'tree', at }] }),
  ]) {
    const name = draw(given).find((shape) => shape.kind === 'text' && shape.text === 'Front');
    const place = fitPlan(given, { width: 360, height: 260, margin: 18 }).at(at);
    if (name?.kind !== 'text') throw new Error('no name');
    const beside = Math.abs(name.at.x - place.x) > 34;
    expect(beside || Math.abs(name.at.y - place.y) > 25).toBe(true);
  }
});

it('finds a place inside any outline for its name, in an L and a U, too', () => {
  const shapes = [
    P([
      [0, 0],
      [60, 0],
      [60, 10],
      [10, 10],
      [10, 60],
      [0, 60],
    ]),
    P([
      [0, 0],
      [60, 0],
      [60, 60],
      [50, 60],
      [50, 10],
      [10, 10],
      [10, 60],
      [0, 60],
    ]),
  ];
  for (const outline of shapes) expect(inOutline(labelPlace(outline), outline)).toBe(true);
});

it('puts a place back where it was taken from, whatever the size of the sheet', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 60, max: 2000, noNaN: true }),
      fc.double({ min: 60, max: 2000, noNaN: true }),
      fc.double({ min: -50, max: 100, noNaN: true }),
      fc.double({ min: -50, max: 100, noNaN: true }),
      (width, height, x, y) => {
        const view = fitPlan(content(), { width, height, margin: 18 });
        const back = view.toPlan(view.at({ x, y }));
        expect(back.x).toBeCloseTo(x, 6);
        expect(back.y).toBeCloseTo(y, 6);
      },
    ),
  );
});
