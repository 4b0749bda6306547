import type { Source } from './source';

const COMMON: Source = { kind: 'common-practice' };
const MEMORY: Source = { kind: 'memory' };

/** Rules of putting a product down that hold whatever the product. */
export const applicationRules = {
  /** A forecast high above this makes every post-emergent a light, spot, test-patch job. */
  lightRateAboveF: 85,
  /** Share of the full effect that a low rate keeps. */
  lightEffect: 0.75,
  /** No herbicide at all from this high on turf that had no water for two weeks. */
  noHerbicideF: 95,
  wind: { minMph: 3, maxMph: 10 },
  /** Water in the last ten days below which a post-emergent waits (in). */
  droughtWaterIn: 0.5,
  /** Sensitive plants within 100 ft: no volatile product above this high, °F. */
  vapourAboveF: 80,
  /** Cover of the zone below which single spots are sprayed, not the zone. */
  spotBelowCover: 0.15,
  /** Spot area is the weedy share times this, since a spot is sprayed past its edge. */
  spotFactor: 1.2,
  /** Best efficacy of a product below this on every target is no use. */
  usefulEfficacy: 50,
  targetControl: 80,
  hardTargetControl: 65,
  /** A species below this share of the stand does not govern the tolerance. */
  desirableCover: 0.1,
  sensitiveDesirableCover: 0.05,
  sensitiveGrasses: ['st-augustine', 'centipede', 'perennial-ryegrass'],
  /** Invented, to weigh one mix of two products against two visits. */
  walkUsdInvented: 18,
  /** Carrier volume, gal per 1000 ft². */
  carrierGalPer1000: { post: 1, contact: 2, pre: 2 },
  /** They burn what they touch: every leaf has to be wet. */
  contactProducts: ['diquat', 'carfentrazone', 'iron-hedta', 'bentazon'],
  source: COMMON,
} as const;

/** Order in which a half-filled tank takes its products (memory; a label's own order comes first). */
export const fillingOrder = [
  'ammonium-sulfate',
  'dry-flowable',
  'suspension',
  'emulsion',
  'solution',
  'methylated-seed-oil',
  'non-ionic',
] as const;
export const fillingOrderSource = MEMORY;

/** Smallest amounts a technician can measure truly. */
export const measuring = {
  /** fl oz: below this a syringe in mL, not a cup. */
  cupFromFluidOunces: 1,
  cupStepFluidOunces: 0.1,
  syringeStepMillilitres: 0.5,
  /** oz of weight: below this weigh in grams. */
  gramsBelowOunces: 8,
  scaleStepGrams: 0.1,
  ounceStep: 0.1,
  poundStep: 0.1,
  gallonStep: 0.01,
  /** Less water than this cannot be mixed truly: the area is rounded up, never the rate, gal. */
  leastBatchGallons: 1,
  /** Most that a measured amount may lie under its rate, as a share: a scale that errs by more is no scale. */
  mostUnder: 0.05,
  source: MEMORY,
} as const;

/** Mean first hard frost and last frost by region, month-day (invented valley; set per company). */
export const frostDates = {
  north: { first: '10-15', last: '05-10' },
  transition: { first: '10-28', last: '04-12' },
  south: { first: '11-25', last: '03-10' },
  source: MEMORY,
} as const;
