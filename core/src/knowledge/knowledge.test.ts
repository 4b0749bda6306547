import { z } from 'zod';
import {
  activeName,
  applicationRules,
  carriedNutrients,
  groupYears,
  setbacks,
  tankRules,
  activeCaps,
  activeCapSchema,
  causes,
  causeSchema,
  choiceScreens,
  contradictions,
  countTests,
  emergenceWindows,
  feedingCalendars,
  grasses,
  grassSchema,
  GRASS_SLUGS,
  herbicide,
  herbicides,
  herbicideSchema,
  LIKELIHOOD_LEVELS,
  linkedPairs,
  seedingWindows,
  sign,
  signs,
  signSchema,
  testThresholds,
  testThresholdSchema,
  toleranceOverrides,
  toleranceOverrideSchema,
  treatments,
  treatmentSchema,
  waitingSigns,
  weed,
  weedOfGrass,
  weeds,
  weedSchema,
  type GrassSlug,
} from '.';
import { allRecoveries } from './decisionRules';
import { efficacyRows, efficacyRowSchema, stageFactors, stageFactorSchema } from './efficacy';

const slugsOf = (rows: readonly { slug: string }[]) => rows.map(({ slug }) => slug);

describe('the shape of the data', () => {
  it.each([
    ['grasses', grassSchema, grasses],
    ['signs', signSchema, signs],
    ['causes', causeSchema, causes],
    ['weeds', weedSchema, weeds],
    ['herbicides', herbicideSchema, herbicides],
    ['treatments', treatmentSchema, treatments],
    ['efficacy', efficacyRowSchema, efficacyRows],
    ['stage factors', stageFactorSchema, stageFactors],
    ['tolerance overrides', toleranceOverrideSchema, toleranceOverrides],
    ['active caps', activeCapSchema, activeCaps],
    ['test thresholds', testThresholdSchema, testThresholds],
  ])('%s', (_, schema, rows) => {
    const result = z.array(schema as z.ZodType).safeParse(rows);
    expect(result.error?.issues.slice(0, 3) ?? []).toEqual([]);
  });

  it.each([
    ['grasses', grasses],
    ['signs', signs],
    ['causes', causes],
    ['weeds', weeds],
    ['herbicides', herbicides],
  ])('%s have slugs of their own', (_, rows) => {
    expect(new Set(slugsOf(rows)).size).toBe(rows.length);
  });

  it('covers the grasses, five kinds of damage, weeds and actives of the trade', () => {
    expect(slugsOf(grasses).sort()).toEqual([...GRASS_SLUGS].sort());
    const groups = new Set(causes.map(({ group }) => group));
    for (const kind of ['heat-drought', 'insect', 'disease', 'weeds', 'animals'] as const) {
      expect(groups).toContain(kind);
    }
    expect(causes.length).toBeGreaterThanOrEqual(25);
    expect(weeds.length).toBeGreaterThanOrEqual(20);
    expect(herbicides.filter(({ tankMix }) => tankMix === null).length).toBeGreaterThanOrEqual(20);
  });
});

describe('causes and signs hang together', () => {
  it('uses only the ten likelihood levels, never a sign’s own base rate', () => {
    for (const entry of causes) {
      for (const [slug, p] of Object.entries(entry.signs)) {
        expect(LIKELIHOOD_LEVELS).toContain(p);
        expect(sign(slug)?.base).not.toBe(p);
      }
    }
    for (const { base } of signs) expect(LIKELIHOOD_LEVELS).toContain(base);
  });
  it('says of every cause whether and how soon its damage fills in', () => {
    expect(allRecoveries.map(({ cause }) => cause).sort()).toEqual(slugsOf(causes).sort());
  });
  it('gives every cause ten signs and every sign a cause', () => {
    const used = new Set(causes.flatMap((entry) => Object.keys(entry.signs)));
    for (const entry of causes) expect(Object.keys(entry.signs).length).toBeGreaterThanOrEqual(10);
    for (const { slug } of signs) expect(used).toContain(slug);
  });
  it('names only signs and causes that exist', () => {
    const causeSlugs = slugsOf(causes);
    linkedPairs.flat().forEach((slug) => expect(causeSlugs).toContain(slug));
    [...waitingSigns, ...contradictions.flat(), ...choiceScreens.flatMap((s) => s.options)].forEach(
      (slug) => expect(sign(slug)).toBeDefined(),
    );
    countTests.forEach((test) => {
      expect(sign(test.sign)).toBeDefined();
      test.subjects.forEach((subject) =>
        expect(
          testThresholds.some((row) => row.test === test.code && row.subject === subject),
        ).toBe(true),
      );
    });
  });
});

describe('herbicides, weeds and grasses hang together', () => {
  const turfs = Object.keys(herbicides[0]?.tolerance ?? {});
  it('has a full tolerance row for every product', () => {
    expect(turfs.length).toBe(13);
    for (const { tolerance } of herbicides)
      expect(Object.keys(tolerance).sort()).toEqual([...turfs].sort());
  });
  it('has an efficacy row for every weed, of known products', () => {
    expect(efficacyRows.map((row) => row.weed).sort()).toEqual(slugsOf(weeds).sort());
    for (const row of efficacyRows) {
      for (const slug of [...Object.keys(row.pre), ...Object.keys(row.post)]) {
        expect(herbicide(slug)).toBeDefined();
      }
    }
  });
  it('orders every pair of limits', () => {
    for (const h of herbicides) {
      expect(h.rate[0] ?? 0).toBeLessThanOrEqual(h.rate[1]);
      expect(h.maxPerApplication).toBeLessThanOrEqual(h.maxPerYear);
      expect(h.airF[0]).toBeLessThan(h.airF[1]);
      expect(h.waitBeforeSeedingWeeks[0]).toBeLessThanOrEqual(h.waitBeforeSeedingWeeks[1]);
      for (const part of h.tankMix ?? []) expect(herbicide(part.herbicide)?.unit).toBe(part.unit);
    }
  });
  it('caps every active that is sold in two products: their labels know nothing of each other', () => {
    const sold = new Map<string, string[]>();
    for (const { slug, actives, tankMix } of herbicides) {
      if (tankMix) continue;
      for (const active of actives?.map((part) => part.active) ?? [activeName(slug)]) {
        sold.set(active, [...(sold.get(active) ?? []), slug]);
      }
    }
    const capped = new Set(activeCaps.map(({ active }) => active));
    const open = [...sold].filter(([active, slugs]) => slugs.length > 1 && !capped.has(active));
    expect(open).toEqual([]);
  });
  it('weighs what is dry and pours what is not', () => {
    for (const { slug, form, unit } of herbicides) {
      if (form === 'dry-flowable') expect([slug, unit]).not.toEqual([slug, 'fl-oz']);
      if (form === 'granule') expect([slug, unit]).toEqual([slug, 'lb']);
      if (form === 'emulsion' || form === 'solution') expect([slug, unit]).toEqual([slug, 'fl-oz']);
    }
  });
  it('names in its rules only products, actives and groups that there are', () => {
    const known = new Set(herbicides.map(({ slug }) => slug));
    const named = [
      ...Object.keys(setbacks.well),
      ...Object.keys(carriedNutrients),
      ...applicationRules.contactProducts,
      ...toleranceOverrides.map((row) => row.herbicide),
    ];
    expect(named.filter((slug) => !known.has(slug))).toEqual([]);
    const actives = new Set(
      herbicides.flatMap(
        ({ slug, actives: parts }) => parts?.map(({ active }) => active) ?? [activeName(slug)],
      ),
    );
    expect(tankRules.antagonists.filter((active) => !actives.has(active))).toEqual([]);
    expect(activeCaps.filter(({ active }) => !actives.has(active))).toEqual([]);
    const groups = new Set(treatments.map(({ group }) => group));
    const ruled = [...Object.keys(groupYears), ...Object.keys(setbacks.water)];
    expect(ruled.filter((group) => !groups.has(group))).toEqual([]);
  });
  it('takes organic arsenicals off home lawns', () => {
    expect(herbicide('msma')?.residential).toBe('no');
  });
  it('knows the weeds of every emergence group and every grass that is a weed', () => {
    emergenceWindows.flatMap((w) => w.weeds).forEach((slug) => expect(weed(slug)).toBeDefined());
    Object.values(weedOfGrass).forEach((slug) => expect(weed(slug)).toBeDefined());
  });
  it('gives every desired grass one feeding calendar, and seeded ones one window', () => {
    for (const entry of grasses.filter(({ roles }) => roles.includes('desired'))) {
      const holds = (list: readonly { grasses: readonly GrassSlug[] }[]) =>
        list.filter((row) => row.grasses.includes(entry.slug)).length;
      expect(holds(feedingCalendars)).toBe(1);
      if (entry.seed) expect(holds(seedingWindows)).toBe(1);
    }
  });
});

describe('treatments', () => {
  it('are all there: 14 insecticides, 16 fungicides and more', () => {
    const count = (kind: string) => treatments.filter((entry) => entry.kind === kind).length;
    expect(count('insecticide')).toBeGreaterThanOrEqual(14);
    expect(count('fungicide')).toBeGreaterThanOrEqual(16);
    expect(herbicides.length).toBeGreaterThanOrEqual(40);
  });
  it('aim at causes that there are, and never rate over their own year', () => {
    const known = new Set(slugsOf(causes));
    for (const { slug, targets, ratePerAcre, maxPerYear } of treatments) {
      expect([slug, targets.filter((target) => !known.has(target))]).toEqual([slug, []]);
      if (ratePerAcre) expect(ratePerAcre[0]).toBeLessThanOrEqual(ratePerAcre[1]);
      if (ratePerAcre && maxPerYear !== null)
        expect(ratePerAcre[1]).toBeLessThanOrEqual(maxPerYear);
    }
  });
  it('have slugs of their own', () => {
    const slugs = [...slugsOf(treatments), ...slugsOf(herbicides)];
    expect(new Set(slugs).size).toBe(slugs.length);
  });
});
