/**
 * A label that differs from the library in any way is what every part speaks of: the choice and its rate, the
 * gates, the mix card, the judge at the kerb and on record, and the command line.
 */
import * as fc from 'fast-check';
import { checkApplication, type CheckContext } from './checker';
import { atKerb } from './checker/atKerb';
import { commandSchemas } from './contract/commands';
import { activeCaps, herbicides } from './knowledge';
import { screenAll, type MixQuestion } from './choice/chooseMix';
import { sprayGates } from './courses/sprayQuestion';
import { Usage } from './choice/usage';
import { LIBRARY, shelfLabelSchema, shelfOf, type ShelfLabel } from './products';
import { activesPerAcre, mixCard } from './rates';
import { addDays, localDate, SQUARE_FEET_PER_ACRE } from './units';
import { lawnSeasonInput, rateCard, zoneCaseOf } from './planning';
import { seasonRequestSchema } from './needs';
import { testZone } from './program/testdata/testLawn';
import { plainMix } from './choice/testdata/testMix';
import type { Material } from './rates';
import { testWeather } from './weather/testdata/testWeather';

const DATE = localDate('2026-05-10');
const FT2 = 5000;
const ZONE = testZone(1, [{ species: 'kentucky-bluegrass', cover: 0.9 }], { width: 100 });
const WEATHER = testWeather('transition', 7, DATE);
/** Single products: a recipe has no bottle of its own. */
const bottled = herbicides.filter(({ tankMix, unit }) => tankMix === null && unit !== 'dose');

/** A bottle unlike the library's, up or down in each thing that a label says. */
const labelOf = fc
  .record({
    entry: fc.constantFrom(...bottled),
    high: fc.double({ min: 0.3, max: 3, noNaN: true }),
    yearTimes: fc.double({ min: 1, max: 5, noNaN: true }),
    maxApplications: fc.integer({ min: 1, max: 4 }),
    minIntervalDays: fc.integer({ min: 0, max: 120 }),
    air: fc.tuple(fc.integer({ min: 30, max: 60 }), fc.integer({ min: 61, max: 110 })),
    rainfastHours: fc.integer({ min: 0, max: 48 }),
    reentryHours: fc.integer({ min: 0, max: 72 }),
    seedAfterWeeks: fc.integer({ min: 0, max: 60 }),
    seedBeforeWeeks: fc.integer({ min: 0, max: 20 }),
    signalWord: fc.constantFrom('none', 'caution', 'warning', 'danger'),
    homeLawns: fc.boolean(),
    siteBans: fc.constantFrom('', 'not within 25 ft of a pond'),
    byThePound: fc.boolean(),
  })
  .map(({ entry, high, yearTimes, air, byThePound, ...rest }) => {
    const highPerAcre = entry.rate[1] * high;
    // The same label in pounds where the library counts ounces.
    const pounds = byThePound && entry.unit === 'oz';
    const label = shelfLabelSchema.parse({
      id: '0190a000-0000-7000-8000-000000000001',
      base: { kind: 'herbicide', slug: entry.slug },
      name: 'Made up',
      unit: pounds ? 'lb' : entry.unit,
      highPerAcre: pounds ? highPerAcre / 16 : highPerAcre,
      maxPerYear: (pounds ? highPerAcre / 16 : highPerAcre) * yearTimes,
      airMinF: air[0],
      airMaxF: air[1],
      packages: 1,
      ...rest,
    });
    return { entry, label, highPerAcre, maxPerYear: highPerAcre * yearTimes };
  });

const context = (labels: ShelfLabel[], fields: Partial<CheckContext> = {}): CheckContext => ({
  stand: [{ species: 'kentucky-bluegrass', cover: 1 }],
  desired: ['kentucky-bluegrass'],
  zoneFt2: FT2,
  others: [],
  certified: true,
  confirmedLabels: herbicides.map(({ slug }) => slug),
  labels,
  ...fields,
});
const put = (slug: string, ratePerAcre: number, date = DATE) => ({
  id: `${slug} ${date}`,
  zoneId: 'z',
  date,
  areaFt2: FT2,
  materials: [
    {
      kind: 'herbicide' as const,
      slug,
      amount: (ratePerAcre * FT2) / SQUARE_FEET_PER_ACRE,
      unit: LIBRARY.herbicide(slug)!.unit,
    },
  ],
});
const seed = (date: string) => ({
  ...put('prodiamine', 1),
  id: 'seed',
  date: localDate(date),
  materials: [
    { kind: 'seed' as const, slug: 'kentucky-bluegrass' as const, amount: 10, unit: 'lb' as const },
  ],
});
const rules = (...asked: Parameters<typeof checkApplication>) =>
  checkApplication(...asked).map(({ rule }) => rule);
/** An empty zone, and nothing in the way but the label. */
const question = (labels: ShelfLabel[], slug: string, fields: Partial<MixQuestion>): MixQuestion =>
  plainMix({
    shelf: shelfOf(labels),
    mode: LIBRARY.herbicide(slug)!.preEmergent ? 'pre' : 'post',
    treatedFt2: FT2,
    airHighF: 70,
    certified: true,
    confirmedLabels: new Set(herbicides.map(({ slug: name }) => name)),
    stock: new Set([slug]),
    usage: { usage: new Usage(), date: DATE },
    ...fields,
  });
const refusals = (asked: MixQuestion) =>
  screenAll(asked).excluded.flatMap(({ reasons }) => reasons.map(({ rule }) => rule));

it('speaks of the same limits everywhere', () => {
  fc.assert(
    fc.property(labelOf, ({ entry: { slug }, label, highPerAcre, maxPerYear }) => {
      const labels = [label];
      const shelf = shelfOf(labels);
      const own = shelf.herbicide(slug)!;
      expect(own.maxPerApplication).toBeCloseTo(highPerAcre, 6);

      // Rate and year: at the limit, and one step over it.
      for (const [times, over] of [
        [1, false],
        [1.02, true],
      ] as const) {
        expect(
          rules(put(slug, highPerAcre * times), context(labels)).includes('rate-over-label'),
        ).toBe(over);
        const before = put(slug, maxPerYear * times - highPerAcre / 2, addDays(DATE, -100));
        expect(
          rules(put(slug, highPerAcre / 2), context(labels, { others: [before] })).includes(
            'year-amount',
          ),
        ).toBe(over);
      }
      for (const passing of screenAll(question(labels, slug, {})).feasible) {
        expect(passing.ratePerAcre).toBeLessThanOrEqual(highPerAcre * (1 + 1e-9));
      }
      // Dormant turf has a rate of its own, and no more room than the label.
      for (const passing of screenAll(
        question(labels, slug, { conditions: new Set(['fully-dormant']) }),
      ).feasible) {
        expect(passing.ratePerAcre).toBeLessThanOrEqual(highPerAcre * (1 + 1e-9));
      }

      // Heat: the judge, the kerb, the choice and the gate.
      const [minF, maxF] = [label.airMinF!, label.airMaxF!];
      for (const airHighF of [maxF, maxF + 1]) {
        const hot = airHighF > maxF;
        expect(rules(put(slug, 0.1), context(labels, { airHighF })).includes('too-hot')).toBe(hot);
        expect(refusals(question(labels, slug, { airHighF })).includes('R03-too-hot')).toBe(hot);
        const hours = [
          { index: 9, hour: 9, airF: 60, windMph: 5, rhPct: 50, rainIn: 0, dayHighF: airHighF },
        ];
        const kerb = atKerb(put(slug, 0.1), context(labels), hours, 9).now.reasons;
        expect(kerb.some(({ rule }) => rule === 'too-hot')).toBe(hot);
      }
      const [air] = sprayGates([{ herbicide: slug, ratePerAcre: 0.1 }], 'post', shelf);
      expect(air).toEqual({ kind: 'air', minF, maxF });

      // Seed, both ways and also what lies in the past.
      const wait = label.seedAfterWeeks!;
      for (const [days, soon] of [
        [wait * 7, false],
        [wait * 7 - 1, true],
      ] as const) {
        if (days < 0) continue;
        const sown = addDays(DATE, days);
        expect(
          rules(put(slug, 0.1), context(labels, { others: [seed(sown)] })).includes(
            'seed-too-soon',
          ),
        ).toBe(soon);
        expect(
          rules(seed(sown), context(labels, { others: [put(slug, 0.1)] })).includes(
            'seed-too-soon',
          ),
        ).toBe(soon);
        expect(
          refusals(question(labels, slug, { weeksToSeeding: days / 7 })).includes(
            'R07-seeding-wait',
          ),
        ).toBe(soon);
      }

      // The card at the tank.
      const card = mixCard(
        {
          products: [{ herbicide: slug, ratePerAcre: highPerAcre }],
          areaFt2: FT2,
          carrierGalPer1000: 1,
          tankGal: 10,
        },
        shelf,
      ).cautions;
      expect(card).toMatchObject({
        signalWord: label.signalWord,
        rainfastHours: label.rainfastHours,
        reentryHours: label.reentryHours,
        siteBans: label.siteBans ? [label.siteBans] : [],
      });
      const rain = { rainInHours: Math.max(0, label.rainfastHours! - 0.5) };
      const foliar = own.postEmergent && !own.preEmergent;
      if (foliar && label.rainfastHours! >= 1) {
        expect(rules(put(slug, 0.1), context(labels, rain))).toContain('rain');
      }
      expect(
        rules(put(slug, 0.1), context(labels, { rainInHours: label.rainfastHours! })),
      ).not.toContain('rain');
      expect(rules(put(slug, 0.1), context(labels)).includes('not-for-home-lawns')).toBe(
        !label.homeLawns,
      );

      // The command line asks the same question and gets the same answer.
      const asked = { application: put(slug, highPerAcre * 1.02), context: context(labels, rain) };
      const command = commandSchemas.check.parse(JSON.parse(JSON.stringify(asked)));
      expect(checkApplication(command.application, command.context as CheckContext)).toEqual(
        checkApplication(asked.application, asked.context),
      );
    }),
    { numRuns: 150 },
  );
});

it('counts what is in the bottle against the limits of an active', () => {
  for (const entry of bottled) {
    const { concentration, actives, slug } = entry;
    if (!concentration || actives) continue;
    const [dose] = activesPerAcre(LIBRARY.herbicide(slug)!, 1);
    const cap = activeCaps.find(({ active }) => active === dose?.active);
    if (!cap || !dose) continue;
    const twice = shelfLabelSchema.parse({
      id: '0190a000-0000-7000-8000-000000000002',
      base: { kind: 'herbicide', slug },
      name: 'Twice as strong',
      signalWord: 'caution',
      unit: entry.unit,
      highPerAcre: 1e6,
      homeLawns: true,
      actives: [
        concentration.unit === 'fraction'
          ? { name: 'as the label prints it', amount: concentration.amount * 200, unit: 'percent' }
          : {
              name: 'as the label prints it',
              amount: concentration.amount * 2,
              unit: 'lb-per-gal',
            },
      ],
    });
    const rate = cap.maxLbPerApplication / dose.lbPerAcre;
    const over = (labels: ShelfLabel[], times: number) =>
      rules(put(slug, rate * times), context(labels)).includes('active-per-application');
    expect([slug, over([], 1), over([], 1.01)]).toEqual([slug, false, true]);
    expect([slug, over([twice], 0.5), over([twice], 0.51)]).toEqual([slug, false, true]);
  }
});

/** A bag or a bottle of one's own of another kind, in its library unit. */
const otherLabel = (kind: 'fertilizer' | 'treatment') =>
  fc.record({
    entry: fc.constantFrom(
      ...(kind === 'fertilizer'
        ? LIBRARY.fertilizers
            .filter(({ grade }) => grade[1] === 0)
            .map(({ slug, grade }) => ({
              slug,
              unit: 'lb' as const,
              usual: (4356 / grade[0]) * 0.8,
            }))
        : LIBRARY.treatments.flatMap(({ slug, unit, ratePerAcre, residential, kind: of }) =>
            unit && ratePerAcre && residential === 'yes' && of === 'fungicide'
              ? [{ slug, unit, usual: ratePerAcre[1] }]
              : [],
          )),
    ),
    high: fc.double({ min: 0.4, max: 1.6, noNaN: true }),
    yearTimes: fc.double({ min: 1, max: 4, noNaN: true }),
    minIntervalDays: fc.integer({ min: 29, max: 120 }),
    homeLawns: fc.boolean(),
    named: fc.boolean(),
  });

describe.each(['fertilizer', 'treatment'] as const)('a %s of one’s own', (kind) => {
  it('is held to its label by the rate card, the judge and the command line alike', () => {
    fc.assert(
      fc.property(
        otherLabel(kind),
        ({ entry: { slug, unit, usual }, high, yearTimes, minIntervalDays, homeLawns, named }) => {
          const highPerAcre = usual * high;
          const maxPerYear = highPerAcre * yearTimes;
          const label = shelfLabelSchema.parse({
            id: '0190a000-0000-7000-8000-000000000004',
            base: { kind, slug },
            name: 'Made up',
            signalWord: 'caution',
            unit,
            highPerAcre,
            maxPerYear,
            minIntervalDays,
            homeLawns,
            turf: [named ? 'kentucky-bluegrass' : 'bahia'],
          });
          const at = (rate: number, date: string = DATE) => ({
            id: `${slug} ${date} ${rate}`,
            zoneId: ZONE.id,
            date,
            areaFt2: FT2,
            materials: [
              { kind, slug, amount: (rate * FT2) / SQUARE_FEET_PER_ACRE, unit } as Material,
            ],
          });
          const found = (rate: number, others: ReturnType<typeof at>[] = []) =>
            rules(at(rate), context([label], { others }));
          expect(found(highPerAcre)).not.toContain('rate-over-label');
          expect(found(highPerAcre * 1.02)).toContain('rate-over-label');
          expect(found(1).includes('not-for-home-lawns')).toBe(!homeLawns);
          expect(found(1).includes('turf-off-label')).toBe(!named);
          const near = addDays(DATE, 1 - minIntervalDays);
          expect(found(1, [at(1, near)])).toContain('interval');
          expect(found(1, [at(1, addDays(DATE, -minIntervalDays))])).not.toContain('interval');
          const full = at(maxPerYear, addDays(DATE, -125));
          expect(found(highPerAcre * 0.5, [full])).toContain('year-amount');

          const row = (records: ReturnType<typeof at>[] = []) => {
            const request = seasonRequestSchema.parse({
              today: DATE,
              region: 'transition',
              zones: [ZONE],
              policy: { labels: [label] },
            });
            const input = lawnSeasonInput(request, WEATHER, [], records);
            return rateCard(zoneCaseOf(input, ZONE)).rows.find(
              (own) => own.kind === kind && own.slug === slug,
            )!;
          };
          const free = row();
          if (free.ratePerAcre !== null) {
            expect(free.ratePerAcre).toBeLessThanOrEqual(highPerAcre * (1 + 1e-9));
          }
          expect(homeLawns && named ? ['rate', 'light', 'hold'] : ['hold', 'never']).toContain(
            free.verdict,
          );
          expect(row([at(1, near)]).ratePerAcre).toBeNull();

          const asked = { application: at(highPerAcre * 1.02), context: context([label]) };
          const command = commandSchemas.check.parse(JSON.parse(JSON.stringify(asked)));
          expect(checkApplication(command.application, command.context as CheckContext)).toEqual(
            checkApplication(asked.application, asked.context),
          );
        },
      ),
      { numRuns: 40 },
    );
  });
});

it('refuses on the command line what the judge would not be asked', () => {
  const asked = { application: put('quinclorac', 10), context: context([]) };
  const wrong = { ...asked, context: { ...asked.context, rainInHour: 1 } };
  const { error } = commandSchemas.check.safeParse(JSON.parse(JSON.stringify(wrong)));
  expect(error?.issues[0]).toMatchObject({ code: 'unrecognized_keys', keys: ['rainInHour'] });
});
