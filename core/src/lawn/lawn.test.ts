import fc from 'fast-check';
import { areaSigma, polygonArea, zoneArea } from './area';
import { contaminantWeeds, desiredCover, governingGrasses, mainGrass } from './stand';
import { siteFactors } from './siteFactors';
import { siteSchema, standSchema, zoneSchema } from './zone';
import type { SiteFactor } from '../knowledge';

const P = (pairs: [number, number][]) => pairs.map(([x, y]) => ({ x, y }));
const SHAPE = P([
  [0, 0],
  [120, 0],
  [120, 65],
  [70, 90],
  [0, 60],
]);

describe('areas (worked examples)', () => {
  it('a five-sided plan is 9,125 ft²', () => expect(polygonArea(SHAPE)).toBe(9125));
  it('a lot less house and drive is 3,836 ft²', () => {
    const box = (x: number, y: number, w: number, h: number) =>
      P([
        [x, y],
        [x + w, y],
        [x + w, y + h],
        [x, y + h],
      ]);
    expect(
      zoneArea({ outline: box(0, 0, 84, 62), cutouts: [box(10, 10, 38, 28), box(60, 10, 14, 22)] }),
    ).toBe(3836);
  });
  it('3 ft of corner error are 410 ft² of area error', () => {
    expect(areaSigma(SHAPE, 3)).toBeCloseTo(409.8, 1);
    expect(areaSigma(SHAPE, 10)).toBeCloseTo(1366, 0);
  });
  it('does not change when the plan is moved or turned round', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -500, max: 500, noNaN: true }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        (d, a) => {
          const moved = SHAPE.map(({ x, y }) => ({
            x: d + x * Math.cos(a) - y * Math.sin(a),
            y: d + x * Math.sin(a) + y * Math.cos(a),
          }));
          expect(polygonArea(moved)).toBeCloseTo(9125, 4);
          expect(polygonArea([...moved].reverse())).toBeCloseTo(9125, 4);
        },
      ),
    );
  });
});

describe('a stand', () => {
  const zone = {
    stand: [
      { species: 'tall-fescue' as const, cover: 0.6 },
      { species: 'perennial-ryegrass' as const, cover: 0.06 },
      { species: 'kentucky-bluegrass' as const, cover: 0.06 },
      { species: 'bermuda-common' as const, cover: 0.18 },
    ],
    desired: ['tall-fescue' as const, 'perennial-ryegrass' as const, 'kentucky-bluegrass' as const],
    tolerated: [],
  };
  it('lets the tender 6 % govern and the hardy 6 % not (common practice)', () => {
    expect(governingGrasses(zone)).toEqual(['tall-fescue', 'perennial-ryegrass']);
    expect(mainGrass(zone)).toBe('tall-fescue');
    expect(desiredCover(zone)).toBeCloseTo(0.72, 9);
  });
  it('turns an unwanted grass into a weed', () => {
    expect(contaminantWeeds(zone)).toEqual([{ weed: 'bermuda-common', cover: 0.18 }]);
    expect(contaminantWeeds({ ...zone, tolerated: ['bermuda-common'] })).toEqual([]);
  });
  it('assumes no grass where nobody has named one', () => {
    expect(mainGrass({ stand: [], desired: [] })).toBeNull();
    expect(governingGrasses({ stand: [], desired: [] })).toEqual([]);
  });
  it('reads the sun of a zone from its hours where no exposure was picked', () => {
    const sunny = (sunHours: number | null, factors: SiteFactor[] = []) =>
      siteFactors({ ...zone, site: siteSchema.parse({ sunHours, factors }) });
    expect(sunny(null)).toEqual([]);
    expect(sunny(2.9)).toEqual(['full-shade']);
    expect(sunny(3)).toEqual(['half-shade']);
    expect(sunny(5.9, ['north-slope'])).toEqual(['north-slope', 'half-shade']);
    // Tall fescue is kept high, bermuda low.
    expect(sunny(6)).toEqual(['full-sun-tall']);
    const low = { stand: [], desired: ['bermuda-hybrid' as const] };
    expect(siteFactors({ ...low, site: siteSchema.parse({ sunHours: 9 }) })).toEqual([
      'full-sun-short',
    ]);
    expect(sunny(2, ['full-sun-tall'])).toEqual(['full-sun-tall']);
  });
  it('governs by what is wanted when nothing grows', () => {
    expect(governingGrasses({ stand: [], desired: ['centipede'] })).toEqual(['centipede']);
  });
});

describe('bad input', () => {
  const paths = (result: { error?: { issues: { path: PropertyKey[] }[] } | undefined }) =>
    result.error?.issues.map((i) => i.path.join('.')) ?? [];
  it('refuses cover over 100 % and a grass twice', () => {
    expect(
      standSchema
        .safeParse([
          { species: 'bahia', cover: 0.7 },
          { species: 'bahia', cover: 0.5 },
        ])
        .error?.issues.map((i) => i.message),
    ).toEqual(['bahia is listed twice', 'the stand covers 120 % of the ground; at most 100 %']);
  });
  it('refuses a zone without a shape, a name or an edge state', () => {
    const result = zoneSchema.safeParse({
      id: '0190a000-0000-7000-8000-000000000001',
      name: ' ',
      outline: SHAPE,
      edges: ['confirmed'],
      stand: [],
      desired: [],
      site: {},
    });
    expect(paths(result)).toEqual(expect.arrayContaining(['name', 'edges']));
  });
});
