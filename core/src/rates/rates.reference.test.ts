/**
 * Sprayer, spreader and mixing arithmetic: worked examples (unit algebra; the rates are
 * illustrations, not label rates) and the test vectors of the weed tables.
 */
import {
  activesPerAcre,
  adjuvantFluidOunces,
  calibrationDistance,
  flowAtPressure,
  gallonsPerAcre,
  granuleJob,
  mixCard,
  measuredAmount,
  nextSetting,
  nozzleFlow,
  overlapDoseFactor,
  residualShare,
  speedDoseFactor,
  speedMph,
  tankLoads,
} from '.';
import { LIBRARY, type ShelfHerbicide } from '../products';

const product = (slug: string): ShelfHerbicide => LIBRARY.herbicide(slug) as ShelfHerbicide;

describe('nozzles, speed and swath', () => {
  it.each([
    ['0.40 gpm, 3 mph, 20 in', gallonsPerAcre(0.4, 3, 20), 39.6],
    ['boomless 3.0 gpm, 4 mph, 120 in', gallonsPerAcre(3, 4, 120), 37.13],
    ['0.20 gpm, 3 mph, 20 in', gallonsPerAcre(0.2, 3, 20), 19.8],
    ['flow for 40 gpa', nozzleFlow(40, 3, 20), 0.404],
    ['88 ft in 22 s', speedMph(88, 22), 2.727],
    ['100 ft in 17 s', speedMph(100, 17), 4.011],
    ['1/128 acre, 20 in', calibrationDistance(20 / 12), 204.2],
    ['1/128 acre, 3 ft', calibrationDistance(3), 113.4],
    ['0.40 gpm at 40 psi, at 30', flowAtPressure(0.4, 40, 30), 0.3464],
    ['calibrated 3.0, walked 2.5', speedDoseFactor(3, 2.5), 1.2],
    ['calibrated 3.0, walked 2.4', speedDoseFactor(3, 2.4), 1.25],
    ['10 % overlap', overlapDoseFactor(0.1), 1.111],
    ['2 % in 3 gal', adjuvantFluidOunces(2, 3), 7.68],
    ['0.25 % in 4 gal', adjuvantFluidOunces(0.25, 4), 1.28],
  ])('%s', (_, got, expected) => expect(Math.abs(got / expected - 1)).toBeLessThan(6e-4));
});

describe('loads of a tank', () => {
  it('18,750 ft² at 2 gal/k from 15 gal: two full and 7.5', () => {
    expect(tankLoads(37.5, 15)).toMatchObject({ fullLoads: 2, lastGallons: 7.5, equalized: false });
  });
  it('31,400 ft² at 1.15 gal/k from a 4-gal pack: ten equal loads of 3.611', () => {
    const loads = tankLoads(36.11, 4);
    expect(loads).toMatchObject({ fullLoads: 10, lastGallons: 0, equalized: true });
    expect(loads.gallonsEach).toBeCloseTo(3.611, 3);
  });
  it('a job that fills the tank exactly has no last load', () => {
    expect(tankLoads(8, 4)).toMatchObject({ fullLoads: 2, lastGallons: 0 });
  });
});

describe('active ingredient', () => {
  const lb = (slug: string, rate: number, active: string) =>
    activesPerAcre(product(slug), rate).find((dose) => dose.active === active)?.lbPerAcre;
  it.each([
    ['64 fl oz three-way amine: 2,4-D', lb('threeway-amine', 64, '2,4-d'), 1.22],
    ['64 fl oz with carfentrazone: 2,4-D', lb('threeway-carfentrazone', 64, '2,4-d'), 0.765],
    ['36.8 oz prodiamine 65 %', lb('prodiamine', 36.8, 'prodiamine'), 1.495],
    ['recipe: mesotrione 5 fl oz', lb('tank-mesotrione-triclopyr', 1, 'mesotrione'), 0.15625],
    ['recipe: triclopyr 16 fl oz', lb('tank-mesotrione-triclopyr', 1, 'triclopyr'), 0.5],
  ])('%s', (_, got, expected) => expect(got).toBeCloseTo(expected, 3));
});

describe('amounts as the tool shows them', () => {
  it('weighs small dry amounts, in grams and downwards', () => {
    const amount = measuredAmount((0.25 / 43.56) * 8.2, 'oz');
    expect(amount).toMatchObject({ unit: 'g', tool: 'scale', value: 1.3 });
    expect(amount.exact).toBeCloseTo(1.334, 3);
  });
  it('draws small liquids by syringe and pours large ones by cup', () => {
    expect(measuredAmount(0.0827, 'fl-oz')).toMatchObject({ unit: 'mL', value: 2 });
    expect(measuredAmount(9.4, 'fl-oz')).toMatchObject({ unit: 'fl-oz', value: 9.4 });
  });
  it('shows nothing under the first mark of its tool: a larger batch is mixed then', () => {
    expect(measuredAmount(0.0035, 'oz').value).toBe(0);
    expect(measuredAmount(0.0036, 'oz').value).toBe(0.1);
    expect(measuredAmount(0.0169, 'fl-oz').value).toBe(0);
    expect(measuredAmount(0.017, 'fl-oz').value).toBe(0.5);
  });
  it('will not measure a recipe as a dose', () => {
    expect(() => measuredAmount(1, 'dose')).toThrow(RangeError);
  });
});

describe('the mix card', () => {
  const card = mixCard(
    {
      products: [
        { herbicide: 'threeway-amine', ratePerAcre: 64 },
        { herbicide: 'halosulfuron', ratePerAcre: 1.33 },
      ],
      areaFt2: 6000,
      carrierGalPer1000: 1,
      tankGal: 4,
    },
    LIBRARY,
  );
  it('fills water, dry product, solution, surfactant, water', () => {
    expect(
      card.full?.pours.map((pour) => (pour.kind === 'product' ? pour.herbicide : pour.kind)),
    ).toEqual(['water-first', 'halosulfuron', 'threeway-amine', 'adjuvant', 'water-fill']);
  });
  it('splits over loads without losing anything: 5.19 g and 260.7 mL in all', () => {
    const amounts = (slug: string) =>
      [card.full, card.last].map((load, i) => {
        const pour = load?.pours.find((p) => p.kind === 'product' && p.herbicide === slug);
        const times = i === 0 ? card.loads.fullLoads : 1;
        return pour?.kind === 'product'
          ? { unit: pour.amount.unit, exact: pour.amount.exact * times }
          : null;
      });
    const grams = amounts('halosulfuron').reduce((sum, a) => sum + (a?.exact ?? 0), 0);
    expect(grams).toBeCloseTo(5.19, 2);
    const fluid = amounts('threeway-amine').reduce((sum, a) => sum + (a?.exact ?? 0), 0);
    expect(fluid * 29.5735).toBeCloseTo(260.7, 1);
  });
  it('mixes no less than a gallon, and says how little is needed', () => {
    const small = mixCard(
      {
        products: [{ herbicide: 'threeway-amine', ratePerAcre: 64 }],
        areaFt2: 130,
        carrierGalPer1000: 1,
        tankGal: 4,
      },
      LIBRARY,
    );
    expect(small.neededGallons).toBeCloseTo(0.13, 9);
    expect(small.last).toMatchObject({ gallons: 1, coversFt2: 1000 });
    expect(card.neededGallons).toBeNull();
  });
  it('covers the area', () => {
    const covered =
      (card.full?.coversFt2 ?? 0) * card.loads.fullLoads + (card.last?.coversFt2 ?? 0);
    expect(covered).toBeCloseTo(6000, 6);
  });
  it('takes recipes apart and names the stricter caution', () => {
    const recipe = mixCard(
      {
        products: [{ herbicide: 'tank-mfd-metsulfuron', ratePerAcre: 1 }],
        areaFt2: 1000,
        carrierGalPer1000: 1,
        tankGal: 4,
      },
      LIBRARY,
    );
    expect(recipe.last?.pours.filter((pour) => pour.kind === 'product')).toHaveLength(2);
    expect(recipe.cautions.cleanTank).toBe(true);
  });
  it('knows no product it has not', () => {
    expect(() =>
      mixCard(
        {
          products: [{ herbicide: 'x', ratePerAcre: 1 }],
          areaFt2: 1,
          carrierGalPer1000: 1,
          tankGal: 1,
        },
        LIBRARY,
      ),
    ).toThrow(RangeError);
  });
});

describe('spreaders', () => {
  it('4 lb/k on 6,800 ft² in two passes', () => {
    expect(granuleJob(4, 6800, 50)).toMatchObject({ totalLb: 27.2, lbPerPass: 13.6, bags: 1 });
  });
  it('1 lb N/k from 24 % on 7,500 ft²: 31.25 lb', () => {
    expect(granuleJob(1 / 0.24, 7500, 50).totalLb).toBeCloseTo(31.25, 6);
  });
  it('a bag of 16 lb at 3.2 lb/k covers 5,000 ft²', () => {
    expect(granuleJob(3.2, 5000, 16)).toMatchObject({ bags: 1, bagCoversFt2: 5000 });
  });
  it('132 g caught for 111.1 wanted from setting 10: try 8.419', () => {
    expect(nextSetting(10, 132, 111.13)).toBeCloseTo(8.419, 3);
  });
});

describe('what is left of a pre-emergent', () => {
  it.each([
    [75, 7, [6, 8], 56.25],
    [94, 18, [12, 24], 70.5],
    [90, 16, [8, 12], 15],
    [90, 8, [8, 12], 90],
    [75, 12, [6, 8], 0],
  ] as const)('%d %% after %d weeks', (full, weeks, range, left) =>
    expect(full * residualShare(weeks, range)).toBeCloseTo(left, 6),
  );
});
