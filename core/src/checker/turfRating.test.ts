/** When each condition of the tolerance table holds: a step inside it and a step outside (common practice). */
import { toleranceOverrides, type GrassSlug, type ToleranceCondition } from '../knowledge';
import { LIBRARY } from '../products';
import { holds, turfRating, type TurfState } from './turfRating';

const PLAIN: TurfState = {
  month: 7,
  treatedShare: 1,
  carpetgrassCover: 0,
  fineFescueShare: 0,
  youngTurf: false,
  atSeeding: false,
  repeated: false,
  coolAndWet: false,
  againstBermuda: false,
  lowRate: false,
};
type Fields = Partial<TurfState>;
const WINTER = { month: 1, soilF: 49, soilRising: true };
const SPRING = { month: 4, soilF: 60, soilRising: true };

/** States in which a condition holds, and states just outside it. */
const STATES: Record<ToleranceCondition, readonly [holds: Fields[], not: Fields[]]> = {
  any: [[{}], []],
  'air>85F': [[{ airHighF: 85.5 }], [{ airHighF: 85 }, {}]],
  drought: [[{ drought: true }], [{ drought: false }, {}]],
  spot: [[{ treatedShare: 0.049 }], [{ treatedShare: 0.05 }]],
  'fully-dormant': [
    [WINTER, { ...WINTER, month: 12 }, { ...WINTER, month: 2 }, { month: 1, soilF: 49 }],
    [
      { ...WINTER, soilF: 50 },
      { ...WINTER, month: 3 },
      { ...WINTER, month: 11 },
      { month: 1 },
      { soilF: 49 },
    ],
  ],
  'spring-transition': [
    [
      SPRING,
      { ...SPRING, soilF: 64.9 },
      { ...SPRING, month: 6 },
      { ...SPRING, soilF: 50, month: 1 },
    ],
    [
      { ...SPRING, soilF: 65 },
      { ...SPRING, month: 7 },
      { ...SPRING, soilRising: false },
      { month: 4, soilF: 60 },
      { month: 4, soilRising: true },
      WINTER,
    ],
  ],
  green: [
    [{ soilF: 70 }, { ...SPRING, soilF: 65 }, { ...SPRING, soilRising: false }],
    [{}, WINTER, SPRING],
  ],
  'alone-stand': [[{ fineFescueShare: 0.21 }], [{ fineFescueShare: 0.2 }]],
  'carpetgrass>10pct-cover': [[{ carpetgrassCover: 0.11 }], [{ carpetgrassCover: 0.1 }]],
  'carpetgrass<=10pct-cover': [
    [{ carpetgrassCover: 0.1 }, { carpetgrassCover: 0.01 }],
    [{ carpetgrassCover: 0.11 }, { carpetgrassCover: 0 }],
  ],
  'young<16-months': [[{ youngTurf: true }], [{}]],
  'newly-sprigged': [[{ youngTurf: true }], [{}]],
  'at-seeding': [[{ atSeeding: true }], [{}]],
  'repeat-applications': [[{ repeated: true }], [{}]],
  'cool-wet': [[{ coolAndWet: true }], [{}]],
  'bermuda-suppression': [[{ againstBermuda: true }], [{}]],
  'low-rate-suppression': [[{ lowRate: true }], [{}]],
};

it.each(Object.entries(STATES))('%s', (condition, [inside, outside]) => {
  const of = (fields: Fields) => holds(condition as ToleranceCondition, { ...PLAIN, ...fields });
  expect(inside.map(of)).toEqual(inside.map(() => true));
  expect(outside.map(of)).toEqual(outside.map(() => false));
});

const rating = (slug: string, species: GrassSlug, fields: Fields = {}) =>
  turfRating(LIBRARY.herbicide(slug)!, species, { ...PLAIN, ...fields });

it('takes each kind of zoysia by itself, and a grass without a row as not on the label', () => {
  for (const species of ['zoysia-fine', 'zoysia-wide'] as const) {
    for (const { slug, tolerance } of LIBRARY.herbicides) {
      if (toleranceOverrides.some((row) => row.herbicide === slug && row.turf === species))
        continue;
      expect([slug, rating(slug, species)]).toEqual([slug, tolerance[species] ?? 'not-labelled']);
    }
  }
  expect(rating('prodiamine', 'annual-bluegrass')).toBe('not-labelled');
});
it('lets the last override that holds stand', () => {
  expect(rating('glyphosate', 'bermuda-common', WINTER)).toBe('caution');
  expect(rating('glyphosate', 'bermuda-common', SPRING)).not.toBe('caution');
  const rows = toleranceOverrides.filter(
    (row) => row.herbicide === 'threeway-amine' && row.turf === 'st-augustine',
  );
  expect(rows.map(({ condition }) => condition)).toEqual(['air>85F']);
  expect(rating('threeway-amine', 'st-augustine', { airHighF: 86 })).toBe('injures');
  expect(rating('threeway-amine', 'st-augustine', { airHighF: 85 })).toBe('caution');
});
