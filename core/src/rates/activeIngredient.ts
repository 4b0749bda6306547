import { activeName, type Herbicide } from '../knowledge';
import type { ShelfHerbicide } from '../products';
import { FLUID_OUNCES_PER_GALLON, poundsOf } from '../units';

export interface ActiveDose {
  active: string;
  lbPerAcre: number;
}

/** lb of an active in an amount of product, by label unit and concentration. */
function activeLb(
  amount: number,
  unit: Herbicide['unit'],
  concentration: { amount: number; unit: 'lb-per-gal' | 'fraction' },
): number {
  if (concentration.unit === 'lb-per-gal') {
    return (amount / FLUID_OUNCES_PER_GALLON) * concentration.amount;
  }
  return poundsOf(amount, unit) * concentration.amount;
}

function unitDoses(product: ShelfHerbicide): ActiveDose[] {
  const sums = new Map<string, number>();
  const add = (active: string, lb: number) => sums.set(active, (sums.get(active) ?? 0) + lb);
  if (product.parts) {
    for (const part of product.parts) {
      for (const dose of activesPerAcre(part.product, part.ratePerAcre)) {
        add(dose.active, dose.lbPerAcre);
      }
    }
  } else if (product.actives) {
    for (const part of product.actives) add(part.active, activeLb(1, product.unit, part));
  } else if (product.concentration) {
    add(activeName(product.slug), activeLb(1, product.unit, product.concentration));
  }
  return [...sums].map(([active, lbPerAcre]) => ({ active, lbPerAcre }));
}

const known = new WeakMap<ShelfHerbicide, ActiveDose[]>();

/**
 * Actives that a product rate puts on an acre, lb a.i. (a.e. for auxins). A recipe is taken apart
 * into its components; the same active from two components is one entry. Doses are proportional to
 * the rate, so each product is taken apart once.
 * @param ratePerAcre product per acre in the product's own unit
 */
export function activesPerAcre(product: ShelfHerbicide, ratePerAcre: number): ActiveDose[] {
  let unit = known.get(product);
  if (!unit) {
    unit = unitDoses(product);
    known.set(product, unit);
  }
  return unit.map(({ active, lbPerAcre }) => ({ active, lbPerAcre: lbPerAcre * ratePerAcre }));
}

/** Names of the actives in a product. */
export const activesOf = (product: ShelfHerbicide): string[] =>
  activesPerAcre(product, 1).map(({ active }) => active);
