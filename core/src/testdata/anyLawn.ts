import fc from 'fast-check';
import {
  causes,
  grasses,
  herbicide,
  propertySchema,
  seasonRequestSchema,
  shelfLabelSchema,
  treatments,
  weeds,
  zoneArea,
  type Application,
  type GrassSlug,
  type LocalDate,
  type Region,
  type SiteFactor,
  type Zone,
} from '../index';
import { lawnSeasonInput } from '../planning';
import { testZone } from '../program/testdata/testLawn';
import { seasonDay, type SoilSeason } from '../weather';
import { testWeather } from '../weather/testdata/testWeather';

/** Labels of one's own: none, a feed with a weed killer in it, or fertilizers with limits of their own. */
const STORES = ['library', 'weed-and-feed', 'feeds'] as const;

const label = (id: number, kind: string, slug: string, fields: object) =>
  shelfLabelSchema.parse({
    id: `0190a000-0000-7000-8000-00000000000${id}`,
    base: { kind, slug },
    name: 'Made up',
    signalWord: 'caution',
    unit: 'lb',
    homeLawns: true,
    packages: 2,
    ...fields,
  });

function labelsOf(store: (typeof STORES)[number]) {
  if (store === 'weed-and-feed') {
    return [
      label(1, 'herbicide', 'threeway-granule', { highPerAcre: 120 }),
      // A pre-emergent on a fertilizer, spread.
      label(2, 'herbicide', 'prodiamine', {
        highPerAcre: 180,
        actives: [{ name: 'prodiamine', amount: 0.4, unit: 'percent' }],
        granular: true,
        nutrients: { n: 19, p2o5: 0, k2o: 6, slowShare: 0.5 },
      }),
      label(3, 'treatment', 'clothianidin', {
        highPerAcre: 150,
        granular: true,
        nutrients: { n: 15, p2o5: 0, k2o: 5, slowShare: 0.3 },
      }),
    ];
  }
  if (store === 'feeds') {
    return [
      label(4, 'fertilizer', '24-0-11-half-slow', {
        highPerAcre: 90,
        maxPerYear: 150,
        maxApplications: 2,
        minIntervalDays: 60,
      }),
      label(5, 'fertilizer', '25-0-10-quick', {
        highPerAcre: 400,
        nutrients: { n: 30, p2o5: 0, k2o: 5, slowShare: 0.1 },
      }),
      label(6, 'fertilizer', '38-0-6-coated', { highPerAcre: 200, turf: ['bahia'] }),
    ];
  }
  return [];
}

const desired = grasses.filter(({ roles }) => roles.includes('desired')).map(({ slug }) => slug);
/** Insects and diseases that may have been here, likely for the grass or not. */
const pests = causes
  .filter(({ group }) => group === 'insect' || group === 'disease')
  .map(({ slug }) => slug);
const share = fc.double({ min: 0.05, max: 0.5, noNaN: true });

/** A lawn of one zone, its weather, what was found and done on it, and what the company keeps. */
export const anyLawn = fc.record({
  region: fc.constantFrom<Region>('north', 'transition', 'south'),
  seed: fc.integer({ min: 1, max: 500 }),
  day: fc.integer({ min: 40, max: 350 }),
  stand: fc.uniqueArray(fc.tuple(fc.constantFrom(...grasses.map(({ slug }) => slug)), share), {
    selector: ([slug]) => slug,
    minLength: 1,
    maxLength: 2,
  }),
  wanted: fc.uniqueArray(fc.constantFrom(...desired), { minLength: 1, maxLength: 2 }),
  weeds: fc.uniqueArray(
    fc.record({
      weed: fc.constantFrom(...weeds.map(({ slug }) => slug)),
      cover: fc.double({ min: 0, max: 0.3, noNaN: true }),
      growing: fc.boolean(),
    }),
    { selector: ({ weed }) => weed, maxLength: 4 },
  ),
  irrigated: fc.constantFrom(true, false, null),
  treeRoots: fc.boolean(),
  newTurf: fc.constantFrom(true, false, null),
  sensitivePlants: fc.boolean(),
  factors: fc.constantFrom<SiteFactor[]>(['full-sun-tall'], ['half-shade'], ['full-sun-short'], []),
  choose: fc.constantFrom('seed', 'prevent', null),
  store: fc.constantFrom(...STORES),
  upkeep: fc.constantFrom('basic', 'standard', 'showpiece'),
  /** Somebody has read every label for home lawns. */
  confirmed: fc.boolean(),
  history: fc.uniqueArray(fc.constantFrom(...pests), { maxLength: 7 }),
  earlier: fc.option(
    fc.record({
      slug: fc.constantFrom(
        'threeway-amine',
        'prodiamine',
        'dithiopyr',
        'quinclorac',
        'sulfentrazone',
      ),
      daysAgo: fc.integer({ min: 1, max: 35 }),
    }),
  ),
});

/** Air and soil that the plan expects on a day, as the judge is told them. */
export function dayOf(soil: SoilSeason, date: LocalDate) {
  const index = Math.max(0, Math.min(soil.airHighF.length - 1, seasonDay(soil, date)));
  const soilF = soil.meanF[index] ?? undefined;
  const before = soil.meanF[Math.max(0, index - 10)] ?? soilF;
  return {
    airHighF: soil.airHighF[index] as number,
    ...(soilF === undefined ? {} : { soilF, soilRising: before !== undefined && soilF >= before }),
  };
}

export type AnyLawn = typeof anyLawn extends fc.Arbitrary<infer T> ? T : never;

/** So many drawn lawns, the same for the same seed. */
export const drawLawns = (count: number, seed: number): AnyLawn[] =>
  fc.sample(anyLawn, { numRuns: count, seed });

/** What a drawn lawn's season is asked with. */
export function inputOf(sample: AnyLawn) {
  const today = new Date(Date.UTC(2026, 0, sample.day)).toISOString().slice(0, 10) as LocalDate;
  const zone = testZone(
    1,
    sample.stand.map(([species, cover]) => ({ species: species as GrassSlug, cover })),
    {
      desired: sample.wanted,
      irrigated: sample.irrigated,
      treeRoots: sample.treeRoots,
      newTurf: sample.newTurf,
      sensitivePlants: sample.sensitivePlants,
      factors: sample.factors,
    },
  );
  const weather = testWeather(sample.region, sample.seed, today);
  const records: Application[] = sample.earlier
    ? [
        {
          id: 'record',
          zoneId: zone.id,
          date: new Date(Date.UTC(2026, 0, sample.day - sample.earlier.daysAgo))
            .toISOString()
            .slice(0, 10),
          areaFt2: zoneArea(zone),
          materials: [
            {
              kind: 'herbicide',
              slug: sample.earlier.slug,
              amount: ((herbicide(sample.earlier.slug)?.rate[0] ?? 1) * zoneArea(zone)) / 43_560,
              unit: herbicide(sample.earlier.slug)?.unit ?? 'oz',
            },
          ],
        },
      ]
    : [];
  const request = seasonRequestSchema.parse({
    today,
    region: sample.region,
    zones: [zone],
    upkeep: sample.upkeep,
    policy: {
      labels: labelsOf(sample.store),
      confirmedLabels: sample.confirmed ? treatments.map(({ slug }) => slug) : [],
    },
    findings: [{ zoneId: zone.id, weeds: sample.weeds }],
  });
  const history = new Map([[zone.id, sample.history]]);
  return {
    zone,
    records,
    request,
    weather,
    history,
    input: lawnSeasonInput(request, weather, [], records, history),
  };
}

/** The drawn lawn as it is stored. */
export const lawnOf = (sample: AnyLawn, zone: Zone) => ({
  zones: [zone],
  property: propertySchema.parse({}),
  features: [],
  pins: [],
  region: sample.region,
});
