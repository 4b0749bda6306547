import { quantity, type Quantity } from './quantity';

export type Ounces = Quantity<'oz'>;
export type FluidOunces = Quantity<'fl-oz'>;
export type Pounds = Quantity<'lb'>;
export type Gallons = Quantity<'gal'>;
export type Grams = Quantity<'g'>;
export type Millilitres = Quantity<'mL'>;

/** Units in which a label gives the amount of product. A `dose` is one tank-mix recipe per acre. */
export type ProductUnit = 'oz' | 'fl-oz' | 'lb' | 'dose';

/** Definitions (avoirdupois ounce, US fluid ounce). */
export const GRAMS_PER_OUNCE = 28.3495;
export const MILLILITRES_PER_FLUID_OUNCE = 29.57353;
export const FLUID_OUNCES_PER_GALLON = 128;
export const OUNCES_PER_POUND = 16;

/** Pounds of a weight that is counted in ounces or in pounds. */
export const poundsOf = (amount: number, unit: string): number =>
  unit === 'oz' ? amount / OUNCES_PER_POUND : amount;

export const ounces = (value: number): Ounces => quantity<'oz'>(value);
export const fluidOunces = (value: number): FluidOunces => quantity<'fl-oz'>(value);
export const pounds = (value: number): Pounds => quantity<'lb'>(value);
export const gallons = (value: number): Gallons => quantity<'gal'>(value);

/** oz (weight) → g. */
export const toGrams = (mass: Ounces): Grams => quantity<'g'>(mass * GRAMS_PER_OUNCE);

/** US fl oz → mL. */
export const toMillilitres = (volume: FluidOunces): Millilitres =>
  quantity<'mL'>(volume * MILLILITRES_PER_FLUID_OUNCE);
