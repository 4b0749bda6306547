import type { Source } from './source';

const COMMON: Source = { kind: 'common-practice' };
const MEMORY: Source = { kind: 'memory' };

/** One thing that a technician reads off or counts in a field test. */
export interface TestField {
  slug: string;
  /** `count`: a whole number; `series`: one number a sample; `yes-no`: seen or not. */
  kind: 'count' | 'number' | 'series' | 'yes-no';
  unit: string | null;
  min: number;
  max: number;
  /** Samples that make a series whole; fewer leave the sign open. */
  samples: number;
  /** May be left out, for instance because it can be read only days later. */
  optional: boolean;
  /** What is usual, written in beforehand. */
  usual: number | null;
}

/** A field test as it is done: words are in the catalogs. */
export interface FieldTestCard {
  slug: string;
  /** Seconds of handling. */
  seconds: number;
  /** Days until it can be read, shortest and longest. */
  waitDays: readonly [number, number] | null;
  /** Waits within the test that a clock helps with, s. */
  timers: readonly number[];
  fields: readonly TestField[];
  /** Signs that the result answers. */
  signs: readonly string[];
  source: Source;
}

const field = (
  slug: string,
  kind: TestField['kind'],
  fields: Partial<TestField> = {},
): TestField => ({
  slug,
  kind,
  unit: null,
  min: 0,
  max: 1000,
  samples: 1,
  optional: false,
  usual: null,
  ...fields,
});
const yesNo = (slug: string, fields: Partial<TestField> = {}) => field(slug, 'yes-no', fields);
const card = (
  slug: string,
  seconds: number,
  fields: readonly TestField[],
  signs: readonly string[],
  more: Partial<FieldTestCard> = {},
): FieldTestCard => ({
  slug,
  seconds,
  waitDays: null,
  timers: [],
  fields,
  signs,
  source: COMMON,
  ...more,
});

/** Every field test; the counting ones have their arithmetic in `countTests`. */
export const fieldTestCards: readonly FieldTestCard[] = [
  card('chinch-float', 300, [], ['t-chinch'], { timers: [300] }),
  card('grub-lift', 240, [], ['t-grub']),
  card('soap-flush-caterpillar', 420, [], ['t-soap-cat'], { timers: [420] }),
  card('soap-flush-mole-cricket', 420, [], ['t-soap-mc'], { timers: [600] }),
  card('tug', 15, [field('lifts', 'count', { max: 10 })], ['t-tug']),
  card('crown', 30, [field('alive', 'count', { max: 10 })], ['h-crown-firm', 'h-crown-dead']),
  card('plug', 120, [field('regrown', 'count', { max: 2 }), yesNo('control')], ['t-plug-alive'], {
    waitDays: [7, 21],
  }),
  card(
    'footprint',
    70,
    [field('visible', 'number', { unit: 's', max: 600 }), yesNo('folded'), yesNo('bluegray')],
    ['s-footprints', 's-leaf-fold', 's-col-bluegray'],
    { timers: [60] },
  ),
  card(
    'rewet',
    60,
    [
      field('side', 'number', { unit: 'ft', min: 0.5, max: 20, usual: 3 }),
      yesNo('revived', { optional: true }),
      yesNo('moist', { optional: true }),
    ],
    ['t-rewet'],
    { waitDays: [1, 3] },
  ),
  card(
    'drop',
    300,
    [field('seconds', 'series', { unit: 's', max: 3600, samples: 6 })],
    ['h-repel'],
    { timers: [60] },
  ),
  card('moisture', 20, [yesNo('crumbles'), yesNo('drips')], ['h-soil-dry', 'h-soil-wet']),
  card(
    'probe',
    120,
    [field('depths', 'series', { unit: 'in', max: 24, samples: 10 })],
    ['h-probe-stop'],
  ),
  card(
    'billbug',
    300,
    [
      field('larvae', 'count', { max: 500 }),
      field('area', 'number', { unit: 'ft²', min: 0.1, max: 20, usual: 1 }),
      field('frass', 'count', { max: 20 }),
    ],
    ['t-billbug', 'h-sawdust'],
  ),
  card(
    'ph-spots',
    900,
    [
      field('best', 'number', { unit: 'pH', min: 2, max: 12 }),
      field('poor', 'series', { unit: 'pH', min: 2, max: 12, samples: 3 }),
    ],
    ['t-ph-low', 't-ph-high'],
    { timers: [60, 600] },
  ),
  card('salt', 240, [field('reading', 'number', { unit: 'dS/m', max: 20 })], ['t-ec-high'], {
    source: MEMORY,
  }),
  card(
    'catch-cans',
    1200,
    [
      field('depths', 'series', { unit: 'in', max: 5, samples: 8 }),
      field('minutes', 'number', { unit: 'min', min: 1, max: 240, usual: 15 }),
      field('patch', 'number', { unit: 'in', max: 5 }),
    ],
    ['t-cup-low'],
    { timers: [900] },
  ),
  card(
    'soil-temperature',
    180,
    [
      field('green', 'series', { unit: '°F', min: -10, max: 130, samples: 3 }),
      field('rest', 'series', { unit: '°F', min: -10, max: 130, samples: 3 }),
    ],
    ['t-soiltemp'],
  ),
  card('thatch', 60, [field('depths', 'series', { unit: 'in', max: 6, samples: 4 })], ['h-thatch']),
  card('dawn', 120, [yesNo('threads'), yesNo('webs')], ['h-mycelium']),
  card('bag', 60, [yesNo('growth'), yesNo('pink')], ['t-bag', 'h-mycelium-pink'], {
    waitDays: [1, 2],
  }),
  card('paper-tap', 60, [field('specks', 'series', { max: 500, samples: 3 })], ['t-mites']),
  card(
    'urine-clues',
    60,
    [yesNo('round'), yesNo('straw'), yesNo('ring'), yesNo('route'), yesNo('dog')],
    ['k-green-halo', 'k-loc-door-dog', 'c-dog'],
  ),
  card(
    'run-width',
    60,
    [
      field('width', 'number', { unit: 'in', max: 12 }),
      field('ridge', 'number', { unit: 'in', max: 12 }),
      yesNo('pellets'),
    ],
    ['k-pat-runs'],
  ),
  card(
    'test-strips',
    300,
    [
      field('width', 'number', { unit: 'ft', min: 0.5, max: 20, usual: 2 }),
      field('length', 'number', { unit: 'ft', min: 0.5, max: 100, usual: 10 }),
      yesNo('iron', { optional: true }),
      yesNo('nitrogen', { optional: true }),
    ],
    ['t-iron-strip', 't-n-strip'],
    { waitDays: [1, 10] },
  ),
  card(
    'percent-cover',
    420,
    [
      field('hits', 'count', { max: 2000 }),
      field('points', 'count', { min: 1, max: 2000, usual: 100 }),
    ],
    [],
  ),
  card('lab-sample', 600, [], []),
  card('nematode-cores', 900, [], []),
  card(
    'bioassay',
    600,
    [field('treated', 'count', { max: 60 }), field('clean', 'count', { min: 1, max: 60 })],
    [],
    { waitDays: [10, 21] },
  ),
];

/** The card of a test, or `undefined` when there is none. */
export const fieldTestCard = (slug: string): FieldTestCard | undefined =>
  fieldTestCards.find((entry) => entry.slug === slug);

/** Limits at which readings become answers. */
export const fieldTestLimits = {
  tugLifts: 5,
  crownAlive: 7,
  crownDead: 3,
  footprintSeconds: 60,
  rewetIn: 0.5,
  dropSlightSeconds: 5,
  dropStrongSeconds: 60,
  probe: { compactedIn: 3, easyIn: 6 },
  billbugFrassOf20: 5,
  /** 1:2 soil to water reads about half of the paste. */
  saltPasteFactor: 2,
  saltHighDsM: 3,
  saltNormalDsM: 1.5,
  highPh: 7.5,
  cans: { patchShare: 0.6, uniformity: 0.7 },
  greenWarmerF: 2,
  thatchSignIn: 0.5,
  specksATap: 10,
  urineClues: { certain: 4, compare: 2 },
  voleRunIn: [1, 2] as const,
  moleRidgeIn: 2,
  strip: { ironOzPer1000: 0.5, ferrousSulfateFe: 0.2, nitrogenLbPer1000: 0.5, ureaN: 0.46 },
  bioassayShare: 0.8,
  source: COMMON,
} as const;
