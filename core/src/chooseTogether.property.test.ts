/** All that a zone needs on one day, against the checker; lanes of a tank are common practice. */
import fc from 'fast-check';
import { checkApplication } from './checker';
import {
  causes,
  grass,
  GRASS_SLUGS,
  herbicide,
  treatment,
  weeds,
  type GrassSlug,
} from './knowledge';
import { zoneArea } from './lawn';
import { chooseTogether, type TogetherOption } from './choice/chooseTogether';
import { doseEffect, type MixQuestion } from './choice/chooseMix';
import { lawnSeasonInput } from './program/lawnSeason';
import { planSeason } from './program/planSeason';
import { seasonRequestSchema } from './needs/seasonInput';
import { toleranceConditions } from './choice/sprayDay';
import { stepChoices } from './program/stepChoices';
import { testZone } from './program/testdata/testLawn';
import { Usage } from './choice/usage';
import { zoneCaseOf } from './choice/zoneCase';
import { cases } from './units/testdata/cases';
import { addDays, localDate, SQUARE_FEET_PER_ACRE } from './units';
import { testWeather } from './weather/testdata/testWeather';
import { plainMix } from './choice/testdata/testMix';

const DATE = localDate('2026-05-20');
const turf = GRASS_SLUGS.filter((slug) => grass(slug).herbicideTurf !== null);
const treatable = causes
  .filter(({ group }) => group === 'insect' || group === 'disease')
  .map(({ slug }) => slug);

const standOf = (grasses: readonly GrassSlug[]) =>
  testZone(
    1,
    grasses.map((species) => ({ species, cover: 0.9 / grasses.length })),
    { desired: [...grasses] },
  );
const inputOf = (
  grasses: readonly GrassSlug[],
  finding: { weeds?: unknown[]; damages?: { cause: string; protect: 'treat' }[] } = {},
) => {
  const zone = standOf(grasses);
  const request = seasonRequestSchema.parse({
    today: DATE,
    region: 'transition',
    zones: [zone],
    findings: [{ zoneId: zone.id, ...finding }],
  });
  return lawnSeasonInput(request, testWeather('transition', 1, DATE), [], []);
};
const weedQuestion = (
  grasses: readonly GrassSlug[],
  list: readonly string[],
  airHighF: number,
  treatedFt2: number,
): MixQuestion =>
  plainMix({
    grasses,
    targets: list.map((weed) => ({ weed, targetPct: 80 })),
    treatedFt2,
    airHighF,
    conditions: toleranceConditions(
      standOf(grasses),
      { airHighF, soilF: 68, soilRising: true },
      DATE,
      { drought: false, treatedShare: 1 },
    ),
    usage: { usage: new Usage(), date: DATE },
  });
const FEED = { fertilizer: '24-0-11-half-slow', productLbPer1000: 3 };
const PREVENT = { products: [{ herbicide: 'pendimethalin', ratePerAcre: 50 }], areaFt2: 3000 };

const random = fc.record({
  grasses: fc.uniqueArray(fc.constantFrom<GrassSlug>(...turf), { minLength: 1, maxLength: 2 }),
  weeds: fc.uniqueArray(fc.constantFrom(...weeds.map(({ slug }) => slug)), { maxLength: 3 }),
  causes: fc.uniqueArray(
    fc.record({
      cause: fc.constantFrom(...treatable),
      mode: fc.constantFrom('curative' as const, 'preventive' as const),
    }),
    { selector: ({ cause }) => cause, maxLength: 2 },
  ),
  prevent: fc.boolean(),
  feed: fc.boolean(),
  airHighF: fc.integer({ min: 55, max: 95 }),
});
type Sample = typeof random extends fc.Arbitrary<infer T> ? T : never;

function ask({ grasses, weeds: list, causes: named, prevent, feed, airHighF }: Sample) {
  const input = inputOf(grasses);
  const zoneCase = zoneCaseOf(input, input.zones[0]!);
  const answer = chooseTogether(zoneCase, {
    weeds: list.length > 0 ? weedQuestion(grasses, list, airHighF, zoneCase.areaFt2) : null,
    causes: named.map((target) => ({ ...target, targetPct: 80 })),
    prevent: prevent ? PREVENT : null,
    feed: feed ? FEED : null,
    date: DATE,
    airHighF,
  });
  return { answer, zone: zoneCase.zone };
}

const applicationsOf = (option: TogetherOption, areaFt2: number) =>
  option.walks.map(({ materials }, index) => ({
    id: `w${index}`,
    zoneId: 'z',
    date: addDays(DATE, index * Math.max(option.minIntervalDays, 1)),
    areaFt2,
    materials: materials.map(({ kind, slug, ratePerAcre, unit }) => ({
      kind,
      slug,
      amount: (ratePerAcre * areaFt2) / SQUARE_FEET_PER_ACRE,
      unit,
    })) as never[],
  }));

it('chooses nothing that the checker calls an exceedance, and reaches all it was asked', () => {
  let found = 0;
  fc.assert(
    fc.property(random, (sample) => {
      const { answer, zone } = ask(sample);
      const areaFt2 = zoneArea(zone);
      for (const option of answer.options) {
        found += 1;
        const applications = applicationsOf(option, areaFt2);
        for (const application of applications) {
          const over = checkApplication(
            { ...application, targets: sample.causes.map(({ cause }) => cause) },
            {
              stand: zone.stand,
              desired: zone.desired,
              zoneFt2: areaFt2,
              others: applications.filter(({ id }) => id !== application.id),
              airHighF: sample.airHighF,
              soilF: 68,
              irrigated: true,
            },
          ).filter(
            ({ rule, severity, material }) =>
              severity === 'exceeds' &&
              // How far apart the walks lie is settled when they get their days.
              !rule.endsWith('interval') &&
              // The feeding and the pre-emergent are given here, not chosen.
              material !== FEED.fertilizer &&
              material !== 'pendimethalin',
          );
          expect({ option, over }).toMatchObject({ over: [] });
        }
        for (const slug of [...sample.weeds, ...sample.causes.map(({ cause }) => cause)]) {
          expect(option.control[slug]).toBeGreaterThanOrEqual(80 - 1e-6);
        }
      }
    }),
    { ...cases(60), seed: 3 },
  );
  expect(found).toBeGreaterThan(20);
});
it('never costs more together than apart, nor takes more walks, and keeps the lanes', () => {
  fc.assert(
    fc.property(random, (sample) => {
      const { answer } = ask(sample);
      const [cheapest] = answer.options;
      if (cheapest && answer.apart) {
        expect(cheapest.totalUsdInvented).toBeLessThanOrEqual(answer.apart.totalUsdInvented + 1e-6);
        const fewest = Math.min(...answer.options.map(({ walks }) => walks.length));
        expect(fewest).toBeLessThanOrEqual(answer.apart.walks);
      }
      for (const { lane, materials } of answer.options.flatMap(({ walks }) => walks)) {
        expect(materials.length).toBeGreaterThan(0);
        if (lane === 'granule' || lane === 'living') expect(materials).toHaveLength(1);
        for (const { kind, slug } of materials) {
          if (kind === 'herbicide') expect([lane, herbicide(slug)!.form]).not.toContain('granule');
          if (kind !== 'treatment') continue;
          const wet = (treatment(slug)!.waterInIn ?? 0) > 0;
          if (lane !== 'granule') expect({ slug, wet }).toEqual({ slug, wet: lane !== 'leaf' });
          expect(treatment(slug)!.form === 'live').toBe(lane === 'living');
        }
      }
    }),
    { ...cases(40), seed: 4 },
  );
});
it('sprays leaf work in one tank and waters the other in by itself', () => {
  const base = {
    grasses: ['tall-fescue' as const],
    weeds: ['dandelion'],
    prevent: false,
    feed: false,
  };
  const leaf = ask({
    ...base,
    airHighF: 74,
    causes: [{ cause: 'armyworm', mode: 'curative' }],
  }).answer.options[0]!;
  expect(leaf.walks).toHaveLength(1);
  expect(leaf.walks[0]!.materials.map(({ kind }) => kind)).toEqual(['herbicide', 'treatment']);
  const grubs = ask({
    ...base,
    airHighF: 74,
    causes: [{ cause: 'white-grub', mode: 'preventive' }],
  }).answer.options[0]!;
  expect(grubs.walks.map(({ lane }) => lane)).toEqual(['leaf', 'soil']);
  const spring = ask({ ...base, airHighF: 74, causes: [], prevent: true, feed: true }).answer;
  expect(spring.options[0]!.walks.map(({ lane }) => lane)).toEqual(['leaf', 'granule']);
  expect(spring.apart!.walks).toBe(3);
});
it('puts what is due in a zone together for a step, and leaves weeds alone that are alone', () => {
  const dandelion = { weed: 'dandelion', cover: 0.2 };
  const both = inputOf(['tall-fescue'], {
    weeds: [dandelion],
    damages: [{ cause: 'armyworm', protect: 'treat' }],
  });
  const { steps } = planSeason(both);
  const protect = steps.find(({ kind }) => kind === 'protect')!;
  const choices = stepChoices(both, steps, protect.id)!;
  expect(choices.options).toEqual([]);
  expect(choices.together!.stepIds).toContain(protect.id);
  expect(choices.together!.options[0]!.control).toHaveProperty('armyworm');
  expect(stepChoices(both, steps, 'no such step')).toBeNull();
});
it('lowers the effect of a rate held down by a tender grass', () => {
  const product = { effectRate: [4, 12] as [number, number] };
  expect(doseEffect(product, 12)).toBe(1);
  expect(doseEffect(product, 8)).toBe(1);
  expect(doseEffect(product, 6)).toBeCloseTo(0.875);
  expect(doseEffect(product, 4)).toBeCloseTo(0.75);
  expect(doseEffect(product, 2)).toBeCloseTo(0.375);
});
