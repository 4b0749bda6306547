import type { Source } from '../knowledge';
import {
  FLUID_OUNCES_PER_GALLON,
  GRAMS_PER_OUNCE,
  MILLILITRES_PER_FLUID_OUNCE,
  OUNCES_PER_POUND,
  SQUARE_FEET_PER_ACRE,
  SQUARE_METRES_PER_SQUARE_FOOT,
  THOUSANDS_PER_ACRE,
} from '../units';
import { choice, figure, note, num, type Calculator, type Figure } from './calculator';

const ALGEBRA: Source = { kind: 'derived', ref: 'definitions of the units' };

/** Each family in its base unit: value in the base of one of it. */
export const UNIT_FAMILIES = {
  volume: {
    'fl oz': 1,
    mL: 1 / MILLILITRES_PER_FLUID_OUNCE,
    tsp: 1 / 6,
    tbsp: 1 / 2,
    pt: 16,
    qt: 32,
    gal: FLUID_OUNCES_PER_GALLON,
    L: 1000 / MILLILITRES_PER_FLUID_OUNCE,
  },
  weight: {
    oz: 1,
    g: 1 / GRAMS_PER_OUNCE,
    lb: OUNCES_PER_POUND,
    kg: 1000 / GRAMS_PER_OUNCE,
  },
  area: {
    'ft²': 1,
    'm²': 1 / SQUARE_METRES_PER_SQUARE_FOOT,
    A: SQUARE_FEET_PER_ACRE,
  },
  rate: {
    'lb/1000 ft²': 1,
    'lb/A': 1 / THOUSANDS_PER_ACRE,
    'oz/1000 ft²': 1 / OUNCES_PER_POUND,
    'oz/A': 1 / (OUNCES_PER_POUND * THOUSANDS_PER_ACRE),
    'g/m²': (1000 * SQUARE_METRES_PER_SQUARE_FOOT) / (GRAMS_PER_OUNCE * OUNCES_PER_POUND),
  },
} as const;
const UNITS = Object.values(UNIT_FAMILIES).flatMap((family) => Object.keys(family));

/** An amount in every unit of its family. */
export function convert(amount: number, unit: string): { unit: string; value: number }[] {
  const family = Object.values(UNIT_FAMILIES).find((units) => unit in units) as
    Readonly<Record<string, number>> | undefined;
  if (!family) return [];
  const base = amount * (family[unit] as number);
  return Object.entries(family)
    .filter(([other]) => other !== unit)
    .map(([other, factor]) => ({ unit: other, value: base / factor }));
}

/** Digits that leave four figures. */
const digitsOf = (value: number): number =>
  value === 0 ? 2 : Math.max(0, Math.min(6, 3 - Math.floor(Math.log10(Math.abs(value)))));

/** Small amounts and units. */
export const measureCalculators: readonly Calculator[] = [
  {
    slug: 'by-weight',
    group: 'measure',
    care: 'spray',
    fields: [
      num('dry-rate', 'oz/A', 0.25, [0.001, 200]),
      num('area', 'ft²', 8200, [1, 2_000_000]),
      num('scale-step', 'g', 0.1, [0.001, 10]),
    ],
    compute: (v) => {
      const grams = (v.num('dry-rate') * GRAMS_PER_OUNCE * v.num('area')) / SQUARE_FEET_PER_ACRE;
      const error = (100 * v.num('scale-step')) / grams;
      return {
        figures: [
          figure('grams', grams, 'g', 3, true),
          figure('grams-per-1000', (grams / v.num('area')) * 1000, 'g/1000 ft²', 4),
          figure('scale-error', error, '%', 1),
        ],
        notes: error > 5 ? [note('calc-scale-coarse', 'stop')] : [note('calc-scale-good', 'good')],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'active-to-product',
    group: 'measure',
    care: 'spray',
    fields: [
      num('active-rate', 'lb a.i./A', 0.5, [0.001, 40]),
      choice('strength-kind', ['lb-per-gal', 'percent-dry'], 'lb-per-gal'),
      num('strength', '', 4, [0.001, 100]),
      num('area', 'ft²', 5000, [1, 2_000_000]),
    ],
    compute: (v) => {
      const liquid = v.choice('strength-kind') === 'lb-per-gal';
      const perAcre = liquid
        ? (v.num('active-rate') / v.num('strength')) * FLUID_OUNCES_PER_GALLON
        : (v.num('active-rate') / (v.num('strength') / 100)) * OUNCES_PER_POUND;
      const unit = liquid ? 'fl oz' : 'oz';
      const per1000 = perAcre / THOUSANDS_PER_ACRE;
      return {
        figures: [
          figure('product-rate', per1000, `${unit}/1000 ft²`, 4, true),
          figure('per-acre', perAcre, `${unit}/A`, 3),
          figure('amount', (per1000 * v.num('area')) / 1000, unit, 3),
          ...(liquid ? [] : [figure('grams-per-1000', per1000 * GRAMS_PER_OUNCE, 'g/1000 ft²', 3)]),
        ],
        notes: [],
      };
    },
    source: ALGEBRA,
  },
  {
    slug: 'convert',
    group: 'measure',
    fields: [num('amount', '', 1, [0, 1_000_000]), choice('unit', UNITS, 'fl oz')],
    compute: (v) => ({
      figures: convert(v.num('amount'), v.choice('unit')).map(({ unit, value }): Figure =>
        figure('in-unit', value, unit, digitsOf(value)),
      ),
      notes: [],
    }),
    source: ALGEBRA,
  },
];
