import type { Source } from './source';

/**
 * How the soil moves what a table says a product holds. Breakdown quickens by a factor for each 18 °F (10 °C), and
 * slows in dry soil; the table's weeks are for the reference. Colder soil lengthens them, and nobody should count
 * on more than a little of that.
 */
export const holdingPace = {
  /** 68 °F is the 20 °C at which breakdown in soil is usually reported. */
  referenceF: 68,
  factorPer18F: 2.58,
  /** Breakdown in dry soil against moist: half of field capacity to the power 0.7. */
  dryFactor: 0.62,
  /** Breakdown stands still in frozen ground. */
  frozenF: 32,
  mostLonger: 1.25,
  source: {
    kind: 'published',
    ref: 'EFSA 2007, default Q10 for breakdown in soil; Walker 1974 for moisture (values from memory)',
  } satisfies Source as Source,
} as const;
