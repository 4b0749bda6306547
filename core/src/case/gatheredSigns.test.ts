import { propertySchema } from '../contract/lawn';
import { patchSchema, zoneSchema } from '../lawn';
import { addDays, localDate } from '../units';
import { applicationRecordSchema } from '../contract/applicationRecord';
import { LIBRARY } from '../products';
import { gatheredSigns, type GatherInput } from './gatheredSigns';
import type { PhReading } from '../contract/reading';
import { soilSampleSchema } from '../contract/soilSample';

const ZONE = '0190a000-0000-7000-8000-000000000001';
const OTHER = '0190a000-0000-7000-8000-000000000002';
const today = localDate('2026-07-10');
const id = (n: number) => `0190a000-0000-7000-8000-0000000001${String(n).padStart(2, '0')}`;

const zone = (site: object = {}) =>
  zoneSchema.parse({
    id: ZONE,
    name: 'Back',
    outline: [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 60 },
      { x: 0, y: 60 },
    ],
    edges: ['confirmed', 'confirmed', 'confirmed', 'confirmed'],
    stand: [{ species: 'tall-fescue', cover: 0.9 }],
    desired: ['tall-fescue'],
    site,
  });
const patch = (x: number, y: number, sizeFt = 4) =>
  patchSchema.parse({
    id: id(9),
    zoneId: ZONE,
    number: 1,
    centre: { x, y },
    widthFt: sizeFt,
    lengthFt: sizeFt,
    seenOn: '2026-07-10',
  });
const property = propertySchema.parse({});
const gather = (fields: Partial<GatherInput> = {}) =>
  gatheredSigns({
    shelf: LIBRARY,
    lawn: { features: [], pins: [], lines: [], upkeep: 'standard', patches: [], property },
    zone: zone(),
    patch: null,
    today,
    days: [],
    records: [],
    samples: [],
    ph: [],
    earlier: [],
    ...fields,
  });
const yes = (signs: ReturnType<typeof gather>) =>
  Object.entries(signs)
    .filter(([, { answer }]) => answer)
    .map(([sign]) => sign)
    .sort();
const pin = (kind: string, x: number, y: number, n = 1) =>
  ({
    id: id(n),
    kind,
    at: { x, y },
    note: '',
    seenOn: today,
  }) as GatherInput['lawn']['pins'][number];

describe('the place of a patch', () => {
  const drive = {
    kind: 'drive' as const,
    outline: [
      { x: 100, y: 0 },
      { x: 110, y: 0 },
      { x: 110, y: 60 },
      { x: 100, y: 60 },
    ],
  };
  const lawn = {
    features: [drive],
    pins: [pin('pet-door', 10, 60), pin('wet-gutter', 50, 60, 2), pin('tree', 0, 0, 3)],
    lines: [
      {
        id: id(4),
        kind: 'traffic-route' as const,
        points: [
          { x: 10, y: 60 },
          { x: 10, y: 0 },
        ],
        note: '',
        seenOn: today,
      },
    ],
    upkeep: 'standard' as const,
    patches: [],
    property,
  };
  it('beside the drive it is at paving and at the road, and far from the door', () => {
    const signs = gather({ lawn, patch: patch(96, 30) });
    expect(yes(signs)).toEqual(['k-loc-pavement', 'k-loc-road']);
    expect(signs['k-loc-door-dog']).toEqual({ answer: false, from: 'plan' });
    expect(signs['k-loc-head-gap']).toBeUndefined();
  });
  it('by the door it is at the dog and on the path', () => {
    expect(yes(gather({ lawn, patch: patch(12, 52) }))).toEqual(['k-loc-door-dog', 'k-loc-path']);
  });
  it('a bigger patch reaches farther', () => {
    expect(yes(gather({ lawn, patch: patch(88, 30, 4) }))).toEqual([]);
    expect(yes(gather({ lawn, patch: patch(88, 30, 20) }))).toContain('k-loc-pavement');
  });
  it('under the gutter it is wet', () => {
    expect(yes(gather({ lawn, patch: patch(50, 54) }))).toContain('k-loc-low-wet');
  });
  it('a whole zone has no place', () => {
    expect(gather({ lawn })).toEqual({});
  });
  it('reads slope, sun, thatch and the rod', () => {
    const site = {
      slopePct: 15,
      sunHours: 3,
      thatchIn: 0.8,
      probe: { depthIn: 1.5, stop: 'hard' },
    };
    expect(yes(gather({ zone: zone(site) }))).toEqual(
      expect.arrayContaining(['h-thatch', 'k-loc-shade', 'k-loc-slope-ridge']),
    );
    expect(gather({ zone: zone({ thatchIn: 0.2 }) })['h-thatch']!.answer).toBe(false);
  });
});

describe('what was put down', () => {
  const record = (daysAgo: number, materials: object[], fields: object = {}) =>
    applicationRecordSchema.parse({
      id: id(20 + (daysAgo % 70)),
      version: 1,
      lawnId: OTHER,
      zoneId: ZONE,
      stepId: null,
      date: addDays(today, -daysAgo),
      start: '09:00',
      end: '09:30',
      areaFt2: 1000,
      materials,
      carrierGal: null,
      weather: { airF: 78, windMph: 4, windFrom: 'N', sky: 'clear' },
      applicator: 'A',
      licence: '1',
      findings: [],
      ...fields,
    });
  const feed = { kind: 'fertilizer', slug: '25-0-10-quick', amount: 5, unit: 'lb' };
  const spray = { kind: 'herbicide', slug: 'threeway-amine', amount: 1, unit: 'fl-oz' };
  it('1.25 lb of nitrogen a week ago is recent and high', () => {
    expect(yes(gather({ records: [record(7, [feed])] }))).toEqual(['c-n-high', 'c-n-recent']);
  });
  it('three weeks later it is high no more, and after ninety days there was none', () => {
    expect(yes(gather({ records: [record(31, [feed])] }))).toEqual([]);
    expect(yes(gather({ records: [record(91, [feed])] }))).toEqual(['c-n-none']);
  });
  it('knows the seed of the season', () => {
    const seed = { kind: 'seed', slug: 'tall-fescue', amount: 6, unit: 'lb' };
    expect(yes(gather({ records: [record(60, [seed])] }))).toEqual(['c-newturf']);
  });
  it('leaves another zone alone', () => {
    expect(gather({ records: [record(7, [feed], { zoneId: OTHER })] })).toEqual({});
  });
  it('knows a hot spray over the label, and only for three weeks', () => {
    const hot = {
      weather: { airF: 91, windMph: 4, windFrom: 'N', sky: 'clear' },
      findings: [{ rule: 'rate-over-label', severity: 'exceeds', material: null, inputs: {} }],
    };
    expect(yes(gather({ records: [record(10, [spray], hot)] }))).toEqual([
      'c-herb',
      'c-herb-hot',
      'c-herb-rate',
    ]);
    expect(yes(gather({ records: [record(22, [spray], hot)] }))).toEqual([]);
  });
  it('takes a showpiece for lush', () => {
    const lawn = {
      features: [],
      pins: [],
      lines: [],
      upkeep: 'showpiece' as const,
      patches: [],
      property,
    };
    expect(yes(gather({ lawn }))).toEqual(['c-lush']);
  });
});

describe('how the owner waters', () => {
  const watered = (fields: Partial<typeof property>) =>
    gather({
      lawn: {
        features: [],
        pins: [],
        lines: [],
        upkeep: 'standard',
        patches: [],
        property: { ...property, ...fields },
      },
    });
  const week = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'] as const;
  it('answers the evening and the daily watering, and nothing that nobody said', () => {
    expect(watered({})).toEqual({});
    expect(yes(watered({ waterAt: 'evening' }))).toEqual(['c-evening']);
    expect(watered({ waterAt: 'early' })['c-evening']).toEqual({ answer: false, from: 'property' });
  });
  it.each([
    [5, false],
    [6, true],
    [7, true],
  ])('%s days a week: daily is %s', (days, daily) => {
    expect(watered({ waterDays: week.slice(0, days) })['c-daily']?.answer).toBe(daily);
  });
});

describe('what the laboratory said', () => {
  const sample = (from: string, ph: number, salinityDsM: number | null = null) =>
    soilSampleSchema.parse({
      id: id(60),
      version: 1,
      lawnId: OTHER,
      zoneId: ZONE,
      date: '2026-05-01',
      bagId: 'B1',
      cores: 10,
      depthIn: 3,
      from,
      report: {
        reportedOn: '2026-05-10',
        ph,
        bufferPh: null,
        bufferMethod: null,
        extractant: 'mehlich-3',
        phosphorusPpm: null,
        potassiumPpm: null,
        magnesiumPpm: null,
        calciumPpm: null,
        sulfurPpm: null,
        organicMatterPct: null,
        salinityDsM,
      },
    });
  it('answers pH and salt of the poor spot, which counts before the zone', () => {
    const signs = gather({ samples: [sample('whole-zone', 6.5), sample('poor', 8.1, 4)] });
    expect(yes(signs)).toEqual(['t-ec-high', 't-ph-high']);
    expect(signs['t-ph-low']).toEqual({ answer: false, from: 'soil' });
  });
  it('takes a kit at its word only beyond its own error, and never with tap water', () => {
    const kit = (spots: number[], water: 'rain' | 'tap' = 'rain'): PhReading[] => [
      {
        kind: 'ph',
        id: '0190a000-0000-7000-8000-0000000000b1',
        version: 1,
        lawnId: '0190a000-0000-7000-8000-0000000000b2',
        zoneId: ZONE,
        date: localDate('2026-04-01'),
        spots,
        kit: '',
        water,
        takenBack: false,
      },
    ];
    expect(yes(gather({ ph: kit([8.2, 8.1]) }))).toEqual(['t-ph-high']);
    expect(gather({ ph: kit([8, 8.2]) })).toEqual({});
    expect(gather({ ph: kit([8.2, 8.1], 'tap') })).toEqual({});
    expect(yes(gather({ ph: kit([4.4, 4.2]) }))).toEqual(['t-ph-low']);
    // The laboratory outranks the kit.
    expect(gather({ ph: kit([8.6]), samples: [sample('poor', 6.5)] })['t-ph-high']?.answer).toBe(
      false,
    );
  });
  it('says nothing of the best spot', () => {
    expect(gather({ samples: [sample('best', 8.1)] })).toEqual({});
  });
});

it('shares what holds for the whole lawn between the patches of a visit, and nothing else', () => {
  const earlier = [{ 'c-dull': true, 'c-expanding': true, 'c-dog': 'unsure', 'k-pat-rings': true }];
  expect(gather({ earlier })).toEqual({ 'c-dull': { answer: true, from: 'earlier-look' } });
});

describe('a hard winter', () => {
  const winter = (fields: { tminF?: number; snowIn?: number }, count = 90) =>
    Array.from({ length: count }, (_, index) => ({
      date: addDays(localDate('2026-01-01'), index),
      tmaxF: 40,
      tminF: fields.tminF ?? 25,
      rainIn: 0,
      ...(fields.snowIn === undefined ? {} : { snowIn: index < 60 ? fields.snowIn : 0 }),
    }));
  it('answers the snow by itself where the station measures it', () => {
    expect(gather({ days: winter({ snowIn: 5 }) })['c-snow']).toEqual({
      answer: true,
      from: 'weather',
    });
    expect(gather({ days: winter({ snowIn: 0 }) })['c-snow']?.answer).toBe(false);
    expect(gather({ days: winter({}) })['c-snow']).toBeUndefined();
    expect(gather({ days: winter({ snowIn: 0 }, 30) })['c-snow']).toBeUndefined();
  });
  it('knows what cold a warm-season grass does not bear', () => {
    const bermuda = {
      ...zone(),
      stand: [{ species: 'centipede' as const, cover: 0.9 }],
      desired: ['centipede' as const],
    };
    expect(gather({ zone: bermuda, days: winter({ tminF: 8 }) })['c-severe-cold']?.answer).toBe(
      true,
    );
    expect(gather({ zone: bermuda, days: winter({ tminF: 20 }) })['c-severe-cold']).toBeUndefined();
    expect(gather({ days: winter({ tminF: -10 }) })['c-severe-cold']).toBeUndefined();
  });
});
