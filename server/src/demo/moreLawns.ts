import {
  lawnBodySchema,
  seededRandom,
  SERVICES,
  type GrassSlug,
  type LawnBody,
  type Point,
  type Region,
  type VisitBody,
} from '@alfombra/core';
import { tapeOutline } from '@alfombra/core/measuring';
import { demoId, STATIONS, type DemoLawn } from './company';
import { pastOf } from './past';

/** Index from which these lawns count on, so that their ids never meet the written-out ones. */
const FIRST_INDEX = 20;

const STREETS = [
  'Weaver Steps',
  'Ratchet Lane',
  'Thimble Row',
  'Marl Pit Road',
  'Candlewick Green',
  'Bobbin Close',
  'Fuller Street',
  'Teasel Bank',
  'Woad Walk',
  'Loom Hill',
];
const CUSTOMERS = [
  'Quentin Osterhalm',
  'The Fennimores',
  'Beatrix Undergrove',
  'Leopold Sandwhistle',
  'Mina and Per Tallowfield',
  'Octavia Brambleroot',
  'The Lower Valley Chess Club',
  'Ignatius Pellow-Reed',
  'Tamsin Farthingale-Moss',
  'Casper Whinberry',
  'Dorothea Kettleshaw',
  'The Muddlebrooks',
  'Rosalind Oxenfoot',
  'Hubert Lanternjack',
  'Philomena Drystone',
];

interface Kind {
  region: Region;
  stand: [GrassSlug, number][];
  fall: [string, number][];
  spring: [string, number, boolean][];
}

/** What commonly grows in the three parts of the valley. */
const KINDS: readonly Kind[] = [
  {
    region: 'north',
    stand: [
      ['kentucky-bluegrass', 0.6],
      ['perennial-ryegrass', 0.24],
    ],
    fall: [['dandelion', 0.05]],
    spring: [
      ['dandelion', 0.06, true],
      ['smooth-crabgrass', 0.04, false],
    ],
  },
  {
    region: 'transition',
    stand: [
      ['tall-fescue', 0.74],
      ['kentucky-bluegrass', 0.1],
    ],
    fall: [['white-clover', 0.05]],
    spring: [
      ['white-clover', 0.05, true],
      ['large-crabgrass', 0.05, false],
    ],
  },
  {
    region: 'transition',
    stand: [['zoysia-wide', 0.86]],
    fall: [['yellow-nutsedge', 0.04]],
    spring: [
      ['henbit', 0.05, true],
      ['yellow-nutsedge', 0.04, false],
    ],
  },
  {
    region: 'south',
    stand: [['bermuda-hybrid', 0.88]],
    fall: [['goosegrass', 0.05]],
    spring: [
      ['annual-bluegrass', 0.05, true],
      ['goosegrass', 0.05, false],
    ],
  },
  {
    region: 'south',
    stand: [['st-augustine', 0.82]],
    fall: [['dollarweed', 0.06]],
    spring: [['dollarweed', 0.06, true]],
  },
];

const move = (outline: readonly Point[], x: number, y: number): Point[] =>
  outline.map((corner) => ({ x: round(corner.x + x), y: round(corner.y + y) }));
const round = (feet: number) => Math.round(feet * 10) / 10;
const box = (width: number, height: number): Point[] =>
  tapeOutline({ kind: 'rectangle', length: width, width: height });

/** Back lawns of many shapes; each fits above a house of its width. */
function backOutline(shape: number, width: number, depth: number): Point[] {
  const cut = round(width * 0.4);
  switch (shape % 6) {
    case 0:
      return box(width, depth);
    case 1: {
      const half = round(depth * 0.55);
      return [
        { x: 0, y: 0 },
        { x: cut, y: 0 },
        { x: cut, y: half },
        { x: width, y: half },
        { x: width, y: depth },
        { x: 0, y: depth },
      ];
    }
    case 2:
      return move(
        tapeOutline({ kind: 'trapezoid', long: width, short: width * 0.62, height: depth }).map(
          ({ x, y }) => ({ x, y: depth - y }),
        ),
        0,
        0,
      );
    case 3:
      return move(
        tapeOutline({
          kind: 'offsets',
          step: width / 6,
          offsets: [0.55, 0.8, 1, 0.92, 0.85, 0.95, 0.7].map((share) => share * depth),
          rule: 'simpson',
        }).map(({ x, y }) => ({ x, y: depth - y })),
        0,
        0,
      );
    case 4:
      return move(
        tapeOutline({ kind: 'segment', chord: width, depth: Math.min(depth, width / 2) }).map(
          ({ x, y }) => ({ x, y: depth - y }),
        ),
        0,
        0,
      );
    default:
      return [
        { x: 0, y: round(depth * 0.2) },
        { x: round(width * 0.5), y: 0 },
        { x: width, y: round(depth * 0.35) },
        { x: width, y: depth },
        { x: 0, y: depth },
      ];
  }
}

function build(number: number): DemoLawn {
  const random = seededRandom(900 + number);
  const kind = KINDS[number % KINDS.length] as Kind;
  const index = FIRST_INDEX + number;
  const id = demoId(2, index);
  const width = 48 + Math.round(random() * 70);
  const back = 30 + Math.round(random() * 34);
  const front = 20 + Math.round(random() * 16);
  const house = 28 + Math.round(random() * 8);
  const drive = 14;
  const thin = random() * 0.2;
  const customer = CUSTOMERS[number % CUSTOMERS.length] as string;
  const outlines = [
    move(box(width - drive, front), 0, back + house),
    backOutline(number, width, back),
  ];
  const zones = outlines.map((outline, place) => ({
    id: demoId(3, index * 16 + place + 1),
    name: place === 0 ? 'Front' : 'Back',
    outline,
    edges: outline.map((_, edge) =>
      place === 1 && edge === 0 && number % 3 === 0 ? 'assumed' : 'confirmed',
    ),
    measure: { method: number % 4 === 1 ? 'pace' : 'tape', cornerSigmaFt: null },
    cutouts:
      place === 1 && number % 6 === 0
        ? [move(tapeOutline({ kind: 'circle', radius: 4 }), width * 0.3, back * 0.3)]
        : [],
    stand: kind.stand.map(([species, cover]) => ({
      species,
      cover: Number((cover - (place === 1 ? thin : 0) * cover).toFixed(3)),
    })),
    desired: kind.stand.map(([species]) => species),
    site: {
      factors: place === 1 && number % 5 === 2 ? ['half-shade'] : ['full-sun-tall'],
      irrigated: number % 4 === 0 ? null : number % 2 === 0,
      dog: number % 7 === 0,
      sunHours: place === 1 && number % 5 === 2 ? 4.5 : 8,
      slopePct: number % 9 === 0 ? 12 : 2,
      probe: number % 3 === 0 ? { depthIn: 2 + (number % 6), stop: 'hard' } : null,
    },
  }));
  const [frontZone, backZone] = zones as [(typeof zones)[0], (typeof zones)[0]];
  const body = lawnBodySchema.parse({
    name: `${2 + number * 3} ${STREETS[number % STREETS.length]}`,
    customer,
    customerId: demoId(8, 100 + (number % CUSTOMERS.length)),
    origin: { lat: 36.2 + number * 0.004, lon: -30.1 - number * 0.003 },
    region: kind.region,
    stationId: STATIONS[kind.region],
    upkeep: number % 5 === 0 ? 'showpiece' : number % 3 === 0 ? 'basic' : 'standard',
    property: {
      access: number % 6 === 0 ? 'Side gate sticks; lift it.' : '',
      mows: number % 2 === 0 ? 'owner' : 'service',
      waters: number % 3 === 0 ? 'unknown' : 'owner',
      pets: number % 7 === 0 ? true : null,
    },
    zones,
    features: [
      { kind: 'house', outline: move(box(width - 6, house - 4), 3, back + 2) },
      { kind: 'drive', outline: move(box(drive, front), width - drive, back + house) },
    ],
    pins:
      number % 4 === 0
        ? [
            {
              id: demoId(9, index * 16 + 1),
              kind: 'irrigation-head',
              at: { x: 8, y: back - 6 },
              seenOn: '2026-03-20',
            },
            {
              id: demoId(9, index * 16 + 2),
              kind: 'tree',
              at: { x: width * 0.7, y: back * 0.6 },
              seenOn: '2026-03-20',
            },
          ]
        : [],
    lines:
      number % 5 === 0
        ? [
            {
              id: demoId(9, index * 16 + 3),
              kind: 'pavement',
              points: [
                { x: 0, y: back + house + front },
                { x: width - drive, y: back + house + front },
              ],
              seenOn: '2026-03-20',
            },
          ]
        : [],
    weedPatches:
      number % 3 === 1
        ? [
            {
              id: demoId(9, index * 16 + 4),
              zoneId: backZone.id,
              plant: { kind: 'weed', weed: kind.spring[0]?.[0] },
              centre: { x: width * 0.4, y: back * 0.7 },
              lengthFt: 5,
              widthFt: 3,
              cover: 0.6,
              stage: '2-4-tiller',
              seenOn: '2026-03-20',
            },
          ]
        : [],
    questions:
      number % 4 === 0
        ? [
            {
              id: demoId(10, index * 16 + 1),
              subject: { kind: 'irrigation', zoneId: frontZone.id },
              askedOn: '2026-03-20',
            },
          ]
        : [],
  });
  const looks = (weeds: readonly [string, number, boolean?][]): VisitBody['looks'] =>
    body.zones.map((zone) => ({
      zoneId: zone.id,
      patchId: null,
      answers: {},
      tests: [],
      fieldTests: [],
      leading: [],
      decision: null,
      weeds: weeds.map(([weed, cover, growing = true]) => ({ weed, cover, growing })),
      pointCount: undefined,
    }));
  const visit = (
    count: number,
    date: string,
    weeds: readonly [string, number, boolean?][],
    note: string,
  ) => ({
    id: demoId(5, index * 16 + count),
    body: {
      lawnId: id,
      date: date as VisitBody['date'],
      technician: 'Juno Marlowick',
      looks: looks(weeds),
      promised: count === 2 ? 'Weed prevention before the soil is warm.' : '',
      note,
    },
  });
  const { records, looks: seen } = pastOf(body, id, { number, index });
  return {
    id,
    body: { ...body, looks: seen, agreement: agreementOf(number) },
    visits: [
      visit(1, '2025-10-14', kind.fall, 'Fall walk.'),
      visit(2, '2026-03-20', kind.spring, 'Spring walk; edges measured.'),
    ],
    records,
    probed: number % 2 === 0,
  };
}

/** Most have bought whatever their lawn needs; some a part of it, some feed it themselves. */
function agreementOf(number: number): LawnBody['agreement'] {
  const bought = SERVICES.filter((service) => service !== 'renovation' && service !== 'seeding');
  if (number % 6 === 1) return { services: bought, doneBy: {} };
  if (number % 8 === 2) return { services: bought, doneBy: { feeding: 'customer' } };
  return null;
}

const MORE = 30;

/** The lawns beside those that are written out: many shapes, three climates, the same on every call. */
export const moreLawns = (): DemoLawn[] =>
  Array.from({ length: MORE }, (_, number) => build(number));
