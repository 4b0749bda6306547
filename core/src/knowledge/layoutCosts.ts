import type { Source } from './source';

/** What a kind of work costs where it is not done on its best day, $ a day (invented). */
export interface DayCosts {
  early: number;
  late: number;
  /** Left undone. */
  unmet: number;
}

/**
 * What the year of a lawn is laid out by, $ (invented): a trip, a day off the best one by kind, a need that stays
 * unmet, and what survives a weaker control. Pre-emergents are sooner early than late, cures cannot wait.
 */
export const layoutCosts = {
  visit: 18,
  prevent: { early: 0.8, late: 2, unmet: 300 },
  protect: { early: 0.8, late: 1.5, unmet: 300 },
  cure: { early: 3, late: 4, unmet: 400 },
  control: { early: 0.5, late: 0.8, unmet: 250 },
  feed: { early: 0.5, late: 0.5, unmet: 150 },
  look: { early: 3, late: 0.6, unmet: 100 },
  fixed: { early: 20, late: 20, unmet: 1000 },
  /** Delay of a weed walk grows with the share of the zone that the weeds stand on: so much more a day for all of it. */
  spreadPerDay: 4,
  /** Weeds that a mix leaves standing, for each target, per 1000 ft² of treated ground that they all would survive on. */
  survivorsPer1000: 4,
  /** Days by which work is moved to share a trip, at most. */
  mostDays: 10,
} as const;
export const layoutCostsSource: Source = { kind: 'memory' };
