/**
 * Choice over walks against the checker and the single-mix enumeration (worked example of the trade:
 * four weeds on zoysia in July heat want two walks or one broad pair).
 */
import fc from 'fast-check';
import { checkApplication } from './checker';
import { GRASS_SLUGS, grass, herbicide, weeds, type GrassSlug } from './knowledge';
import { cases } from './units/testdata/cases';
import { addDays, localDate, SQUARE_FEET_PER_ACRE } from './units';
import { chooseMix, screenAll, targetControl, type MixQuestion } from './choice/chooseMix';
import { chooseWalks, relaxedWishes } from './choice/chooseWalks';
import { toleranceConditions } from './choice/sprayDay';
import { testZone } from './program/testdata/testLawn';
import { Usage } from './choice/usage';
import { plainMix } from './choice/testdata/testMix';

const DATE = localDate('2026-05-10');
const question = (fields: Partial<MixQuestion> = {}): MixQuestion =>
  plainMix({
    targets: [
      { weed: 'dandelion', targetPct: 80 },
      { weed: 'white-clover', targetPct: 80 },
    ],
    usage: { usage: new Usage(), date: DATE },
    ...fields,
  });

const turf = GRASS_SLUGS.filter((slug) => grass(slug).herbicideTurf !== null);
const random = fc.record({
  grasses: fc.uniqueArray(fc.constantFrom<GrassSlug>(...turf), { minLength: 1, maxLength: 2 }),
  weeds: fc.uniqueArray(fc.constantFrom(...weeds.map(({ slug }) => slug)), {
    minLength: 1,
    maxLength: 4,
  }),
  airHighF: fc.integer({ min: 50, max: 98 }),
  treatedFt2: fc.integer({ min: 200, max: 20_000 }),
  treeRoots: fc.boolean(),
});
const asked = (sample: typeof random extends fc.Arbitrary<infer T> ? T : never): MixQuestion =>
  question({
    grasses: sample.grasses,
    targets: sample.weeds.map((weed) => ({ weed, targetPct: targetControl(weed) })),
    airHighF: sample.airHighF,
    treatedFt2: sample.treatedFt2,
    treeRoots: sample.treeRoots,
    conditions: toleranceConditions(
      testZone(
        1,
        sample.grasses.map((species) => ({ species, cover: 0.3 })),
        { desired: sample.grasses },
      ),
      { airHighF: sample.airHighF, soilF: 68, soilRising: true },
      DATE,
      { drought: false, treatedShare: 1 },
    ),
  });

it('is the single mix where one walk is cheapest', () => {
  const walks = chooseWalks(question());
  const mix = chooseMix(question());
  expect(walks.options[0]!.walks).toHaveLength(1);
  expect(walks.options[0]!.totalUsdInvented).toBeCloseTo(mix.best!.totalUsdInvented, 6);
});
it('never costs more than the best single mix, and says what each way leaves alive', () => {
  fc.assert(
    fc.property(random, (sample) => {
      const q = asked(sample);
      const { options } = chooseWalks(q);
      const mix = chooseMix(q);
      if (mix.best?.reaches) {
        expect(options[0]!.kind).toBe('cheapest');
        expect(options[0]!.totalUsdInvented).toBeLessThanOrEqual(mix.best.totalUsdInvented + 1e-6);
      }
      for (const option of options) {
        for (const { weed, targetPct } of q.targets) {
          expect(option.misses.includes(weed)).toBe(option.control[weed]! < targetPct - 1e-6);
        }
        if (option.kind !== 'weaker') expect(option.misses).toEqual([]);
      }
    }),
    cases(60),
  );
});
it('chooses nothing that the checker calls an exceedance, over its walks', () => {
  fc.assert(
    fc.property(random, (sample) => {
      const q = asked(sample);
      for (const option of chooseWalks(q).options) {
        const applications = option.walks.map((walk, index) => ({
          id: `w${index}`,
          zoneId: 'z',
          date: addDays(DATE, index * Math.max(option.minIntervalDays, 1)),
          areaFt2: q.treatedFt2,
          materials: walk.map(({ herbicide: slug, ratePerAcre }) => ({
            kind: 'herbicide' as const,
            slug,
            amount: (ratePerAcre * q.treatedFt2) / SQUARE_FEET_PER_ACRE,
            unit: herbicide(slug)!.unit,
          })),
        }));
        for (const application of applications) {
          const over = checkApplication(application, {
            stand: sample.grasses.map((species) => ({ species, cover: 0.3 })),
            desired: sample.grasses,
            zoneFt2: q.treatedFt2,
            others: applications,
            airHighF: sample.airHighF,
            soilF: 68,
          })
            // How far apart the walks of one active lie is settled when the walks get their days.
            .filter(({ rule, severity }) => severity === 'exceeds' && !rule.endsWith('interval'));
          expect({ option: option.kind, over }).toMatchObject({ over: [] });
        }
      }
    }),
    { ...cases(60), seed: 5 },
  );
});
it('another desired grass never adds a product', () => {
  const passing = (q: MixQuestion) => screenAll(q).feasible.map(({ product }) => product.slug);
  fc.assert(
    fc.property(random, fc.constantFrom<GrassSlug>(...turf), (sample, extra) => {
      const one = passing(asked(sample));
      const two = passing(asked({ ...sample, grasses: [...new Set([...sample.grasses, extra])] }));
      expect(two.filter((slug) => !one.includes(slug))).toEqual([]);
    }),
    cases(200),
  );
});
it('costs in proportion to the area but for the walk, and tells what less would save', () => {
  const q = question({
    targets: [
      { weed: 'dandelion', targetPct: 80 },
      { weed: 'wild-violet', targetPct: 80 },
      { weed: 'large-crabgrass', targetPct: 80 },
    ],
  });
  const chemical = (treatedFt2: number) =>
    chooseWalks({ ...q, treatedFt2, walkUsd: 0 }).options[0]!.chemicalUsdInvented;
  expect(chemical(10_000) / chemical(5000)).toBeCloseTo(2, 6);
  const less = relaxedWishes({ ...q, treatedFt2: 40_000 });
  expect(less.length).toBeGreaterThan(0);
  for (const { savesUsdInvented } of less) expect(savesUsdInvented).toBeGreaterThan(0);
});
