import type { Source } from './source';

const COMMON: Source = { kind: 'common-practice' };

/** When soil goes to a laboratory, how long its report stands, and what it says. */
export const soilTests = {
  /** Days that a report stands where the law asks for one, and after which the soil is sampled again. */
  standsDays: 3 * 365,
  /** Days after which a bag without a report counts as lost. */
  lostDays: 60,
  /** Phosphorus below which a soil is low, ppm, by extractant; laboratories draw the lines differently. */
  lowPhosphorusBelowPpm: { 'mehlich-3': 27, 'bray-1': 16, olsen: 13 },
  lowPhosphorusSource: { kind: 'memory' } as Source,
  source: COMMON,
} as const;
