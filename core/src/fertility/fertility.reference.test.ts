/** Worked examples: growth potential (Gelernter & Stowell 2005), salt load (Rader, White & Whittaker 1943). */
import { LIBRARY } from '../products';
import {
  growthPotential,
  nitrogenByMonth,
  productForNutrient,
  saltLoad,
  saltLoadLimit,
  feedingRate,
} from '.';

const COOL = [30, 34, 43, 54, 64, 73, 77, 75, 68, 56, 45, 35];
const WARM = [45, 49, 56, 64, 72, 79, 82, 81, 76, 65, 55, 47];

describe('growth potential', () => {
  it.each([
    [64, 'cool', 0.9406],
    [77, 'cool', 0.6368],
    [68, 'cool', 0.9988],
    [82, 'warm', 0.9003],
    [45, 'warm', 0.0019],
  ] as const)('%d °F, %s', (mean, season, expected) =>
    expect(growthPotential(mean, season)).toBeCloseTo(expected, 4),
  );
  it('EX-2.12: splits 3.5 lb N over a cool-season year', () => {
    const months = nitrogenByMonth(3.5, COOL, 'cool');
    [0.001, 0.002, 0.033, 0.268, 0.627, 0.573, 0.425, 0.503, 0.666, 0.344, 0.053, 0.003].forEach(
      (lb, i) => expect(months[i]).toBeCloseTo(lb, 3),
    );
    expect(months.reduce((a, b) => a + b, 0)).toBeCloseTo(3.5, 9);
  });
  it('EX-2.13: splits 3.0 lb N over a warm-season year', () => {
    const months = nitrogenByMonth(3, WARM, 'warm');
    [0.326, 0.584, 0.676, 0.648].forEach((lb, i) => expect(months[4 + i]).toBeCloseTo(lb, 3));
  });
});

describe('product, nutrient and salt', () => {
  it.each([
    [46, 2.174],
    [38, 2.632],
    [21, 4.762],
    [16, 6.25],
    [6, 16.67],
  ])('1 lb N per 1000 ft² from %d %%', (percent, lb) =>
    expect(productForNutrient(1, percent)).toBeCloseTo(lb, 2),
  );
  it.each([
    ['urea, 0.5 lb N', saltLoad(productForNutrient(0.5, 46), 75.4), 0.8196],
    ['ammonium sulfate, 0.5 lb N', saltLoad(productForNutrient(0.5, 21.2), 69), 1.627],
    ['24-0-11 blend, 1 lb N', saltLoad(productForNutrient(1, 24), 60.66), 2.528],
  ])('%s', (_, got, expected) => expect(Math.abs(got - expected)).toBeLessThan(0.001));
  it('lowers the limit in heat and on dry topsoil', () => {
    expect(saltLoadLimit({ airHighF: 75 })).toBe(3);
    expect(saltLoadLimit({ airHighF: 84 })).toBe(1.5);
    expect(saltLoadLimit({ airHighF: 95, dryTopsoil: true })).toBeCloseTo(0.4, 9);
  });
});

describe('the rate of one feeding', () => {
  const feed = (fields: Partial<Parameters<typeof feedingRate>[0]> = {}) =>
    feedingRate(
      {
        grasses: ['tall-fescue'],
        wantedLbPer1000: 1,
        airHighF: 70,
        month: 9,
        irrigated: false,
        slowShare: 0.5,
        givenLbPer1000: 0,
        ...fields,
      },
      LIBRARY,
    );
  it('gives what is wanted when nothing stands in the way', () => {
    expect(feed()).toMatchObject({ nLbPer1000: 1, limitedBy: 'wanted' });
  });
  it('feeds cool-season turf nothing in heat unless it is watered (common practice)', () => {
    expect(feed({ airHighF: 87, month: 7 })).toBeNull();
    expect(feed({ airHighF: 87, month: 7, irrigated: true })).toMatchObject({
      nLbPer1000: 0.5,
      limitedBy: 'heat',
    });
    expect(feed({ airHighF: 92, month: 7, irrigated: true })?.nLbPer1000).toBeLessThanOrEqual(0.25);
  });
  it('does not hold warm-season turf back for heat, only for salt', () => {
    expect(feed({ grasses: ['bermuda-hybrid'], airHighF: 92, month: 7 })).toMatchObject({
      limitedBy: 'salt',
    });
  });
  it('takes the most sparing grass of a mixed stand', () => {
    expect(feed({ grasses: ['tall-fescue', 'fine-fescue'] })?.nLbPer1000).toBe(1);
    expect(feed({ grasses: ['centipede'] })?.nLbPer1000).toBe(0.5);
  });
  it('stops at the year’s amount', () => {
    expect(feed({ givenLbPer1000: 3.6 })).toMatchObject({ nLbPer1000: 0.4, limitedBy: 'year' });
    expect(feed({ givenLbPer1000: 4 })).toBeNull();
  });
});
