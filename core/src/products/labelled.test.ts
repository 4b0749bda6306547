/** What a label of one's own makes of an entry of the library, field by field; figures are made up. */
import { carriedNutrients, fertilizer, herbicide, seedMix, treatment } from '../knowledge';
import { seedMixRate } from '../establish';
import { LIBRARY, shelfLabelSchema, shelfOf, type ShelfLabel } from '.';
import {
  labelledFertilizer,
  labelledHerbicide,
  labelledSeed,
  labelledTreatment,
  labelOddities,
  unitPrice,
} from './labelled';

const label = (kind: string, slug: string, fields: object = {}): ShelfLabel =>
  shelfLabelSchema.parse({
    id: '0190a000-0000-7000-8000-000000000001',
    base: { kind, slug },
    name: 'Made up',
    signalWord: 'warning',
    unit: 'lb',
    highPerAcre: 2,
    homeLawns: true,
    ...fields,
  });
const NOTHING = { reentryHours: null, siteBans: '', seedAfterWeeks: null, turf: [] };
const whole = {
  lowPerAcre: 0.5,
  maxPerYear: 4,
  maxApplications: 3,
  minIntervalDays: 33,
  airMinF: 41,
  airMaxF: 87,
  waterInIn: 0.4,
  rainfastHours: 5,
  reentryHours: 12,
  seedAfterWeeks: 30,
  seedBeforeWeeks: 7,
  siteBans: '  not at a pond ',
  packageAmount: 5,
  priceUsd: 100,
};

describe('a herbicide', () => {
  const library = herbicide('prodiamine')!;
  const { airF, water } = library;
  it('is the library’s without a label, of another kind, entry or out of use', () => {
    const plain = { ...library, nutrients: null, own: null, effectRate: library.rate, parts: null };
    for (const labels of [
      [],
      [label('treatment', 'prodiamine'.replace('prodiamine', 'imidacloprid'), { unit: 'fl-oz' })],
      [label('herbicide', 'dithiopyr', { unit: 'fl-oz' })],
      [label('herbicide', 'prodiamine', { inUse: false })],
      [label('herbicide', 'prodiamine', { unit: 'fl-oz' })],
      [{ ...label('herbicide', 'prodiamine'), base: null }],
    ]) {
      expect(labelledHerbicide(library, labels)).toEqual(plain);
    }
  });
  it('takes everything that the label says, in the library’s unit', () => {
    expect(labelledHerbicide(library, [label('herbicide', 'prodiamine', whole)])).toEqual({
      ...library,
      nutrients: null,
      parts: null,
      own: { reentryHours: 12, siteBans: 'not at a pond', seedAfterWeeks: 30, turf: [] },
      effectRate: library.rate,
      rate: [8, 32],
      maxPerApplication: 32,
      maxPerYear: 64,
      maxApplications: 3,
      minIntervalDays: 33,
      airF: [41, 87],
      rainfastHours: 5,
      water: { ...water, keepDryHours: 5 },
      seedlingAgeWeeks: 7,
      waitBeforeSeedingWeeks: [30, 30],
      residential: 'yes',
      signalWord: 'warning',
      // 100 $ for five pounds, by the ounce.
      usdPerUnitInvented: 1.25,
      rateCaps: {
        'kentucky-bluegrass': 24,
        'perennial-ryegrass': 24,
        'fine-fescue': 16,
        buffalograss: 24,
      },
    });
  });
  it('keeps the library’s where the label is silent', () => {
    const own = labelledHerbicide(library, [
      label('herbicide', 'prodiamine', { unit: 'oz', highPerAcre: 20, homeLawns: false }),
    ]);
    expect(own).toEqual({
      ...library,
      nutrients: null,
      parts: null,
      own: NOTHING,
      effectRate: library.rate,
      rate: [8, 20],
      maxPerApplication: 20,
      maxPerYear: 36.8,
      residential: 'no',
      signalWord: 'warning',
      rateCaps: {
        'kentucky-bluegrass': 20,
        'perennial-ryegrass': 20,
        'fine-fescue': 16,
        buffalograss: 20,
      },
    });
    expect([own.airF, own.water]).toEqual([airF, water]);
    const low = labelledHerbicide(library, [
      label('herbicide', 'prodiamine', { unit: 'oz', highPerAcre: 5 }),
    ]);
    expect([low.rate, low.maxPerYear]).toEqual([[5, 5], 36.8]);
    const high = labelledHerbicide(library, [
      label('herbicide', 'prodiamine', { unit: 'oz', highPerAcre: 50 }),
    ]);
    expect(high.maxPerYear).toBe(50);
  });
  it('counts an ounce as a sixteenth where the library has pounds', () => {
    const gluten = herbicide('corn-gluten-meal')!;
    const own = labelledHerbicide(gluten, [
      label('herbicide', gluten.slug, { unit: 'oz', highPerAcre: 8000 }),
    ]);
    expect(own.maxPerApplication).toBe(500);
    expect(own.nutrients).toEqual(carriedNutrients['corn-gluten-meal']);
  });
  it('reaches the library’s effect with less of a stronger bottle', () => {
    const strong = (actives: object[]) =>
      labelledHerbicide(library, [label('herbicide', 'prodiamine', { unit: 'oz', actives })]);
    const twice = strong([{ name: 'Prodiamine', amount: 130, unit: 'percent' }]);
    expect(twice.concentration).toEqual({ amount: 1.3, unit: 'fraction' });
    expect(twice.effectRate).toEqual([4, 18.4]);
    for (const actives of [
      [{ name: 'prodiamine', amount: 4, unit: 'lb-per-gal' }],
      [
        { name: 'prodiamine', amount: 30, unit: 'percent' },
        { name: 'other', amount: 30, unit: 'percent' },
      ],
    ]) {
      expect(strong(actives).concentration).toEqual(library.concentration);
      expect(strong(actives).effectRate).toEqual(library.rate);
    }
  });
  it('takes the strength of each active of a premix by its name, without salts and signs', () => {
    const mix = herbicide('threeway-amine')!;
    const own = labelledHerbicide(mix, [
      label('herbicide', mix.slug, {
        unit: 'fl-oz',
        actives: [
          { name: '2,4-D, dimethylamine salt', amount: 3, unit: 'lb-per-gal' },
          { name: 'DICAMBA', amount: 12, unit: 'percent' },
        ],
      }),
    ]);
    expect(own.actives).toEqual([
      { active: '2,4-d', amount: 3, unit: 'lb-per-gal' },
      { active: 'mecoprop-p', amount: 0.63, unit: 'lb-per-gal' },
      { active: 'dicamba', amount: 0.22, unit: 'lb-per-gal' },
    ]);
    expect(own.concentration).toEqual(mix.concentration);
  });
  it('takes grasses that the label does not name off it, and keeps the ratings of the others', () => {
    const own = labelledHerbicide(library, [
      label('herbicide', 'prodiamine', {
        unit: 'oz',
        turf: ['tall-fescue', 'zoysia-fine', 'annual-bluegrass'],
      }),
    ]);
    for (const [family, rating] of Object.entries(library.tolerance)) {
      const named = family === 'tall-fescue' || family === 'zoysia-fine';
      expect([family, own.tolerance[family]]).toEqual([family, named ? rating : 'not-labelled']);
    }
  });
  it('may be spread and feed beside', () => {
    const nutrients = { n: 19, p2o5: 0, k2o: 6, slowShare: 0.5 };
    const own = labelledHerbicide(library, [
      label('herbicide', 'prodiamine', { granular: true, nutrients }),
    ]);
    expect([own.form, own.nutrients]).toEqual(['granule', nutrients]);
  });
});

describe('a treatment', () => {
  const library = treatment('clothianidin')!;
  it('is the library’s without a label', () => {
    expect(labelledTreatment(library, [])).toEqual({ ...library, nutrients: null, own: null });
    expect(
      labelledTreatment(library, [label('treatment', library.slug, { unit: 'fl-oz' })]),
    ).toEqual({ ...library, nutrients: null, own: null });
  });
  it('takes what the label says', () => {
    expect(labelledTreatment(library, [label('treatment', library.slug, whole)])).toEqual({
      ...library,
      nutrients: null,
      own: { reentryHours: 12, siteBans: 'not at a pond', seedAfterWeeks: 30, turf: [] },
      ratePerAcre: [8, 32],
      maxPerYear: 64,
      maxApplications: 3,
      minIntervalDays: 33,
      waterInIn: 0.4,
      hotAboveF: 87,
      residential: 'yes',
      signalWord: 'warning',
    });
  });
  it('keeps the library’s where it is silent, and has a unit where the library has none', () => {
    const own = labelledTreatment(library, [
      label('treatment', library.slug, {
        homeLawns: false,
        granular: true,
        nutrients: { n: 15, p2o5: 0, k2o: 5, slowShare: 0 },
      }),
    ]);
    expect(own).toEqual({
      ...library,
      form: 'granule',
      nutrients: { n: 15, p2o5: 0, k2o: 5, slowShare: 0 },
      own: NOTHING,
      ratePerAcre: [32, 32],
      residential: 'no',
      signalWord: 'warning',
    });
    const open = treatment('tetraniliprole')!;
    const named = labelledTreatment(open, [
      label('treatment', open.slug, { unit: 'fl-oz', highPerAcre: 9 }),
    ]);
    expect([named.unit, named.ratePerAcre]).toEqual(['fl-oz', [9, 9]]);
  });
});

describe('a fertilizer', () => {
  const library = fertilizer('24-0-11-half-slow')!;
  const unlimited = {
    maxPerApplication: null,
    maxPerYear: null,
    maxApplications: null,
    minIntervalDays: null,
    residential: 'yes',
  };
  it('is the library’s without a label, or with one of a liquid', () => {
    for (const labels of [[], [label('fertilizer', library.slug, { unit: 'fl-oz' })]]) {
      expect(labelledFertilizer(library, labels)).toEqual({ ...library, own: null, ...unlimited });
    }
  });
  it('takes grade, bag and limits from the label; ounces count as such', () => {
    const own = labelledFertilizer(library, [
      label('fertilizer', library.slug, {
        ...whole,
        unit: 'oz',
        lowPerAcre: null,
        highPerAcre: 1600,
        maxPerYear: 3200,
        packageAmount: 640,
        homeLawns: false,
        nutrients: { n: 30, p2o5: 1, k2o: 4, slowShare: 0.1 },
      }),
    ]);
    expect(own).toEqual({
      ...library,
      grade: [30, 1, 4],
      slowShare: 0.1,
      // (30 · 0.9 + 4) over (24 · 0.5 + 11) times as salty.
      saltIndex: (library.saltIndex * 31) / 23,
      bagLb: 40,
      own: { reentryHours: 12, siteBans: 'not at a pond', seedAfterWeeks: 30, turf: [] },
      maxPerApplication: 100,
      maxPerYear: 200,
      maxApplications: 3,
      minIntervalDays: 33,
      residential: 'no',
    });
  });
  it('is never taken for less salty than the library’s, and keeps its grade and bag where none is said', () => {
    const mild = labelledFertilizer(library, [
      label('fertilizer', library.slug, {
        nutrients: { n: 10, p2o5: 0, k2o: 2, slowShare: 0.9 },
      }),
    ]);
    expect(mild.saltIndex).toBe(library.saltIndex);
    const plain = labelledFertilizer(library, [label('fertilizer', library.slug)]);
    expect(plain).toEqual({ ...library, ...unlimited, own: NOTHING, maxPerApplication: 2 });
  });
});

describe('seed', () => {
  const { slug, parts } = seedMix('mix-wear')!;
  const rate = (use: 'overseed' | 'new', bag = {}) =>
    seedMixRate({ slug, parts }, use, bag).bulkLbPer1000;
  it('is sold at 98 % pure and 85 % alive where no label says', () => {
    expect(labelledSeed(slug, parts, [])).toEqual({
      slug,
      parts,
      overseedLbPer1000: rate('overseed'),
      newLbPer1000: rate('new'),
      liveShare: 0.98 * 0.85,
      own: null,
    });
  });
  it('takes the rates of the bag, and works the other out by what comes up', () => {
    const own = labelledSeed(slug, parts, [
      label('seed', slug, { highPerAcre: 435.6, purityPct: 90, germinationPct: 80 }),
    ]);
    expect(own.newLbPer1000).toBeCloseTo(10, 9);
    expect(own.overseedLbPer1000).toBeCloseTo(
      rate('overseed', { purity: 0.9, germination: 0.8 }),
      9,
    );
    expect(own.liveShare).toBeCloseTo(0.72, 9);
    expect(own.own).toEqual(NOTHING);
    const both = labelledSeed(slug, parts, [
      label('seed', slug, { unit: 'oz', lowPerAcre: 16 * 217.8, highPerAcre: 16 * 435.6 }),
    ]);
    expect([both.overseedLbPer1000, both.newLbPer1000].map((lb) => lb.toFixed(6))).toEqual([
      '5.000000',
      '10.000000',
    ]);
    const liquid = labelledSeed(slug, parts, [label('seed', slug, { unit: 'fl-oz' })]);
    expect([liquid.newLbPer1000, liquid.own]).toEqual([rate('new'), null]);
  });
});

describe('the shelf', () => {
  it('has each kind by its slug, and nothing by another’s', () => {
    expect(LIBRARY.herbicide('prodiamine')?.slug).toBe('prodiamine');
    expect(LIBRARY.treatment('imidacloprid')?.slug).toBe('imidacloprid');
    expect(LIBRARY.fertilizer('25-0-10-quick')?.slug).toBe('25-0-10-quick');
    expect(LIBRARY.seed('mix-wear')?.parts).toHaveLength(2);
    expect(LIBRARY.seed('tall-fescue')?.parts).toEqual([{ species: 'tall-fescue', share: 1 }]);
    expect(LIBRARY.seed('st-augustine')).toBeUndefined();
    expect(LIBRARY.herbicide('imidacloprid')).toBeUndefined();
    expect(LIBRARY.treatment('prodiamine')).toBeUndefined();
    expect(LIBRARY.fertilizer('prodiamine')).toBeUndefined();
    expect(LIBRARY.inStore.size).toBe(0);
  });
  it('is put together once for a list of labels, and is the library for none', () => {
    const labels = [label('herbicide', 'prodiamine')];
    expect(shelfOf(labels)).toBe(shelfOf(labels));
    expect(shelfOf(labels)).not.toBe(shelfOf([...labels]));
    expect(shelfOf([])).toBe(LIBRARY);
  });
  it('has in store what is in use and there', () => {
    const kept = shelfOf([
      label('herbicide', 'prodiamine', { packages: 0.5 }),
      label('herbicide', 'dithiopyr', { unit: 'fl-oz', packages: 0 }),
      label('treatment', 'clothianidin', { packages: 2, inUse: false }),
      { ...label('seed', 'tall-fescue', { packages: 1 }), base: null },
    ]);
    expect([...kept.inStore]).toEqual(['prodiamine']);
  });
  it('knows the nutrients of whatever brought them, in pounds', () => {
    const shelf = shelfOf([
      label('treatment', 'clothianidin', {
        nutrients: { n: 15, p2o5: 2, k2o: 5, slowShare: 0.3 },
      }),
    ]);
    const of = (kind: string, slug: string, amount: number, unit = 'lb') =>
      shelf.nutrientsOf({ kind, slug, amount, unit });
    const close = (n: number, p2o5: number, k2o: number, slowShare: number, lb: number) => ({
      n: expect.closeTo(n, 9) as number,
      p2o5: expect.closeTo(p2o5, 9) as number,
      k2o: expect.closeTo(k2o, 9) as number,
      slowShare,
      lb: expect.closeTo(lb, 9) as number,
    });
    expect(of('fertilizer', '18-24-12-starter', 50)).toEqual(close(9, 12, 6, 0.2, 50));
    expect(of('treatment', 'clothianidin', 160, 'oz')).toEqual(close(1.5, 0.2, 0.5, 0.3, 10));
    expect(of('herbicide', 'corn-gluten-meal', 100)).toEqual(close(9.5, 0, 0, 1, 100));
    for (const [kind, slug] of [
      ['herbicide', 'prodiamine'],
      ['herbicide', 'nothing'],
      ['treatment', 'imidacloprid'],
      ['fertilizer', 'nothing'],
      ['seed', 'tall-fescue'],
      ['amendment', 'ground-limestone'],
    ] as const) {
      expect(of(kind, slug, 10)).toBeNull();
    }
  });
  it('holds a recipe to the strictest of its parts that have a label', () => {
    const recipe = LIBRARY.herbicides.find(({ tankMix }) => tankMix)!;
    const [first] = recipe.tankMix!;
    const part = herbicide(first!.herbicide)!;
    const own = shelfOf([
      label('herbicide', part.slug, {
        unit: part.unit,
        highPerAcre: part.rate[1],
        airMinF: 66,
        airMaxF: 71,
        seedBeforeWeeks: 40,
        seedAfterWeeks: 50,
        minIntervalDays: 99,
        maxApplications: 1,
        homeLawns: false,
      }),
    ]).herbicide(recipe.slug)!;
    expect(own).toMatchObject({
      airF: [66, 71],
      seedlingAgeWeeks: 40,
      waitBeforeSeedingWeeks: [50, 50],
      minIntervalDays: 99,
      maxApplications: 1,
      residential: 'no',
    });
    expect(own.parts!.map(({ product }) => product.own !== null)[0]).toBe(true);
    const mild = shelfOf([
      label('herbicide', part.slug, {
        unit: part.unit,
        highPerAcre: part.rate[1],
        airMinF: 0,
        airMaxF: 130,
        seedBeforeWeeks: 0,
        seedAfterWeeks: 0,
        minIntervalDays: 0,
        maxApplications: 300,
      }),
    ]).herbicide(recipe.slug)!;
    const { airF, seedlingAgeWeeks, waitBeforeSeedingWeeks, minIntervalDays } = recipe;
    expect(mild).toMatchObject({ airF, seedlingAgeWeeks, waitBeforeSeedingWeeks, minIntervalDays });
    expect([mild.maxApplications, mild.residential]).toEqual([
      recipe.maxApplications,
      recipe.residential,
    ]);
    expect(recipe.parts!.map(({ product, ratePerAcre }) => [product.slug, ratePerAcre])).toEqual(
      recipe.tankMix!.map(({ herbicide: slug, ratePerAcre }) => [slug, ratePerAcre]),
    );
  });
});

describe('what is odd about a label', () => {
  const odd = (kind: string, slug: string, fields: object = {}) =>
    labelOddities(
      label(kind, slug, { signalWord: 'danger', unit: 'oz', highPerAcre: 30, ...fields }),
    );
  const rules = (...asked: Parameters<typeof odd>) => odd(...asked).map(({ rule }) => rule);
  it('is nothing where it is like the library’s, or of a kind that is not compared', () => {
    expect(odd('herbicide', 'prodiamine')).toEqual([]);
    expect(odd('fertilizer', '25-0-10-quick', { highPerAcre: 9000 })).toEqual([]);
    expect(labelOddities({ ...label('seed', 'tall-fescue'), base: null })).toEqual([]);
  });
  it('is a rate a quarter over or under, and not a step less', () => {
    expect(odd('herbicide', 'prodiamine', { highPerAcre: 46.1 })).toEqual([
      { field: 'highPerAcre', rule: 'label-rate-high', inputs: { own: 46.1, library: 36.8 } },
    ]);
    expect(rules('herbicide', 'prodiamine', { highPerAcre: 46 })).toEqual([]);
    expect(odd('herbicide', 'prodiamine', { highPerAcre: 6.3 })).toEqual([
      { field: 'highPerAcre', rule: 'label-rate-low', inputs: { own: 6.3, library: 8 } },
    ]);
    expect(rules('herbicide', 'prodiamine', { highPerAcre: 6.4 })).toEqual([]);
    expect(rules('treatment', 'clothianidin', { highPerAcre: 15.9 })).toEqual(['label-rate-high']);
  });
  it('is a year, a milder signal word, another unit, a missing price and a home that is none', () => {
    expect(odd('herbicide', 'prodiamine', { maxPerYear: 46.1 })).toEqual([
      { field: 'maxPerYear', rule: 'label-year-high', inputs: { own: 46.1, library: 36.8 } },
    ]);
    expect(rules('herbicide', 'prodiamine', { maxPerYear: 46 })).toEqual([]);
    expect(odd('herbicide', 'prodiamine', { signalWord: 'none' })).toEqual([
      { field: 'signalWord', rule: 'label-signal', inputs: { own: 'none', library: 'caution' } },
    ]);
    expect(rules('herbicide', 'prodiamine', { signalWord: 'caution' })).toEqual([]);
    expect(odd('herbicide', 'prodiamine', { unit: 'fl-oz' })).toEqual([
      { field: 'unit', rule: 'label-unit', inputs: { own: 'fl-oz', library: 'oz' } },
    ]);
    // Ounces and pounds are told apart, and a weak granule is no high rate.
    expect(odd('herbicide', 'prodiamine', { unit: 'lb', highPerAcre: 2 })).toEqual([]);
    expect(
      rules('herbicide', 'prodiamine', {
        unit: 'lb',
        highPerAcre: 180,
        actives: [{ name: 'x', amount: 0.65, unit: 'percent' }],
      }),
    ).toEqual(['label-strength']);
    expect(odd('herbicide', 'prodiamine', { packageAmount: 5 })).toEqual([
      { field: 'priceUsd', rule: 'label-no-price', inputs: {} },
    ]);
    expect(rules('herbicide', 'prodiamine', { packageAmount: 5, priceUsd: 1 })).toEqual([]);
    expect(odd('herbicide', 'prodiamine', { homeLawns: false })).toEqual([
      { field: 'homeLawns', rule: 'label-not-home', inputs: {} },
    ]);
    expect(odd('herbicide', 'oxadiazon', { unit: 'lb', highPerAcre: 200 })).toEqual([
      { field: 'homeLawns', rule: 'label-home', inputs: {} },
    ]);
  });
  it('is a strength a quarter off, or in another form', () => {
    const strength = (amount: number, unit = 'percent') =>
      odd('herbicide', 'prodiamine', { actives: [{ name: 'x', amount, unit }] });
    expect(strength(65)).toEqual([]);
    expect(strength(81)).toEqual([]);
    expect(strength(82)).toEqual([
      { field: 'actives', rule: 'label-strength', inputs: { own: 0.82, library: 0.65 } },
    ]);
    expect(strength(53)).toEqual([]);
    expect(strength(51).map(({ rule }) => rule)).toEqual(['label-strength']);
    expect(strength(4, 'lb-per-gal')).toEqual([
      { field: 'actives', rule: 'label-form', inputs: {} },
    ]);
    expect(
      rules('herbicide', 'dithiopyr', {
        unit: 'fl-oz',
        actives: [{ name: 'x', amount: 2, unit: 'lb-per-gal' }],
      }),
    ).not.toContain('label-form');
  });
  it('is turf on it that the library has injured', () => {
    expect(odd('herbicide', 'atrazine', { unit: 'fl-oz', turf: ['tall-fescue'] })).toContainEqual({
      field: 'turf',
      rule: 'label-turf',
      inputs: { grasses: 'tall-fescue' },
    });
    expect(rules('herbicide', 'prodiamine', { turf: ['tall-fescue', 'zoysia-fine'] })).toEqual([]);
    expect(rules('herbicide', 'prodiamine', { turf: ['annual-bluegrass'] })).toEqual([]);
  });
  it('has a price only with a package', () => {
    expect(unitPrice(label('herbicide', 'prodiamine', whole))).toBe(20);
    expect(unitPrice(label('herbicide', 'prodiamine', { priceUsd: 5 }))).toBeNull();
    expect(unitPrice(label('herbicide', 'prodiamine', { packageAmount: 5 }))).toBeNull();
  });
});

describe('a label as it is typed', () => {
  const faults = (fields: object) => {
    const parsed = shelfLabelSchema.safeParse({ ...label('herbicide', 'prodiamine'), ...fields });
    return parsed.success
      ? []
      : parsed.error.issues.map(({ path, message }) => [path.join('.'), message]);
  };
  const nutrients = (n: number, p2o5: number, k2o: number) => ({ n, p2o5, k2o, slowShare: 0 });
  it('says at the field what cannot be', () => {
    expect(faults({ lowPerAcre: 2 })).toEqual([]);
    expect(faults({ lowPerAcre: 2.1 })).toEqual([
      ['lowPerAcre', 'the low rate is above the high one'],
    ]);
    expect(faults({ maxPerYear: 2 })).toEqual([]);
    expect(faults({ maxPerYear: 1.9 })).toEqual([
      ['maxPerYear', 'a year allows less than one application'],
    ]);
    expect(faults({ airMinF: 60, airMaxF: 61 })).toEqual([]);
    expect(faults({ airMinF: 60, airMaxF: 60 })).toEqual([
      ['airMinF', 'the lowest air is not below the highest'],
    ]);
    expect(faults({ name: '' })).toEqual([['name', 'name it']]);
    expect(faults({ highPerAcre: 0 })).toEqual([['highPerAcre', 'above 0']]);
  });
  it('weighs what feeds and what is spread', () => {
    expect(faults({ nutrients: nutrients(50, 30, 20) })).toEqual([]);
    expect(faults({ nutrients: nutrients(50, 30, 21) })).toEqual([
      ['nutrients', 'more nutrients than weight'],
    ]);
    for (const unit of ['oz', 'lb']) {
      expect(faults({ unit, granular: true, nutrients: nutrients(1, 0, 0) })).toEqual([]);
    }
    for (const unit of ['fl-oz', 'million']) {
      expect(faults({ unit, granular: true, nutrients: nutrients(1, 0, 0) })).toEqual([
        ['nutrients', 'nutrients are a share of a weight: oz or lb'],
        ['granular', 'granules are weighed: oz or lb'],
      ]);
    }
  });
  it.each([
    ['herbicide', 'prodiamine', 'imidacloprid'],
    ['treatment', 'imidacloprid', 'prodiamine'],
    ['fertilizer', '25-0-10-quick', 'prodiamine'],
    ['seed', 'mix-wear', 'mix-nothing'],
    ['seed', 'tall-fescue', 'st-augustine'],
  ])('is of a %s that the library has', (kind, has, hasNot) => {
    expect(faults({ base: { kind, slug: has } })).toEqual([]);
    expect(faults({ base: { kind, slug: hasNot } })).toEqual([
      ['base', 'the library has no such entry'],
    ]);
  });
});
