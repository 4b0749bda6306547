/** Poured amounts against their rates: tools and steps are common practice. */
import fc from 'fast-check';
import { LIBRARY } from '../products';
import { perAcre, toPer1000 } from '../units';
import { cases } from '../units/testdata/cases';
import { batchOf } from './batch';
import { mixCard } from './mixCard';

const sprayed = LIBRARY.herbicides.filter(
  ({ residential, tankMix, form }) => residential !== 'no' && !tankMix && form !== 'granule',
);

it('pours never over the rate and at most 5 % under it, or says what would', () => {
  let larger = 0;
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.constantFrom(...sprayed), { minLength: 1, maxLength: 2 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 200, max: 20_000, noNaN: true }),
      fc.constantFrom(1, 1.5, 2, 4),
      fc.constantFrom(1, 2, 4, 15, 100),
      (products, share, areaFt2, carrierGalPer1000, tankGal) => {
        const card = mixCard(
          {
            products: products.map(({ slug, rate: [low, high] }) => ({
              herbicide: slug,
              ratePerAcre: (low ?? high) + share * (high - (low ?? high)),
            })),
            areaFt2,
            carrierGalPer1000,
            tankGal,
          },
          LIBRARY,
        );
        if (card.largerFor === 'measuring') larger += 1;
        const loads = [card.full, card.last].flatMap((load) => load ?? []);
        expect(loads.length > 0).toBe(card.refused.length === 0);
        for (const { pours, gallons } of loads) {
          expect(gallons).toBeLessThanOrEqual(tankGal + 1e-9);
          for (const pour of pours) {
            if (pour.kind !== 'product') continue;
            expect(pour.amount.value).toBeLessThanOrEqual(pour.amount.exact * (1 + 1e-9));
            expect(pour.amount.value).toBeGreaterThanOrEqual(pour.amount.exact * 0.95 - 1e-9);
          }
        }
        const { totalGallons } = card.loads;
        const needed = (areaFt2 / 1000) * carrierGalPer1000;
        expect(totalGallons).toBeGreaterThanOrEqual(needed - 1e-9);
        expect(card.leftOver?.gallons ?? 0).toBeCloseTo(
          card.refused.length === 0 ? totalGallons - needed : 0,
          6,
        );
      },
    ),
    { ...cases(300), seed: 20261128 },
  );
  expect(larger).toBeGreaterThan(10);
});

it.each([
  // 1.3 fl oz an acre on 1,000 ft² are 0.883 mL; a syringe shows half millilitres: 1.0 mL takes 1.133 gal.
  ['topramezone', 1.3, 1000, 1.14],
  // 0.25 oz an acre on 850 ft² are 0.138 g in 0.85 gal; a gallon is the least, and 0.2 g take 1.229 gal.
  ['metsulfuron', 0.25, 850, 1.23],
])('%s at %p an acre for %p ft² is mixed as %p gal', (slug, ratePerAcre, areaFt2, gallons) => {
  const { unit } = LIBRARY.herbicide(slug)!;
  const dose = { ratePer1000: toPer1000(perAcre(ratePerAcre)), unit: unit as 'oz' };
  const batch = batchOf([dose], { areaFt2, carrierGalPer1000: 1, tankGal: 4 });
  expect(batch.largerFor).toBe('measuring');
  expect(batch.loads.totalGallons).toBeCloseTo(gallons, 6);
});

it('says the smallest batch that works where the tank is too small for any', () => {
  const dose = { ratePer1000: toPer1000(perAcre(0.25)), unit: 'oz' as const };
  const batch = batchOf([dose], { areaFt2: 400, carrierGalPer1000: 1, tankGal: 0.5 });
  // A tenth of a gram: 0.1 / (0.25 × 28.3495 / 43.56) = 0.6146 gal.
  expect(batch.smallestGallons).toBeCloseTo(0.62, 6);
});
