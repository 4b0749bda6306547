import { measuring } from '../knowledge';
import {
  GRAMS_PER_OUNCE,
  MILLILITRES_PER_FLUID_OUNCE,
  OUNCES_PER_POUND,
  type ProductUnit,
} from '../units';

/** An amount in the unit of the tool that measures it. */
export interface MeasuredAmount {
  /** Rounded down to what the tool shows, 0 under its first mark: a label maximum is never passed by rounding. */
  value: number;
  unit: 'fl-oz' | 'mL' | 'oz' | 'g' | 'lb' | 'gal';
  tool: 'cup' | 'syringe' | 'scale';
  /** Full precision, in `unit`. */
  exact: number;
}

const floorTo = (value: number, step: number): number =>
  Number((Math.floor(value / step + 1e-9) * step).toFixed(6));

/**
 * Chooses the measuring tool for an amount of product.
 * @param amount in `unit`; a tank-mix recipe is measured by its components, never as a dose
 * @throws RangeError for the unit `dose`
 */
export function measuredAmount(amount: number, unit: ProductUnit): MeasuredAmount {
  switch (unit) {
    case 'fl-oz':
      if (amount < measuring.cupFromFluidOunces) {
        const exact = amount * MILLILITRES_PER_FLUID_OUNCE;
        return {
          value: floorTo(exact, measuring.syringeStepMillilitres),
          unit: 'mL',
          tool: 'syringe',
          exact,
        };
      }
      return {
        value: floorTo(amount, measuring.cupStepFluidOunces),
        unit: 'fl-oz',
        tool: 'cup',
        exact: amount,
      };
    case 'oz':
      if (amount < measuring.gramsBelowOunces) {
        const exact = amount * GRAMS_PER_OUNCE;
        return {
          value: floorTo(exact, measuring.scaleStepGrams),
          unit: 'g',
          tool: 'scale',
          exact,
        };
      }
      return {
        value: floorTo(amount, measuring.ounceStep),
        unit: 'oz',
        tool: 'scale',
        exact: amount,
      };
    case 'lb':
      return amount < 1
        ? measuredAmount(amount * OUNCES_PER_POUND, 'oz')
        : {
            value: floorTo(amount, measuring.poundStep),
            unit: 'lb',
            tool: 'scale',
            exact: amount,
          };
    case 'dose':
      throw new RangeError('a tank-mix recipe is measured by its components');
  }
}

/** Gallons of water as the tank's marks show them. */
export const measuredWater = (gallons: number): number => floorTo(gallons, measuring.gallonStep);
