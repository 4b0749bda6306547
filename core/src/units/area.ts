import { quantity, type Quantity } from './quantity';

export type SquareFeet = Quantity<'ft2'>;
export type Acres = Quantity<'acre'>;

/** Square feet in an acre (definition). */
export const SQUARE_FEET_PER_ACRE = 43_560;
/** Square metres in a square foot (definition, international foot). */
export const SQUARE_METRES_PER_SQUARE_FOOT = 0.09290304;

export const squareFeet = (value: number): SquareFeet => quantity<'ft2'>(value);

/** Feet in a metre (definition, international foot). */
export const FEET_PER_METRE = 1 / 0.3048;

/** ft² → acres. */
export const toAcres = (area: SquareFeet): Acres => quantity<'acre'>(area / SQUARE_FEET_PER_ACRE);

/** Units of 1000 ft², the "k" in which lawn rates are spoken. */
export const thousands = (area: SquareFeet): number => area / 1000;
