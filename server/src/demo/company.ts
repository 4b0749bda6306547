/**
 * The demo company: everything here is invented, down to the valley. Any likeness to a real person,
 * firm or place is chance.
 */
import {
  lawnBodySchema,
  type GrassSlug,
  type LawnBody,
  type Region,
  type SiteFactor,
  type Upkeep,
  type User,
  type VisitBody,
  type ApplicationRecordBody,
} from '@alfombra/core';

/** The day the demo stands on: the soil of the valley is about to pass the crabgrass line. */
export const DEMO_DAY = '2026-04-08';
export const DEMO_PASSWORD = 'woven-rug';

/** Stable ids, so that a reset brings the same rows back. */
export const demoId = (group: number, index: number): string =>
  `0190de0${group.toString(16)}-0000-7000-8000-${index.toString(16).padStart(12, '0')}`;

export const DEMO_COMPANY_ID = demoId(0, 1);

export const demoUsers: readonly User[] = [
  {
    id: demoId(1, 1),
    name: 'Juno Marlowick',
    email: 'technician@alfombra.demo',
    role: 'technician',
    licence: 'DEMO-0417',
  },
  {
    id: demoId(1, 2),
    name: 'Oslo Pennyfeather',
    email: 'owner@alfombra.demo',
    role: 'owner',
    licence: 'DEMO-0102',
  },
];

interface ZoneSpec {
  stand: [GrassSlug, number][];
  desired: GrassSlug[];
  factors: SiteFactor[];
  irrigated?: boolean;
  treeRoots?: boolean;
  dog?: boolean;
}

interface LawnSpec {
  name: string;
  customer: string;
  region: Region;
  upkeep: Upkeep;
  /** Lot, ft: width, depth of back, house and front, width of side strip and drive. */
  lot: { width: number; back: number; house: number; front: number; side: number; drive: number };
  back: ZoneSpec;
  front: ZoneSpec;
  side?: ZoneSpec;
  /** Damaged places in the back lawn: x, y, across, along. */
  patches?: [number, number, number, number][];
  /** Weeds at the visit of last fall and of this March. */
  fall: [weed: string, cover: number][];
  spring: [weed: string, cover: number, growing?: boolean][];
  /** The back edge runs along a neighbour's lawn and nobody knows where it ends. */
  assumedEdge?: boolean;
  fed?: boolean;
  probed?: boolean;
}

export const STATIONS: Record<Region, string> = {
  north: 'ridge',
  transition: 'valley',
  south: 'flats',
};
const SUN: SiteFactor[] = ['full-sun-tall'];
const SHORT_SUN: SiteFactor[] = ['full-sun-short'];
const SHADE: SiteFactor[] = ['half-shade'];

const tallFescue = (cover: number, bermuda = 0): ZoneSpec => ({
  stand:
    bermuda > 0
      ? [
          ['tall-fescue', cover],
          ['bermuda-common', bermuda],
        ]
      : [['tall-fescue', cover]],
  desired: ['tall-fescue'],
  factors: SUN,
});

const LAWNS: readonly LawnSpec[] = [
  {
    name: '14 Larkspur Bend',
    customer: 'The Pemberquills',
    region: 'transition',
    upkeep: 'standard',
    lot: { width: 92, back: 46, house: 36, front: 30, side: 16, drive: 18 },
    back: tallFescue(0.72, 0.18),
    front: tallFescue(0.84),
    side: { ...tallFescue(0.66), factors: SHADE },
    patches: [[66, 20, 7, 11]],
    fall: [
      ['annual-bluegrass', 0.06],
      ['large-crabgrass', 0.08],
    ],
    spring: [
      ['dandelion', 0.05],
      ['annual-bluegrass', 0.05],
      ['large-crabgrass', 0.08, false],
    ],
    assumedEdge: true,
    fed: true,
    probed: true,
  },
  {
    name: '3 Quarry Hill',
    customer: 'Ambrose Tollivant',
    region: 'north',
    upkeep: 'standard',
    lot: { width: 84, back: 40, house: 32, front: 26, side: 14, drive: 16 },
    back: {
      stand: [
        ['kentucky-bluegrass', 0.52],
        ['perennial-ryegrass', 0.3],
      ],
      desired: ['kentucky-bluegrass', 'perennial-ryegrass'],
      factors: SUN,
      irrigated: true,
    },
    front: {
      stand: [
        ['kentucky-bluegrass', 0.6],
        ['perennial-ryegrass', 0.32],
      ],
      desired: ['kentucky-bluegrass', 'perennial-ryegrass'],
      factors: SUN,
      irrigated: true,
    },
    patches: [[30, 18, 5, 5]],
    fall: [
      ['dandelion', 0.1],
      ['smooth-crabgrass', 0.06],
    ],
    spring: [
      ['dandelion', 0.12],
      ['white-clover', 0.08],
      ['smooth-crabgrass', 0.06, false],
    ],
    probed: true,
  },
  {
    name: '8 Tanner Close',
    customer: 'Odalys Brightwater',
    region: 'south',
    upkeep: 'standard',
    lot: { width: 88, back: 42, house: 34, front: 28, side: 15, drive: 18 },
    back: {
      stand: [
        ['st-augustine', 0.82],
        ['bermuda-common', 0.06],
      ],
      desired: ['st-augustine'],
      factors: SHORT_SUN,
      irrigated: true,
    },
    front: {
      stand: [['st-augustine', 0.9]],
      desired: ['st-augustine'],
      factors: SUN,
      irrigated: true,
    },
    side: {
      stand: [['st-augustine', 0.7]],
      desired: ['st-augustine'],
      factors: SHADE,
      irrigated: true,
      treeRoots: true,
    },
    patches: [
      [64, 16, 9, 6],
      [20, 12, 4, 4],
    ],
    fall: [['dollarweed', 0.05]],
    spring: [
      ['dollarweed', 0.08],
      ['spotted-spurge', 0.03, false],
    ],
    probed: true,
  },
  {
    name: '41 Mill Race',
    customer: 'Hedda and Finch Ombersley',
    region: 'south',
    upkeep: 'showpiece',
    lot: { width: 76, back: 38, house: 32, front: 24, side: 12, drive: 16 },
    back: {
      stand: [['zoysia-wide', 0.9]],
      desired: ['zoysia-wide'],
      factors: SUN,
      irrigated: true,
    },
    front: {
      stand: [['zoysia-wide', 0.94]],
      desired: ['zoysia-wide'],
      factors: SUN,
      irrigated: true,
    },
    fall: [
      ['green-kyllinga', 0.1],
      ['yellow-nutsedge', 0.05],
    ],
    spring: [
      ['green-kyllinga', 0.08, false],
      ['henbit', 0.03],
    ],
  },
  {
    name: '220 Old Ferry Road',
    customer: 'Club house of the Valley Bell-Ringers',
    region: 'transition',
    upkeep: 'showpiece',
    lot: { width: 120, back: 60, house: 44, front: 36, side: 20, drive: 22 },
    back: {
      stand: [['bermuda-hybrid', 0.93]],
      desired: ['bermuda-hybrid'],
      factors: SHORT_SUN,
      irrigated: true,
    },
    front: {
      stand: [['bermuda-hybrid', 0.95]],
      desired: ['bermuda-hybrid'],
      factors: SHORT_SUN,
      irrigated: true,
    },
    fall: [['goosegrass', 0.06]],
    spring: [
      ['annual-bluegrass', 0.07],
      ['henbit', 0.04],
      ['goosegrass', 0.06, false],
    ],
    fed: true,
  },
  {
    name: '5 Sorrel Court',
    customer: 'Wilhelmina Dovetail',
    region: 'north',
    upkeep: 'basic',
    lot: { width: 70, back: 34, house: 30, front: 22, side: 12, drive: 14 },
    back: {
      stand: [
        ['fine-fescue', 0.5],
        ['kentucky-bluegrass', 0.22],
      ],
      desired: ['fine-fescue', 'kentucky-bluegrass'],
      factors: SHADE,
      treeRoots: true,
    },
    front: {
      stand: [
        ['kentucky-bluegrass', 0.7],
        ['fine-fescue', 0.16],
      ],
      desired: ['kentucky-bluegrass', 'fine-fescue'],
      factors: SUN,
    },
    fall: [['ground-ivy', 0.12]],
    spring: [
      ['ground-ivy', 0.1],
      ['wild-violet', 0.04],
    ],
  },
  {
    name: '77 Bellweather Lane',
    customer: 'Cosimo Hartlepen',
    region: 'transition',
    upkeep: 'showpiece',
    lot: { width: 104, back: 54, house: 40, front: 34, side: 18, drive: 20 },
    back: {
      stand: [
        ['tall-fescue', 0.78],
        ['kentucky-bluegrass', 0.12],
      ],
      desired: ['tall-fescue', 'kentucky-bluegrass'],
      factors: SUN,
      irrigated: true,
    },
    front: {
      stand: [
        ['tall-fescue', 0.82],
        ['kentucky-bluegrass', 0.12],
      ],
      desired: ['tall-fescue', 'kentucky-bluegrass'],
      factors: SUN,
      irrigated: true,
    },
    fall: [['white-clover', 0.04]],
    spring: [
      ['wild-garlic', 0.03],
      ['white-clover', 0.04],
      ['smooth-crabgrass', 0.03, false],
    ],
    fed: true,
  },
  {
    name: '19 Cinder Path',
    customer: 'Marguerite Oakenshaw',
    region: 'south',
    upkeep: 'basic',
    lot: { width: 80, back: 44, house: 30, front: 26, side: 14, drive: 14 },
    back: {
      stand: [
        ['centipede', 0.84],
        ['carpetgrass', 0.08],
      ],
      desired: ['centipede'],
      factors: SUN,
    },
    front: { stand: [['centipede', 0.9]], desired: ['centipede'], factors: SUN },
    fall: [['common-lespedeza', 0.1]],
    spring: [
      ['lawn-burweed', 0.04],
      ['common-lespedeza', 0.08, false],
    ],
  },
  {
    name: '12 Heron Row',
    customer: 'Ptolemy Winterbourne-Sands',
    region: 'transition',
    upkeep: 'standard',
    lot: { width: 66, back: 32, house: 28, front: 22, side: 10, drive: 14 },
    back: {
      stand: [['zoysia-fine', 0.88]],
      desired: ['zoysia-fine'],
      factors: SHADE,
      treeRoots: true,
    },
    front: { stand: [['zoysia-fine', 0.92]], desired: ['zoysia-fine'], factors: SUN },
    fall: [['yellow-woodsorrel', 0.04]],
    spring: [
      ['common-chickweed', 0.06],
      ['yellow-woodsorrel', 0.03],
    ],
  },
  {
    name: '30 Abbot Rise',
    customer: 'Sister Philippa of the Bees',
    region: 'north',
    upkeep: 'standard',
    lot: { width: 90, back: 48, house: 34, front: 28, side: 16, drive: 16 },
    back: {
      stand: [['perennial-ryegrass', 0.46]],
      desired: ['perennial-ryegrass'],
      factors: SUN,
      dog: true,
    },
    front: {
      stand: [['perennial-ryegrass', 0.8]],
      desired: ['perennial-ryegrass'],
      factors: SUN,
      dog: true,
    },
    patches: [[40, 24, 3, 3]],
    fall: [['broadleaf-plantain', 0.08]],
    spring: [
      ['broadleaf-plantain', 0.08],
      ['dandelion', 0.06],
    ],
  },
];

const box = (x: number, y: number, width: number, height: number) => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];

function zone(
  lawn: number,
  index: number,
  name: string,
  spec: ZoneSpec,
  outline: ReturnType<typeof box>,
  assumed: boolean,
) {
  return {
    id: demoId(3, lawn * 16 + index),
    name,
    outline,
    edges: outline.map((_, edge) => (assumed && edge === 0 ? 'assumed' : 'confirmed')),
    measure: { method: 'tape' as const, cornerSigmaFt: null },
    cutouts: [],
    stand: spec.stand.map(([species, cover]) => ({ species, cover })),
    desired: spec.desired,
    site: {
      factors: spec.factors,
      irrigated: spec.irrigated ?? false,
      dog: spec.dog ?? false,
      treeRoots: spec.treeRoots ?? false,
    },
  };
}

export interface DemoLawn {
  id: string;
  body: LawnBody;
  visits: { id: string; body: VisitBody }[];
  records: { id: string; body: ApplicationRecordBody }[];
  probed: boolean;
}

function build(spec: LawnSpec, index: number): DemoLawn {
  const { width, back, house, front, side, drive } = spec.lot;
  const id = demoId(2, index);
  const zones = [
    zone(index, 1, 'Front', spec.front, box(0, back + house, width - drive, front), false),
    ...(spec.side ? [zone(index, 2, 'Side', spec.side, box(0, back, side, house), false)] : []),
    zone(index, 3, 'Back', spec.back, box(0, 0, width, back), spec.assumedEdge ?? false),
  ];
  const backZone = demoId(3, index * 16 + 3);
  const body = lawnBodySchema.parse({
    name: spec.name,
    customer: spec.customer,
    customerId: demoId(8, index),
    origin: { lat: 36.1 + index * 0.004, lon: -30 - index * 0.003 },
    region: spec.region,
    stationId: STATIONS[spec.region],
    upkeep: spec.upkeep,
    zones,
    features: [
      { kind: 'house', outline: box(side + 2, back + 2, width - side - 4, house - 4) },
      { kind: 'drive', outline: box(width - drive, back + house, drive, front) },
    ],
    patches: (spec.patches ?? []).map(([x, y, widthFt, lengthFt], patch) => ({
      id: demoId(4, index * 16 + patch + 1),
      zoneId: backZone,
      number: patch + 1,
      centre: { x, y },
      widthFt,
      lengthFt,
      seenOn: '2026-03-17',
    })),
    agreement: null,
    handDone: {},
    choices: {},
  });
  const looks = (weeds: readonly [string, number, boolean?][]) =>
    body.zones.map((entry) => ({
      zoneId: entry.id,
      patchId: null,
      answers: {},
      tests: [],
      fieldTests: [],
      leading: [],
      decision: null,
      weeds: weeds.map(([weed, cover, growing = true]) => ({
        weed,
        cover: entry.name === 'Back' ? cover : Number((cover / 2).toFixed(3)),
        growing,
      })),
      pointCount: undefined,
    }));
  const visit = (
    number: number,
    date: string,
    weeds: readonly [string, number, boolean?][],
    note: string,
  ) => ({
    id: demoId(5, index * 16 + number),
    body: {
      lawnId: id,
      date: date as VisitBody['date'],
      technician: 'Juno Marlowick',
      looks: looks(weeds),
      promised: '',
      note,
    },
  });
  return {
    id,
    body,
    visits: [
      visit(1, '2025-10-06', spec.fall, 'Walked before leaf fall.'),
      visit(2, '2026-03-17', spec.spring, 'First walk of the year.'),
    ],
    records: spec.fed
      ? body.zones.map((entry, zoneIndex) => ({
          id: demoId(6, index * 16 + zoneIndex + 1),
          body: fallFeeding(id, entry.id, entry.outline),
        }))
      : [],
    probed: spec.probed ?? false,
  };
}

/** Whose hands the demo's work was, and what nobody wrote down of it. */
export const DEMO_HANDS = {
  calibratedMph: null,
  paceMph: null,
  bloom: null,
  kill: false,
  moment: null,
  applicatorKind: 'member',
  applicatorId: demoId(1, 1),
  applicator: 'Juno Marlowick',
  licence: 'DEMO-0417',
  enteredBy: { id: demoId(1, 1), name: 'Juno Marlowick' },
  note: '',
} as const;

function fallFeeding(
  lawnId: string,
  zoneId: string,
  outline: { x: number; y: number }[],
): ApplicationRecordBody {
  const xs = outline.map(({ x }) => x);
  const ys = outline.map(({ y }) => y);
  const areaFt2 = (Math.max(...xs) - Math.min(...xs)) * (Math.max(...ys) - Math.min(...ys));
  return {
    ...DEMO_HANDS,
    lawnId,
    zoneId,
    stepId: null,
    batchId: null,
    date: '2025-10-06' as ApplicationRecordBody['date'],
    start: '09:10',
    end: '09:40',
    areaFt2,
    materials: [
      {
        kind: 'fertilizer',
        slug: '24-0-11-half-slow',
        amount: Number(((0.75 / 0.24) * (areaFt2 / 1000)).toFixed(1)),
        unit: 'lb',
      },
    ],
    carrierGal: null,
    weather: { airF: 63, windMph: 5, windFrom: 'W', sky: 'part-cloudy' },
    targets: [],
  };
}

/** The lawns that are written out one by one, with their visits and records. */
export const writtenLawns = (): DemoLawn[] => LAWNS.map((spec, index) => build(spec, index + 1));
