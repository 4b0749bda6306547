import * as library from '../../knowledge';
import type { GrassSlug } from '../../knowledge';
import { shelfLabelSchema } from '../../products';
import type { Material } from '../../rates';
import { addDays, localDate } from '../../units';
import { seededRandom } from '../../weather';
import { atKerb, type KerbReason } from '../atKerb';
import { checkApplication } from '../checkApplication';
import type { CheckContext, Judged } from '../checkContext';
import roster from './roster.json';

/** What is drawn from: by name, so that a new entry of the library draws no other walks. */
const named = <Table extends keyof typeof roster>(table: Table) =>
  roster[table].map((slug) => {
    const entry = (library[table] as readonly { slug: string }[]).find((one) => one.slug === slug);
    if (!entry) throw new Error(`${table} has no ${slug}: take it out of the roster, too`);
    return entry as (typeof library)[Table][number];
  });
const amendmentProducts = named('amendmentProducts');
const causes = named('causes');
const fertilizers = named('fertilizers');
const grasses = named('grasses');
const herbicides = named('herbicides');
const treatments = named('treatments');
const weeds = named('weeds');

const WALKS = 700;
const CURBS = 60;
const FT2 = 5000;
const ACRE = 43_560;
const chance = seededRandom(20_261_128);
const oneOf = <Value>(values: readonly Value[]): Value =>
  values[Math.floor(chance() * values.length)]!;
const maybe = <Value>(share: number, value: () => Value): Value | undefined =>
  chance() < share ? value() : undefined;

const label = (id: number, kind: string, slug: string, fields: object) =>
  shelfLabelSchema.parse({
    id: `0190a000-0000-7000-8000-00000000000${id}`,
    base: { kind, slug },
    name: 'Made up',
    signalWord: 'caution',
    unit: 'lb',
    homeLawns: true,
    ...fields,
  });
const LABELS = [
  label(1, 'herbicide', 'prodiamine', {
    unit: 'oz',
    highPerAcre: 20,
    reentryHours: 12,
    seedAfterWeeks: 30,
    actives: [{ name: 'prodiamine', amount: 50, unit: 'percent' }],
  }),
  label(2, 'herbicide', 'threeway-amine', {
    unit: 'fl-oz',
    highPerAcre: 50,
    turf: ['tall-fescue', 'bermuda-hybrid'],
  }),
  label(3, 'treatment', 'clothianidin', {
    highPerAcre: 150,
    granular: true,
    nutrients: { n: 15, p2o5: 2, k2o: 5, slowShare: 0.5 },
    turf: ['tall-fescue'],
  }),
  label(4, 'fertilizer', '25-0-10-quick', {
    highPerAcre: 120,
    maxPerYear: 300,
    maxApplications: 2,
    minIntervalDays: 45,
    turf: ['tall-fescue', 'zoysia-fine'],
  }),
  label(5, 'fertilizer', '38-0-6-coated', { highPerAcre: 200, homeLawns: false }),
];
const TIMES = [0.2, 0.49, 0.5, 0.51, 1, 1.004, 1.006, 1.3];
const GAPS = [
  -420, -366, -364, -200, -183, -120, -61, -60, -35, -28, -27, -21, -14, -13, -6, -1, 0,
];
const AHEAD = [1, 20, 27, 60, 126, 127, 182, 240, 364];
const AREAS = [FT2, FT2, FT2, 2400, 250, 249, 60, 5250, 5251, 5600];

function material(areaFt2: number): Material {
  const perArea = (perAcre: number) => (perAcre * areaFt2) / ACRE;
  const kind = oneOf(['herbicide', 'herbicide', 'treatment', 'fertilizer', 'seed', 'amendment']);
  if (kind === 'herbicide') {
    const { slug, rate, unit } = oneOf(herbicides);
    return { kind, slug, amount: perArea(rate[1] * oneOf(TIMES)), unit };
  }
  if (kind === 'treatment') {
    const { slug, ratePerAcre, unit } = oneOf(treatments);
    return {
      kind,
      slug,
      amount: perArea((ratePerAcre?.[1] ?? 10) * oneOf(TIMES)),
      unit: unit ?? 'oz',
    };
  }
  if (kind === 'fertilizer') {
    const { slug, grade } = oneOf(fertilizers);
    const lb = oneOf([0.05, 0.1, 0.24, 0.25, 0.5, 0.75, 1, 1.2]);
    return { kind, slug, amount: ((lb / grade[0]) * 100 * areaFt2) / 1000, unit: 'lb' };
  }
  if (kind === 'seed') {
    const { slug } = oneOf(grasses.filter(({ seed }) => seed));
    return { kind, slug, amount: 20, unit: 'lb' };
  }
  const { slug, once, unit } = oneOf(amendmentProducts);
  return {
    kind: 'amendment',
    slug,
    amount: (once * oneOf(TIMES) * areaFt2) / 1000,
    unit,
  } as Material;
}

let next = 0;
function walk(date: string, like?: Judged): Judged {
  const areaFt2 = oneOf(AREAS);
  const targets = maybe(0.6, () => [
    oneOf([...weeds, ...causes]).slug,
    ...(maybe(0.3, () => ['bermuda-encroaching']) ?? []),
  ]);
  const materials = [material(areaFt2)];
  if (chance() < 0.4) materials.push(material(areaFt2));
  // Half of the others have to do with it: the same products, and for the same.
  if (like && chance() < 0.5) {
    materials[0] = { ...like.materials[0]!, amount: like.materials[0]!.amount * oneOf([0.4, 1]) };
  }
  return {
    id: `w${(next += 1)}`,
    zoneId: 'z',
    date,
    areaFt2,
    materials,
    ...(like?.targets && chance() < 0.5 ? { targets: like.targets } : targets ? { targets } : {}),
  };
}

function scene(): [Judged, CheckContext] {
  const day = addDays(localDate('2026-01-01'), Math.floor(chance() * 365));
  const application = walk(day);
  const stand = Array.from({ length: oneOf([1, 1, 2, 3]) }, () => ({
    species: oneOf(grasses).slug,
    cover: oneOf([0.04, 0.05, 0.09, 0.1, 0.11, 0.3, 0.6, 0.9]),
  }));
  const desired: GrassSlug[] = stand.slice(0, oneOf([1, 2])).map(({ species }) => species);
  const others = Array.from({ length: oneOf([0, 1, 2, 4, 6]) }, () =>
    walk(addDays(day, oneOf(chance() < 0.75 ? GAPS : AHEAD)), application),
  );
  const context: Record<string, unknown> = {
    stand,
    desired,
    zoneFt2: FT2,
    others: chance() < 0.1 ? [...others, application] : others,
    airHighF: maybe(0.7, () => oneOf([48, 59, 60, 70, 80, 81, 85, 86, 89, 90, 91, 95, 96])),
    airF: maybe(0.4, () => oneOf([45, 60, 75, 85, 92])),
    soilF: maybe(0.7, () => oneOf([31, 32, 33, 44, 49, 50, 51, 59, 60, 64, 65, 66, 75, 91])),
    soilRising: maybe(0.7, () => chance() < 0.6),
    windMph: maybe(0.5, () => oneOf([2, 3, 8, 10, 11, 12, 13])),
    drought: maybe(0.5, () => chance() < 0.4),
    irrigated: maybe(0.5, () => chance() < 0.5),
    treeRoots: maybe(0.5, () => chance() < 0.5),
    tenderPlants: maybe(0.5, () => chance() < 0.5),
    youngTurf: maybe(0.5, () => chance() < 0.4),
    wellFt: maybe(0.3, () => oneOf([5, 9, 10, 24, 25, 49, 50, null])),
    waterFt: maybe(0.3, () => oneOf([5, 9, 10, 24, 25, 49, 50, null])),
    children: maybe(0.4, () => chance() < 0.5),
    pets: maybe(0.4, () => chance() < 0.5),
    firstFrost: maybe(0.6, () => oneOf(['10-15', '11-25'])),
    kill: maybe(0.3, () => chance() < 0.5),
    certified: maybe(0.5, () => chance() < 0.5),
    confirmedLabels: maybe(0.4, () => herbicides.slice(0, 40).map(({ slug }) => slug)),
    labels: maybe(0.4, () => LABELS),
    bloom: maybe(0.4, () => chance() < 0.5),
    rainInHours: maybe(0.4, () => oneOf([0, 1, 4, 6, 23, 24])),
    rainSoonIn: maybe(0.4, () => oneOf([0, 0.1, 0.25, 0.5, 1, 2])),
    leafWet: maybe(0.4, () => chance() < 0.5),
    saturated: maybe(0.3, () => chance() < 0.4),
    paceMph: maybe(0.4, () => oneOf([2, 2.5, 3, 3.2])),
    calibratedMph: maybe(0.4, () => oneOf([2.5, 3])),
    ordinance: maybe(0.4, () => ({
      blackout: oneOf([null, ['11-15', '03-31'], ['06-01', '09-30']]),
      mostNitrogen: oneOf([null, 0.5, 0.9]),
      mostNitrogenYear: oneOf([null, 2]),
      phosphorusNeedsReason: chance() < 0.6,
    })),
    lowPhosphorus: maybe(0.3, () => chance() < 0.5),
  };
  const known = Object.entries(context).filter(([, value]) => value !== undefined);
  return [application, Object.fromEntries(known) as unknown as CheckContext];
}

/** A finding in a line. */
const wordsOf = ({ rule, severity, material: about, inputs }: KerbReason): string => {
  const given = Object.entries(inputs).map(
    ([key, value]) => `${key} ${typeof value === 'number' ? Number(value.toPrecision(6)) : value}`,
  );
  return [severity === 'exceeds' ? '!' : '?', rule, about ?? '', ...given].join(' ');
};

/** What the judge says of a walk, a finding a line. */
export const said = (asked: [Judged, CheckContext]): string[] => checkApplication(...asked).map(wordsOf);

/** A fixed crowd of walks, drawn over every product, season and state of the turf. */
export const scenes = Array.from({ length: WALKS }, scene);

/** A quiet day at the curb with hours at and beside their limits. */
function curb(): Parameters<typeof atKerb> {
  const [application] = scene();
  const high = oneOf([74, 84, 88]);
  const hours = Array.from({ length: 30 }, (_, index) => ({
    index,
    hour: index % 24,
    airF: oneOf([58, 72, 85, 86]),
    windMph: oneOf([2, 3, 5, 8, 10, 11]),
    rhPct: oneOf([50, 91, 92, 95]),
    rainIn: oneOf([0, 0, 0, 0, 0, 0, 0, 0.01, 0.02, 0.3]),
    dayHighF: high,
  }));
  const seen = {
    wilting: maybe(0.4, () => chance() < 0.5),
    leafWet: maybe(0.4, () => chance() < 0.5),
    saturated: maybe(0.4, () => chance() < 0.5),
    bloom: maybe(0.4, () => chance() < 0.5),
    windMph: maybe(0.4, () => oneOf([2, 6, 12])),
  };
  const context = {
    stand: [{ species: 'tall-fescue', cover: 0.9 }],
    desired: ['tall-fescue'],
    zoneFt2: FT2,
    others: [],
  } as unknown as CheckContext;
  return [
    application,
    context,
    hours,
    oneOf([5, 8, 13, 16]),
    Object.fromEntries(Object.entries(seen).filter(([, value]) => value !== undefined)),
  ];
}
/** What it says of the hours at a curb: what holds all day once, then hour by hour. */
export const saidAtCurb = (asked: Parameters<typeof atKerb>): string[] => {
  const { hours, now, next } = atKerb(...asked);
  const all = hours.map(({ reasons }) => reasons.map(wordsOf));
  const always = all[0]!.filter((words) => all.every((own) => own.includes(words)));
  return [
    `now ${now.index} ${now.verdict}, next ${next?.index ?? 'none'}`,
    ...always,
    ...hours.map(({ hour, verdict }, index) =>
      [hour, verdict, ...all[index]!.filter((words) => !always.includes(words))].join(' | '),
    ),
  ];
};
/** A fixed crowd of days at the curb. */
export const curbs = Array.from({ length: CURBS }, curb);
