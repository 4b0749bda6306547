import type { Source } from './source';

/** What a kind of work costs where it is not done on its best day, $ a day (invented). */
export interface DayCosts {
  early: number;
  late: number;
}

/**
 * What the year of a lawn is laid out by, $ (invented): a trip, a day off the best one by kind, and what
 * survives a weaker control. Pre-emergents are sooner early than late, cures cannot wait.
 */
export const layoutCosts = {
  visit: 18,
  prevent: { early: 0.8, late: 2 },
  protect: { early: 0.8, late: 1.5 },
  cure: { early: 3, late: 4 },
  control: { early: 0.5, late: 0.8 },
  feed: { early: 0.5, late: 0.5 },
  look: { early: 3, late: 0.6 },
  fixed: { early: 20, late: 20 },
  /** Delay of a weed walk grows with the share of the zone that the weeds stand on: so much more a day for all of it. */
  spreadPerDay: 4,
  /** All of a target left standing on 1000 ft² of treated ground; what a mix leaves of it costs its share. */
  survivorsPer1000: 4,
  /** Days by which work is moved to share a trip, at most. */
  mostDays: 10,
} as const;
export const layoutCostsSource: Source = { kind: 'memory' };
