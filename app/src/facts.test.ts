/**
 * Every fact that the contract lets somebody enter changes something that somebody sees: a plan, a caution, an
 * answer of the walk, a question, a report, the picture. A field that is asked and read by nothing fails here,
 * unless it stands in the list of those that wait for their rule, each with what brings it.
 */
import {
  patchSchema,
  propertySchema,
  siteCautions,
  siteSchema,
  weedPatchSchema,
  workingDay,
  zonesAsKnown,
  type Lawn,
  type Visit,
  LIBRARY,
} from '@alfombra/core';
import { fitPlan, planShapes } from '@alfombra/core/drawing';
import { answeredSigns, gatheredSigns } from '@alfombra/core/walking';
import type { z } from 'zod';
import { assumptionsOf, autoFindings } from '@/features/report/reportDraft';
import { i18next } from '@/i18n';
import '@/i18n/deepWords';
import { testQuestion } from '@/testdata/testQuestion';
import { openThings } from '@/features/visit/openThings';
import { seasonView, type SeasonQuestion } from '@/workers/seasonView';
import { yearView } from '@/workers/yearView';

const t = i18next.t.bind(i18next);
const PATCH = '0190a000-0000-7000-8000-0000000000d1';
const base = testQuestion();
const zoneId = base.lawn.zones[0]!.id;

/** A lawn with one of everything, and a look that decided about its patch. */
const LAWN: Lawn = {
  ...base.lawn,
  zones: base.lawn.zones.map((zone) => ({
    ...zone,
    stand: [
      { species: 'tall-fescue' as const, cover: 0.6 },
      { species: 'bermuda-common' as const, cover: 0.1 },
    ],
    site: { ...zone.site, factors: [] },
  })),
  patches: [
    patchSchema.parse({
      id: PATCH,
      zoneId,
      number: 1,
      centre: { x: 20, y: 20 },
      widthFt: 3,
      lengthFt: 4,
      seenOn: '2026-04-08',
    }),
  ],
  weedPatches: [
    weedPatchSchema.parse({
      id: '0190a000-0000-7000-8000-0000000000d2',
      zoneId,
      plant: { kind: 'weed', weed: 'dandelion', confidence: null },
      centre: { x: 10, y: 10 },
      lengthFt: 20,
      widthFt: 20,
      cover: 0.6,
      stage: 'flowering',
      seenOn: '2026-04-08',
    }),
  ],
};
const WATER = [
  { x: -30, y: 0 },
  { x: -20, y: 0 },
  { x: -20, y: 10 },
];
const PIN = { id: PATCH, at: { x: -30, y: 5 }, note: '', seenOn: '2026-04-08' };
const LOOK: Visit['looks'][number] = {
  zoneId,
  patchId: PATCH,
  answers: {},
  tests: [],
  fieldTests: [],
  leading: [],
  decision: {
    kind: 'cause',
    cause: 'white-grub',
    option: 'treat',
    by: 'look',
    lookAgainOn: null,
  },
  weeds: [],
  pointCount: undefined,
};

/** Everything that somebody sees of a lawn, as one text. */
function seen(lawn: Lawn, look: Visit['looks'][number] = LOOK): string {
  const visits = base.visits.map((visit) => ({ ...visit, looks: [look] }));
  const question: SeasonQuestion = { ...base, lawn, visits };
  const patch = lawn.patches[0] ?? null;
  const words = { area: String, feature: String, length: String };
  return JSON.stringify([
    seasonView(question).season,
    lawn.zones.map((zone) => siteCautions(lawn, zone)),
    zonesAsKnown(lawn).map((zone) => [
      ...answeredSigns({
        site: zone.site,
        grass: zone.stand,
        tests: [],
        signs: Object.fromEntries(
          Object.entries(
            gatheredSigns({
              lawn,
              zone,
              patch,
              today: base.company.today,
              days: base.weather.days,
              records: [],
              shelf: LIBRARY,
              samples: [],
              ph: [],
              earlier: [],
            }),
          ).map(([sign, { answer }]) => [sign, answer]),
        ),
      }).known,
    ]),
    autoFindings(lawn, visits, t, 'en').map(({ grade, words: text }) => [grade, text]),
    assumptionsOf(lawn, t, 'en'),
    lawn.zones.map((zone) =>
      yearView({ ...lawn, zone, readings: [], weather: base.weather }).days.map(
        ({ deficitIn }) => deficitIn,
      ),
    ),
    openThings(lawn, visits[0]),
    planShapes(lawn, fitPlan(lawn, { width: 360, height: 260, margin: 18 }), words),
    // Shortly after midnight in the east.
    workingDay(
      { clock: { kind: 'calendar' }, today: base.company.today, timeZone: 'America/New_York' },
      new Date(`${base.company.today}T05:30:00Z`),
      lawn.property.timeZone,
    ),
    // How one gets in stands on the card of the arrival.
    lawn.property.access,
  ]);
}

/** Values of a field other than the one it has. */
function others(schema: z.ZodType, now: unknown): unknown[] {
  const { def } = schema._zod as unknown as {
    def: {
      type: string;
      innerType?: z.ZodType;
      entries?: Record<string, string>;
      element?: z.ZodType;
      shape?: Record<string, z.ZodType>;
    };
  };
  switch (def.type) {
    case 'default':
    case 'prefault':
    case 'nullable':
    case 'optional':
      return others(def.innerType as z.ZodType, now);
    case 'enum':
      return Object.values(def.entries ?? {}).filter((value) => value !== now);
    case 'boolean':
      return [true, false].filter((value) => value !== now);
    case 'number':
      return [1, 2, 6.5, 12].filter((value) => value !== now);
    case 'string':
      return ['Something else'];
    case 'array':
      return others(def.element as z.ZodType, null).map((value) => [value]);
    case 'object': {
      const shape = Object.entries(def.shape ?? {});
      return shape.flatMap(([key, field]) =>
        others(field, (now as Record<string, unknown> | null)?.[key]).map((value) => ({
          ...Object.fromEntries(shape.map(([name, one]) => [name, others(one, undefined)[0]])),
          ...(now as object | null),
          [key]: value,
        })),
      );
    }
    default:
      return [];
  }
}

/** Facts that wait for the rule that reads them. */
const WAITING: Record<string, string> = {
  'property.mows': 'the mowing plan (water and mowing, zone by zone)',
  'property.intensity': 'courses of the living plan: keep, suppress or start over',
  'property.budget': 'the proposal with prices (jobs and money)',
};
/** What says which one it is, not what is true of it. */
const NAMES = ['id', 'zoneId', 'number', 'seenOn', 'plant', 'lookAgainOn', 'asked'];

const before = seen(LAWN);
const told = (change: (lawn: Lawn, value: unknown) => Lawn, values: readonly unknown[]) =>
  values.some((value) => seen(change(LAWN, value)) !== before);
const zoned = (change: (zone: Lawn['zones'][number]) => Lawn['zones'][number]) => ({
  ...LAWN,
  zones: LAWN.zones.map(change),
});

const FACTS: [string, () => boolean][] = [
  ...Object.entries(propertySchema.shape).map(([key, field]): [string, () => boolean] => [
    `property.${key}`,
    () =>
      told(
        (lawn, value) => ({ ...lawn, property: { ...lawn.property, [key]: value } }),
        others(field, LAWN.property[key as keyof Lawn['property']]),
      ),
  ]),
  ...Object.entries(siteSchema.shape).map(([key, field]): [string, () => boolean] => [
    `site.${key}`,
    () =>
      told(
        (_, value) => zoned((zone) => ({ ...zone, site: { ...zone.site, [key]: value } })),
        others(field, LAWN.zones[0]!.site[key as keyof Lawn['zones'][number]['site']]),
      ),
  ]),
  ...Object.entries(patchSchema.shape)
    .filter(([key]) => !NAMES.includes(key))
    .map(([key, field]): [string, () => boolean] => [
      `patch.${key}`,
      () =>
        told(
          (lawn, value) => ({
            ...lawn,
            patches: lawn.patches.map((patch) => ({ ...patch, [key]: value })),
          }),
          others(field, LAWN.patches[0]![key as keyof Lawn['patches'][number]]),
        ),
    ]),
  ...Object.entries(weedPatchSchema.shape)
    .filter(([key]) => !NAMES.includes(key))
    .map(([key, field]): [string, () => boolean] => [
      `weedPatch.${key}`,
      () =>
        told(
          (lawn, value) => ({
            ...lawn,
            weedPatches: lawn.weedPatches.map((patch) => ({
              ...patch,
              [key]: key === 'cover' ? 0.1 : value,
            })),
          }),
          others(field, LAWN.weedPatches[0]![key as keyof Lawn['weedPatches'][number]]),
        ),
    ]),
  [
    'stand.cover',
    () =>
      told(
        () => zoned((zone) => ({ ...zone, stand: [{ species: 'tall-fescue', cover: 0.3 }] })),
        [0],
      ),
  ],
  [
    'stand.species',
    () =>
      told(
        () => zoned((zone) => ({ ...zone, stand: [{ species: 'bermuda-common', cover: 0.6 }] })),
        [0],
      ),
  ],
  [
    'zone.desired',
    () => told(() => zoned((zone) => ({ ...zone, desired: ['bermuda-common'] })), [0]),
  ],
  [
    'zone.tolerated',
    () => told(() => zoned((zone) => ({ ...zone, tolerated: ['bermuda-common'] })), [0]),
  ],
  ['zone.upkeep', () => told(() => zoned((zone) => ({ ...zone, upkeep: 'showpiece' })), [0])],
  ['zone.project', () => told(() => zoned((zone) => ({ ...zone, project: 'build' })), [0])],
  ...(
    [
      ['water', { features: [{ kind: 'water', outline: WATER }] }],
      ['well', { pins: [{ ...PIN, kind: 'well' }] }],
    ] as const
  ).map(([name, drawn]): [string, () => boolean] => [
    `lawn.${name}`,
    () =>
      JSON.stringify(siteCautions({ ...LAWN, ...drawn } as unknown as Lawn, LAWN.zones[0]!)) !==
      JSON.stringify(siteCautions(LAWN, LAWN.zones[0]!)),
  ]),
  ['lawn.northDeg', () => told((lawn) => ({ ...lawn, northDeg: 90 }), [0])],
  ['lawn.region', () => told((lawn) => ({ ...lawn, region: 'north' }), [0])],
  ['lawn.upkeep', () => told((lawn) => ({ ...lawn, upkeep: 'basic' }), [0])],
  [
    'weedPatch.plant.confidence',
    () =>
      told(
        (lawn) => ({
          ...lawn,
          weedPatches: lawn.weedPatches.map((patch) => ({
            ...patch,
            plant: { kind: 'weed', weed: 'dandelion', confidence: 0.4 },
          })),
        }),
        [0],
      ),
  ],
  [
    'look.decision.option',
    () =>
      seen(LAWN, {
        ...LOOK,
        decision: { ...LOOK.decision!, option: 'prevent' } as typeof LOOK.decision,
      }) !== before,
  ],
  [
    'look.decision.cause',
    () =>
      seen(LAWN, {
        ...LOOK,
        decision: { ...LOOK.decision!, cause: 'dog-urine' } as typeof LOOK.decision,
      }) !== before,
  ],
  [
    'look.decision.lookAgainOn',
    () =>
      seen(LAWN, {
        ...LOOK,
        decision: { ...LOOK.decision!, lookAgainOn: '2026-05-01' } as typeof LOOK.decision,
      }) !== before,
  ],
  [
    'look.pointCount',
    () => seen(LAWN, { ...LOOK, pointCount: { hits: 10, points: 50 } }) !== before,
  ],
  [
    'look.weeds.growing',
    () =>
      seen(LAWN, { ...LOOK, weeds: [{ weed: 'white-clover', cover: 0.2, growing: true }] }) !==
      before,
  ],
];

it.each(FACTS.filter(([name]) => !(name in WAITING)))('%s changes something', (_name, changes) => {
  expect(changes()).toBe(true);
});

it('lists no fact as waiting that is read by now', () => {
  const read = FACTS.filter(([name]) => name in WAITING)
    .filter(([, changes]) => changes())
    .map(([name]) => name);
  expect(read).toEqual([]);
});
