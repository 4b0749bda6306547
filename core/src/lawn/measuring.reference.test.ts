import { area as turfArea } from '@turf/area';
import fc from 'fast-check';
import geodesic from 'geographiclib-geodesic';
import { squareFeet, SQUARE_METRES_PER_SQUARE_FOOT } from '../units';
import { polygonArea } from './area';
import { areaInterval, pacesToFeet } from './areaInterval';
import {
  crossesItself,
  dropCorner,
  moveCorner,
  setEdgeLength,
  snapPoint,
  splitEdge,
} from './editOutline';
import { metresPerDegree, toGeo, toPlan } from './localPlane';
import { sharedArea, zoneOverlaps } from './overlaps';
import { tapeArea, tapeOutline, tapeProblems, type TapeFigure } from './tape';
import { walkedOutline, type Fix } from './walkedOutline';

const box = (x: number, y: number, width: number, height: number) => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];

describe('tape figures (worked examples of plane geometry, hand-computed)', () => {
  it.each<[string, TapeFigure, number]>([
    ['Heron 62, 85, 97', { kind: 'triangle', a: 62, b: 85, c: 97 }, 2602],
    ['Heron 97, 70, 58', { kind: 'triangle', a: 97, b: 70, c: 58 }, 2010],
    [
      'offsets at 10 ft by trapezoids',
      { kind: 'offsets', step: 10, offsets: [0, 12, 18, 21, 24, 20, 15, 0], rule: 'trapezoid' },
      1100,
    ],
    [
      'offsets at 12 ft by trapezoids',
      { kind: 'offsets', step: 12, offsets: [18, 24, 27, 25, 21, 16], rule: 'trapezoid' },
      1368,
    ],
    [
      'Simpson over six intervals',
      { kind: 'offsets', step: 10, offsets: [8, 14, 19, 22, 20, 15, 9], rule: 'simpson' },
      996.7,
    ],
    [
      'the same by trapezoids',
      { kind: 'offsets', step: 10, offsets: [8, 14, 19, 22, 20, 15, 9], rule: 'trapezoid' },
      985,
    ],
    ['segment on a chord of 40, 10 deep', { kind: 'segment', chord: 40, depth: 10 }, 279.6],
    ['circle of radius 11.5', { kind: 'circle', radius: 11.5 }, 415.5],
    ['trapezoid', { kind: 'trapezoid', long: 40, short: 24, height: 18 }, 576],
    ['rectangle', { kind: 'rectangle', length: 84, width: 62 }, 5208],
  ])('%s', (_, figure, area) => {
    expect(tapeArea(figure) / area).toBeCloseTo(1, 3);
    expect(polygonArea(tapeOutline(figure)) / tapeArea(figure)).toBeCloseTo(1, 6);
    expect(crossesItself(tapeOutline(figure))).toBe(false);
  });
  it('draws the sides it was given', () => {
    const [a, b, c] = tapeOutline({ kind: 'triangle', a: 62, b: 85, c: 97 }) as [
      { x: number; y: number },
      { x: number; y: number },
      { x: number; y: number },
    ];
    const d = (p: typeof a, q: typeof a) => Math.hypot(p.x - q.x, p.y - q.y);
    expect([d(a, b), d(a, c), d(b, c)].map((value) => Number(value.toFixed(6)))).toEqual([
      62, 85, 97,
    ]);
  });
  it('says at which field a figure cannot be', () => {
    const of = (figure: TapeFigure) =>
      tapeProblems(figure).map(({ field, problem }) => `${field} ${problem}`);
    expect(of({ kind: 'rectangle', length: 0, width: -2 })).toEqual([
      'length above-zero',
      'width above-zero',
    ]);
    expect(of({ kind: 'triangle', a: 3, b: 4, c: 8 })).toEqual(['c no-triangle']);
    expect(of({ kind: 'segment', chord: 10, depth: 6 })).toEqual(['depth depth']);
    expect(of({ kind: 'offsets', step: 5, offsets: [4], rule: 'trapezoid' })).toEqual([
      'offsets at-least-two',
    ]);
    expect(of({ kind: 'offsets', step: 5, offsets: [4, 5, 6, 7], rule: 'simpson' })).toEqual([
      'offsets odd-count',
    ]);
    expect(of({ kind: 'offsets', step: 5, offsets: [4, Number.NaN, 6], rule: 'simpson' })).toEqual([
      'offsets above-zero',
    ]);
    expect(tapeOutline({ kind: 'circle', radius: 0 })).toEqual([]);
    expect(tapeArea({ kind: 'circle', radius: 0 })).toBeNaN();
  });
  it('turns paces into feet by the pacer’s own count', () => {
    expect(pacesToFeet(20, { paces: 38, feet: 100 })).toBeCloseTo(52.63, 2);
  });
});

describe('area interval', () => {
  const zone = (
    edges: ('confirmed' | 'assumed')[],
    method: 'tape' | 'pace' | 'walked' = 'tape',
    cornerSigmaFt: number | null = null,
  ) => ({
    outline: box(0, 0, 100, 50),
    cutouts: [],
    edges,
    measure: { method, cornerSigmaFt },
  });
  it('is worked out from lengths and sigmas', () => {
    const { low, high } = areaInterval(zone(['assumed', 'confirmed', 'confirmed', 'confirmed']));
    // √((100·6)² + (50² + 100² + 50²)·0.25² + (2·0.003·5000)²) · 1.96
    expect(high - low).toBeCloseTo(2 * 1.96 * Math.sqrt(360_000 + 937.5 + 900), 6);
  });
  it('shrinks as edges are confirmed', () => {
    const widths = [0, 1, 2, 3, 4].map((sure) => {
      const edges = Array.from(
        { length: 4 },
        (_, i) => (i < sure ? 'confirmed' : 'assumed') as 'confirmed' | 'assumed',
      );
      const { low, high, areaFt2 } = areaInterval(zone(edges));
      expect(areaFt2).toBe(5000);
      return high - low;
    });
    widths.slice(1).forEach((width, index) => expect(width).toBeLessThan(widths[index]!));
    expect(
      areaInterval(zone(['assumed', 'confirmed', 'confirmed', 'confirmed'])).fromAssumed,
    ).toBeGreaterThan(0.9);
  });
  it('takes a walked outline at its corners and a pacer at their step', () => {
    const sure = ['confirmed', 'confirmed', 'confirmed', 'confirmed'] as const;
    const walked = areaInterval(zone([...sure], 'walked', 3));
    expect(walked.high - walked.low).toBeCloseTo(
      2 * 1.96 * 1.5 * Math.sqrt(4 * (100 ** 2 + 50 ** 2)),
      6,
    );
    const paced = areaInterval(zone([...sure], 'pace'));
    expect(paced.high - paced.low).toBeGreaterThan(4 * 0.03 * 5000 * 1.9);
  });
});

describe('latitude and longitude', () => {
  it('has the metres of a degree at 40° (WGS 84 series)', () => {
    expect(metresPerDegree(40).lat).toBeCloseTo(111_034.6, 0);
    expect(metresPerDegree(40).lon).toBeCloseTo(85_393.9, 0);
  });
  it('EX-7.45: agrees with GeographicLib on the ellipsoid and @turf/area on the sphere', () => {
    const origin = { lat: 40, lon: -30 };
    const corners = [
      { lat: 40, lon: -30 },
      { lat: 40, lon: -29.9996 },
      { lat: 39.99975, lon: -29.9996 },
      { lat: 39.99975, lon: -30 },
    ];
    const planar = polygonArea(corners.map((corner) => toPlan(corner, origin)));
    expect(planar).toBeCloseTo(10_206, -1);
    const polygon = geodesic.Geodesic.WGS84.Polygon(false);
    corners.forEach(({ lat, lon }) => polygon.AddPoint(lat, lon));
    const m2 = Math.abs(polygon.Compute(false, true).area ?? 0);
    expect((planar * SQUARE_METRES_PER_SQUARE_FOOT) / m2).toBeCloseTo(1, 5);
    const ring = [...corners, corners[0]!].map(({ lat, lon }) => [lon, lat]);
    const sphere = turfArea({ type: 'Polygon', coordinates: [ring] });
    // The sphere is 0.1 % off at this latitude; that is the sphere's, not ours.
    expect(sphere / m2).toBeCloseTo(1, 2);
    expect(Math.abs(sphere / m2 - 1)).toBeGreaterThan(
      Math.abs((planar * SQUARE_METRES_PER_SQUARE_FOOT) / m2 - 1),
    );
  });
  it('agrees with GeographicLib over random lawns', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 25, max: 49, noNaN: true }),
        fc.array(fc.tuple(fc.double({ min: 20, max: 300, noNaN: true }), fc.nat(20)), {
          minLength: 5,
          maxLength: 12,
        }),
        (lat, spokes) => {
          const origin = { lat, lon: -40 };
          const outline = spokes.map(([r], i) => ({
            x: r * Math.cos((2 * Math.PI * i) / spokes.length),
            y: r * Math.sin((2 * Math.PI * i) / spokes.length),
          }));
          const polygon = geodesic.Geodesic.WGS84.Polygon(false);
          outline
            .map((point) => toGeo(point, origin))
            .forEach((place) => polygon.AddPoint(place.lat, place.lon));
          const ft2 =
            Math.abs(polygon.Compute(false, true).area ?? 0) / SQUARE_METRES_PER_SQUARE_FOOT;
          expect(polygonArea(outline) / ft2).toBeCloseTo(1, 3);
        },
      ),
      { numRuns: 100 },
    );
  });
  it('comes back from the ellipsoid where it went', () => {
    const origin = { lat: 36.2, lon: -30 };
    const back = toPlan(toGeo({ x: 123, y: -45 }, origin), origin);
    expect(back.x).toBeCloseTo(123, 6);
    expect(back.y).toBeCloseTo(-45, 6);
  });
});

describe('drawing', () => {
  it('keeps a rectangle a rectangle when a side gets its length', () => {
    const wider = setEdgeLength(box(0, 0, 40, 20), 0, 50);
    expect(wider).toEqual(box(0, 0, 50, 20));
    expect(polygonArea(setEdgeLength(box(0, 0, 40, 20), 1, 30))).toBe(1200);
    expect(setEdgeLength(box(0, 0, 40, 20), 0, 0)).toEqual(box(0, 0, 40, 20));
    const triangle = [
      { x: 0, y: 0 },
      { x: 10, y: 0 },
      { x: 0, y: 10 },
    ];
    expect(setEdgeLength(triangle, 0, 20)[1]).toEqual({ x: 20, y: 0 });
  });
  it('splits, drops and moves corners, never below three', () => {
    const five = splitEdge(box(0, 0, 10, 10), 3);
    expect(five).toHaveLength(5);
    expect(five[4]).toEqual({ x: 0, y: 5 });
    expect(dropCorner(five, 4)).toEqual(box(0, 0, 10, 10));
    expect(dropCorner(box(0, 0, 1, 1).slice(0, 3), 0)).toHaveLength(3);
    expect(moveCorner(box(0, 0, 1, 1), 2, { x: 5, y: 5 })[2]).toEqual({ x: 5, y: 5 });
  });
  it('snaps to a corner before an edge and leaves the rest alone', () => {
    const other = [box(20, 0, 10, 10)];
    expect(snapPoint({ x: 19.2, y: 0.5 }, other, 1.5)).toEqual({ x: 20, y: 0 });
    expect(snapPoint({ x: 19.2, y: 5 }, other, 1.5)).toEqual({ x: 20, y: 5 });
    expect(snapPoint({ x: 10, y: 5 }, other, 1.5)).toEqual({ x: 10, y: 5 });
  });
  it('notices an overlap and a bow tie', () => {
    const zones = [
      { id: 'a', outline: box(0, 0, 20, 20) },
      { id: 'b', outline: box(15, 10, 20, 20) },
      { id: 'c', outline: box(20, 0, 5, 5) },
    ];
    expect(zoneOverlaps(zones)).toEqual([{ a: 'a', b: 'b', areaFt2: 50 }]);
    expect(sharedArea(box(0, 0, 4, 4), box(9, 9, 4, 4))).toBe(0);
    expect(
      crossesItself([
        { x: 0, y: 0 },
        { x: 10, y: 10 },
        { x: 10, y: 0 },
        { x: 0, y: 10 },
      ]),
    ).toBe(true);
  });
});

describe('a walked edge', () => {
  const origin = { lat: 38, lon: -30 };
  /** A walk round a rectangle of 100 × 60 ft at 4 ft/s with noise of a fixed pattern. */
  function walk(noiseFt: number, tamper?: (fixes: Fix[]) => void): Fix[] {
    const fixes: Fix[] = [];
    const at = (s: number) =>
      s < 100
        ? { x: s, y: 0 }
        : s < 160
          ? { x: 100, y: s - 100 }
          : s < 260
            ? { x: 260 - s, y: 60 }
            : { x: 0, y: 320 - s };
    for (let s = 0; s <= 320; s += 4) {
      const p = at(Math.min(319.9, s));
      const place = toGeo(
        { x: p.x + noiseFt * Math.sin(s * 1.3), y: p.y + noiseFt * Math.cos(s * 2.1) },
        origin,
      );
      fixes.push({ ...place, accuracyM: 3, seconds: s / 4 });
    }
    tamper?.(fixes);
    return fixes;
  }
  it('finds the area and says how well it closed', () => {
    const result = walkedOutline(walk(0.3))!;
    expect(polygonArea(result.outline) / 6000).toBeCloseTo(1, 1);
    expect(result.closureFt).toBeLessThan(3);
    expect(result.outline.length).toBeLessThan(16);
    expect(result.cornerSigmaFt).toBeCloseTo(3 / 1.5096 / 0.3048, 6);
  });
  it('leaves out spikes and vague fixes', () => {
    const result = walkedOutline(
      walk(0.3, (fixes) => {
        fixes[20] = { ...fixes[20]!, ...toGeo({ x: 300, y: 300 }, origin) };
        fixes[40] = { ...fixes[40]!, accuracyM: 60 };
      }),
    )!;
    expect(result).toMatchObject({ spikes: 1, vague: 1 });
    expect(polygonArea(result.outline) / 6000).toBeCloseTo(1, 1);
  });
  it('shows an open edge and gives up on too few fixes', () => {
    expect(walkedOutline(walk(0).slice(0, 60))!.closureFt).toBeGreaterThan(15);
    expect(walkedOutline(walk(0).slice(0, 2))).toBeNull();
    expect(walkedOutline([])).toBeNull();
  });
  it('is an area', () =>
    expect(squareFeet(polygonArea(walkedOutline(walk(0))!.outline))).toBeGreaterThan(5900));
});
