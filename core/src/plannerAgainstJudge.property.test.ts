/**
 * The planner against its judge: over random lawns, weathers, findings and records, nothing that is
 * planned breaks a rule of the checker. It stands above both floors, since neither may know the other.
 */
import fc from 'fast-check';
import {
  applicationsOf,
  grasses,
  herbicide,
  localDate,
  propertySchema,
  seasonRequestSchema,
  weeds,
  zoneArea,
  type Application,
  type GrassSlug,
  type LocalDate,
  type Region,
  type SiteFactor,
} from './index';
import { checkApplication, type CheckContext } from './checker';
import { judgeContext } from './judging';
import { lawnSeason } from './planning';
import { cases } from './units/testdata/cases';
import { seasonDay, type SoilSeason } from './weather';
import { testWeather } from './weather/testdata/testWeather';
import { testZone } from './program/testdata/testLawn';

const desired = grasses.filter(({ roles }) => roles.includes('desired')).map(({ slug }) => slug);
const share = fc.double({ min: 0.05, max: 0.5, noNaN: true });

const lawn = fc.record({
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

function expectedOn(soil: SoilSeason, date: LocalDate) {
  const index = Math.max(0, Math.min(soil.airHighF.length - 1, seasonDay(soil, date)));
  const soilF = soil.meanF[index] ?? undefined;
  const before = soil.meanF[Math.max(0, index - 10)] ?? soilF;
  return {
    airHighF: soil.airHighF[index] as number,
    ...(soilF === undefined ? {} : { soilF, soilRising: before !== undefined && soilF >= before }),
  };
}

function planOf(sample: typeof lawn extends fc.Arbitrary<infer T> ? T : never) {
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
    findings: [{ zoneId: zone.id, weeds: sample.weeds }],
  });
  const first = lawnSeason(request, weather, [], records);
  const { choose } = sample;
  const choices = choose
    ? Object.fromEntries(first.season.clashes.map(({ id }) => [id, choose]))
    : {};
  const { season, soil } = lawnSeason({ ...request, choices }, weather, [], records);
  return { zone, records, season, request, soil: soil.get(zone.id) as SoilSeason };
}

it('never plans what the checker would call an exceedance', () => {
  fc.assert(
    fc.property(lawn, (sample) => {
      const { zone, records, season, soil, request } = planOf(sample);
      const open = season.steps.filter(({ state }) => state !== 'done');
      const all = [...records, ...open.flatMap((step) => applicationsOf(step))];
      for (const step of open) {
        for (const application of applicationsOf(step)) {
          const context: CheckContext = {
            ...judgeContext(
              {
                zones: [zone],
                property: propertySchema.parse({}),
                features: [],
                pins: [],
                region: sample.region,
              },
              application,
              { others: all, policy: request.policy, samples: [] },
            )!,
            ...expectedOn(soil, localDate(application.date)),
          };
          const over = checkApplication(application, context).filter(
            ({ severity }) => severity === 'exceeds',
          );
          expect({ step: step.id, window: step.window, over }).toMatchObject({ over: [] });
        }
      }
    }),
    { ...cases(100), seed: 20261125 },
  );
});

it('keeps the turf and the heat safe on the first and the last day of every spray window', () => {
  fc.assert(
    fc.property(lawn, (sample) => {
      const { zone, season, soil } = planOf(sample);
      for (const step of season.steps) {
        if (step.kind !== 'control') continue;
        for (const day of [step.window.opens, step.window.closes]) {
          for (const application of applicationsOf(step, day)) {
            const findings = checkApplication(application, {
              stand: zone.stand,
              desired: zone.desired,
              zoneFt2: zoneArea(zone),
              others: [],
              ...expectedOn(soil, day),
            });
            const unsafe = findings.filter(
              ({ rule }) =>
                rule === 'too-hot' || rule === 'turf-not-tolerant' || rule.startsWith('rate-'),
            );
            expect({ step: step.id, day, unsafe }).toMatchObject({ unsafe: [] });
          }
        }
      }
    }),
    { ...cases(40), seed: 7 },
  );
});

it('never plans seed and a pre-emergent that shut each other out, and holds both until one is picked', () => {
  let clashes = 0;
  fc.assert(
    fc.property(lawn, (sample) => {
      const { season } = planOf({ ...sample, choose: null });
      for (const clash of season.clashes) {
        clashes += 1;
        expect(clash.choice).toBeNull();
        const ids = season.steps.map(({ id }) => id);
        expect(ids).not.toContain(clash.seed.id);
        expect(ids).not.toContain(clash.prevent.id);
      }
    }),
    { ...cases(50), seed: 11 },
  );
  expect(clashes).toBeGreaterThan(5);
});
