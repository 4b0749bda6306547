/** Materials as they are recorded, amounts as tools measure them, and what of a mix has no card (common practice). */
import { LIBRARY, shelfLabelSchema, shelfOf } from '../products';
import {
  activesOf,
  activesPerAcre,
  carrierVolume,
  granuleJob,
  materialRatePerAcre,
  materialSchema,
  measuredAmount,
  measuredWater,
  meanResidual,
  mixCard,
  mixComponents,
  residualShare,
} from '.';

describe('a material', () => {
  const faults = (material: object) => {
    const parsed = materialSchema.safeParse(material);
    return parsed.success
      ? []
      : parsed.error.issues.map(({ path, message }) => [path.join('.'), message]);
  };
  it.each([
    ['herbicide', 'prodiamine', 'oz'],
    ['herbicide', 'dithiopyr', 'fl-oz'],
    ['treatment', 'imidacloprid', 'fl-oz'],
    ['treatment', 'trichlorfon', 'lb'],
    ['fertilizer', '25-0-10-quick', 'lb'],
    ['amendment', 'ground-limestone', 'lb'],
    ['seed', 'tall-fescue', 'lb'],
  ])('%s %s is measured in %s', (kind, slug, unit) => {
    expect(faults({ kind, slug, amount: 1, unit })).toEqual([]);
    expect(faults({ kind, slug, amount: 0, unit })).toEqual([['amount', 'an amount is above 0']]);
    for (const other of ['oz', 'fl-oz', 'lb'].filter((own) => own !== unit)) {
      expect(faults({ kind, slug, amount: 1, unit: other }).map(([path]) => path)).toEqual([
        'unit',
      ]);
    }
  });
  it('says which unit the product has', () => {
    expect(faults({ kind: 'herbicide', slug: 'prodiamine', amount: 1, unit: 'lb' })).toEqual([
      ['unit', 'prodiamine is measured in oz, not in lb'],
    ]);
    expect(faults({ kind: 'treatment', slug: 'trichlorfon', amount: 1, unit: 'oz' })).toEqual([
      ['unit', 'trichlorfon is measured in lb, not in oz'],
    ]);
  });
  it('leaves the unit to the label where the library has none', () => {
    for (const unit of ['oz', 'fl-oz', 'lb']) {
      expect(faults({ kind: 'treatment', slug: 'tetraniliprole', amount: 1, unit })).toEqual([]);
    }
  });
  it.each([
    ['herbicide', 'unknown herbicide'],
    ['treatment', 'unknown treatment'],
    ['fertilizer', 'unknown fertilizer'],
  ])('is a %s that there is', (kind, message) => {
    expect(faults({ kind, slug: 'nothing', amount: 1, unit: 'lb' })[0]).toEqual(['slug', message]);
  });
  it('has a rate an acre', () => {
    expect(materialRatePerAcre({ amount: 2 }, 4356)).toBeCloseTo(20, 12);
  });
});

describe('an amount', () => {
  it.each([
    [0.99, 'fl-oz', { value: 29, unit: 'mL', tool: 'syringe' }],
    [1, 'fl-oz', { value: 1, unit: 'fl-oz', tool: 'cup' }],
    [7.99, 'oz', { value: 226.5, unit: 'g', tool: 'scale' }],
    [8, 'oz', { value: 8, unit: 'oz', tool: 'scale' }],
    [0.99, 'lb', { value: 15.8, unit: 'oz', tool: 'scale' }],
    [1, 'lb', { value: 1, unit: 'lb', tool: 'scale' }],
    [12.34, 'lb', { value: 12.3, unit: 'lb', tool: 'scale' }],
  ] as const)('%d %s', (amount, unit, { value, unit: in_, tool }) => {
    const measured = measuredAmount(amount, unit);
    expect([measured.value, measured.unit, measured.tool]).toEqual([value, in_, tool]);
    expect(measured.exact).toBeGreaterThanOrEqual(measured.value - 1e-9);
  });
  it('is none for a recipe', () => {
    expect(() => measuredAmount(1, 'dose')).toThrow(
      'a tank-mix recipe is measured by its components',
    );
  });
  it('of water is read to a hundredth', () => expect(measuredWater(1.239)).toBeCloseTo(1.23, 9));
});

describe('what has no card, and what is spread', () => {
  const job = { areaFt2: 5000, carrierGalPer1000: 1, tankGal: 4 };
  const card = (herbicide: string, ratePerAcre: number, shelf = LIBRARY) =>
    mixCard({ ...job, products: [{ herbicide, ratePerAcre }] }, shelf);
  it('refuses what is for no home lawn, and over the label', () => {
    expect(card('msma', 20)).toMatchObject({
      refused: [{ rule: 'not-for-home-lawns', herbicide: 'msma' }],
      full: null,
      last: null,
    });
    expect(card('quinclorac', 16.1).refused).toEqual([
      { rule: 'rate-over-label', herbicide: 'quinclorac', rate: 16.1, max: 16, unit: 'oz' },
    ]);
    expect(card('quinclorac', 16.01).refused).toEqual([]);
  });
  it('says which batch would do where none of this size can be measured', () => {
    const tiny = mixCard(
      {
        areaFt2: 300,
        carrierGalPer1000: 2,
        tankGal: 0.5,
        products: [{ herbicide: 'metsulfuron', ratePerAcre: 0.02 }],
      },
      LIBRARY,
    );
    const [refusal] = tiny.refused;
    expect(refusal?.rule).toBe('batch-too-small');
    if (refusal?.rule !== 'batch-too-small') return;
    expect(refusal.coversFt2).toBeCloseTo(refusal.gallons * 500, 6);
  });
  it('spreads granules, and pours none of them', () => {
    const spread = card('corn-gluten-meal', 435.6);
    expect(spread.spread).toEqual([
      {
        herbicide: 'corn-gluten-meal',
        lbPer1000: expect.closeTo(10, 9) as number,
        totalLb: expect.closeTo(50, 9) as number,
      },
    ]);
    expect([spread.full, spread.last, spread.kills]).toEqual([null, null, false]);
    expect(card('oxadiazon', 150).spread).toEqual([]);
    expect(card('glyphosate', 32).kills).toBe(true);
  });
  it('spreads by the pound what the library counts in ounces', () => {
    const own = shelfOf([
      shelfLabelSchema.parse({
        id: '0190a000-0000-7000-8000-000000000002',
        base: { kind: 'herbicide', slug: 'prodiamine' },
        name: 'Made up',
        signalWord: 'caution',
        unit: 'lb',
        highPerAcre: 174.24,
        granular: true,
        homeLawns: true,
      }),
    ]);
    const perAcre = own.herbicide('prodiamine')!.rate[1];
    expect(card('prodiamine', perAcre, own).spread).toEqual([
      {
        herbicide: 'prodiamine',
        lbPer1000: expect.closeTo(4, 9) as number,
        totalLb: expect.closeTo(20, 9) as number,
      },
    ]);
  });
  it('carries twice the water for what only burns what it touches, and for the soil', () => {
    const volume = (herbicide: string, mode: 'pre' | 'post') =>
      carrierVolume([{ herbicide, ratePerAcre: 10 }], mode, LIBRARY);
    expect([volume('diquat', 'post'), volume('quinclorac', 'post')]).toEqual([2, 1]);
    expect([volume('prodiamine', 'pre'), volume('quinclorac', 'pre')]).toEqual([2, 2]);
  });
  it('pours water, what is dry, its surfactant or oil, and water, each to the mark', () => {
    const rateOf = (perAcre: number) => expect.closeTo(perAcre / 43.56, 9) as number;
    const amount = (value: number, unit: string, tool: string, exact: number) => ({
      value,
      unit,
      tool,
      exact: expect.closeTo(exact, 4) as number,
    });
    const both = mixCard(
      {
        ...job,
        products: [
          { herbicide: 'halosulfuron', ratePerAcre: 1.33 },
          { herbicide: 'quinclorac', ratePerAcre: 16 },
        ],
      },
      LIBRARY,
    );
    // Halosulfuron asks for a surfactant, quinclorac for oil: oil already wets the leaf.
    expect(both.full).toEqual({
      gallons: 4,
      coversFt2: 4000,
      pours: [
        { kind: 'water-first', gallons: 2 },
        {
          kind: 'product',
          herbicide: 'halosulfuron',
          amount: amount(3.4, 'g', 'scale', 3.4623),
          ratePer1000: rateOf(1.33),
          rateUnit: 'oz',
        },
        {
          kind: 'product',
          herbicide: 'quinclorac',
          amount: amount(41.6, 'g', 'scale', 41.6522),
          ratePer1000: rateOf(16),
          rateUnit: 'oz',
        },
        {
          kind: 'adjuvant',
          adjuvant: 'methylated-seed-oil',
          percent: 1,
          amount: amount(5.1, 'fl-oz', 'cup', 5.12),
        },
        { kind: 'water-fill', gallons: 4 },
      ],
    });
    expect(both.last?.pours.map(({ kind }) => kind)).toEqual(
      both.full?.pours.map(({ kind }) => kind),
    );
    const small = card('sulfentrazone-metsulfuron', 2).last!;
    expect(small.pours.filter(({ kind }) => kind === 'adjuvant')).toMatchObject([
      { adjuvant: 'non-ionic', percent: 0.25 },
    ]);
    // What its label leaves open is poured by nobody.
    expect(card('threeway-amine', 64).full!.pours.map(({ kind }) => kind)).toEqual([
      'water-first',
      'product',
      'water-fill',
    ]);
  });
  it('names the strictest care of all in the tank', () => {
    const own = shelfOf([
      shelfLabelSchema.parse({
        id: '0190a000-0000-7000-8000-000000000001',
        base: { kind: 'herbicide', slug: 'quinclorac' },
        name: 'Made up',
        signalWord: 'none',
        unit: 'oz',
        highPerAcre: 16,
        reentryHours: 9,
        rainfastHours: 11,
        siteBans: 'no ponds',
        homeLawns: true,
      }),
    ]);
    const { cautions } = mixCard(
      {
        ...job,
        products: [
          { herbicide: 'quinclorac', ratePerAcre: 16 },
          { herbicide: 'threeway-amine', ratePerAcre: 64 },
        ],
      },
      own,
    );
    expect(cautions).toEqual({
      signalWord: 'danger',
      ppe: [...new Set([...own.herbicide('quinclorac')!.ppe, 'gloves', 'goggles'])],
      rainfastHours: 11,
      keepDryHours: 24,
      waterInInches: null,
      waterInWithinDays: null,
      restrictedUse: false,
      reentryHours: 9,
      siteBans: ['no ponds'],
      cleanTank: true,
    });
    const soil = mixCard(
      { ...job, products: [{ herbicide: 'prodiamine', ratePerAcre: 12 }] },
      LIBRARY,
    ).cautions;
    expect([soil.waterInInches, soil.waterInWithinDays, soil.cleanTank]).toEqual([
      [0.5, 0.5],
      14,
      false,
    ]);
  });
});

describe('what is in a product', () => {
  it('adds an active of two parts up, and names each once', () => {
    expect(activesOf(LIBRARY.herbicide('threeway-amine')!)).toEqual([
      '2,4-d',
      'mecoprop-p',
      'dicamba',
    ]);
    // 64 fl oz are half a gallon.
    const doses = activesPerAcre(LIBRARY.herbicide('threeway-amine')!, 64);
    expect(doses.map(({ lbPerAcre }) => lbPerAcre.toFixed(3))).toEqual(['1.220', '0.315', '0.110']);
    expect(activesPerAcre(LIBRARY.herbicide('prodiamine')!, 16)[0]!.lbPerAcre).toBeCloseTo(0.65, 9);
    expect(activesPerAcre(LIBRARY.herbicide('oxadiazon')!, 100)[0]!.lbPerAcre).toBeCloseTo(2, 9);
  });
  it('takes a recipe apart by its dose', () => {
    const recipe = LIBRARY.herbicides.find(({ tankMix }) => tankMix)!;
    const parts = mixComponents([{ herbicide: recipe.slug, ratePerAcre: 0.5 }], LIBRARY);
    expect(parts.map(({ product, ratePerAcre }) => [product.slug, ratePerAcre])).toEqual(
      recipe.tankMix!.map(({ herbicide, ratePerAcre }) => [herbicide, ratePerAcre / 2]),
    );
    expect(() => mixComponents([{ herbicide: 'nothing', ratePerAcre: 1 }], LIBRARY)).toThrow(
      'unknown herbicide "nothing"',
    );
  });
});

describe('what a pre-emergent still holds', () => {
  it('all of it to the short end, half at the long one, nothing from one and a half times that on', () => {
    const share = [0, 4, 5, 6, 7.5, 9, 12].map((weeks) => residualShare(weeks, [4, 6]));
    expect(share).toEqual([1, 1, 0.75, 0.5, expect.closeTo(0.25, 9), 0, 0]);
  });
  it('on the mean of its weeks', () => {
    expect(meanResidual(0, [4, 6])).toBe(1);
    expect(meanResidual(4, [4, 6])).toBe(1);
    expect(meanResidual(8, [4, 6])).toBeCloseTo((4 + 0.875 + 0.625 + 5 / 12 + 0.25) / 8, 9);
  });
});

it('a job of granules leaves what the last bag still holds', () => {
  const job = granuleJob(3, 6800, 8);
  expect([job.bags, job.bagCoversFt2]).toEqual([3, expect.closeTo(8000 / 3, 6)]);
  expect(job.leftOverLb).toBeCloseTo(3.6, 9);
});
