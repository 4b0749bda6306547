import { FLUID_OUNCES_PER_GALLON } from '../units';

/** 43,560 ft²/acre × 12 in/ft × 60 min/h ÷ 5,280 ft/mile. */
const GPA_CONSTANT = 5940;
/** Feet to walk with a 1 ft swath so that ounces caught equal gallons per acre: 43,560/128. */
const ONE_128TH_ACRE_FT = 340.3125;
const MPH_PER_FOOT_PER_SECOND = 0.681818;

/** Carrier volume, gal per acre, from nozzle flow (gpm), speed (mph) and spacing or swath (in). */
export const gallonsPerAcre = (gpm: number, mph: number, spacingIn: number): number =>
  (GPA_CONSTANT * gpm) / (mph * spacingIn);

/** Nozzle flow, gpm, for a wanted carrier volume. */
export const nozzleFlow = (gpa: number, mph: number, spacingIn: number): number =>
  (gpa * mph * spacingIn) / GPA_CONSTANT;

/** Walking speed, mph, over a paced distance. */
export const speedMph = (feet: number, seconds: number): number =>
  (feet / seconds) * MPH_PER_FOOT_PER_SECOND;

/** Distance, ft, of the 1/128-acre calibration for a swath in ft. */
export const calibrationDistance = (swathFt: number): number => ONE_128TH_ACRE_FT / swathFt;

/** Flow at another pressure: proportional to the square root of the pressure. */
export const flowAtPressure = (gpm: number, fromPsi: number, toPsi: number): number =>
  gpm * Math.sqrt(toPsi / fromPsi);

/** Pressure that gives another flow: the square of the ratio. */
export const pressureForFlow = (psi: number, gpm: number, wantedGpm: number): number =>
  psi * (wantedGpm / gpm) ** 2;

/** What was really applied, as a multiple of the intended rate, when the speed was another. */
export const speedDoseFactor = (calibratedMph: number, actualMph: number): number =>
  calibratedMph / actualMph;

/** Mean dose, as a multiple of the intended rate, when swaths overlap by a share of their width. */
export const overlapDoseFactor = (overlapShare: number): number => 1 / (1 - overlapShare);

/** fl oz of adjuvant for a share of the spray volume. */
export const adjuvantFluidOunces = (percent: number, sprayGallons: number): number =>
  (percent / 100) * sprayGallons * FLUID_OUNCES_PER_GALLON;
