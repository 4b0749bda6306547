import { SQUARE_FEET_PER_ACRE } from './area';
import { quantity, type Quantity } from './quantity';

/** Amount of anything per acre; the unit of the amount stands beside it. */
export type PerAcre = Quantity<'per-acre'>;
/** Amount of anything per 1000 ft²; the unit of the amount stands beside it. */
export type Per1000 = Quantity<'per-1000-ft2'>;

/** 43.56: how many times 1000 ft² go into an acre. */
export const THOUSANDS_PER_ACRE = SQUARE_FEET_PER_ACRE / 1000;

export const perAcre = (value: number): PerAcre => quantity<'per-acre'>(value);
export const per1000 = (value: number): Per1000 => quantity<'per-1000-ft2'>(value);

/** Rate per acre → rate per 1000 ft². */
export const toPer1000 = (rate: PerAcre): Per1000 => per1000(rate / THOUSANDS_PER_ACRE);

/** Rate per 1000 ft² → rate per acre. */
export const toPerAcre = (rate: Per1000): PerAcre => perAcre(rate * THOUSANDS_PER_ACRE);
