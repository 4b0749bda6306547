import { growthPotentialCurve } from '../knowledge';

/**
 * Growth potential, 0-1: how near the air is to the shoot's optimum,
 * exp(−½·((T − Topt)/σ)²). Source: Gelernter & Stowell 2005.
 * @param meanAirF mean air temperature of the period, °F
 */
export function growthPotential(meanAirF: number, season: 'cool' | 'warm'): number {
  const { optimumF, spreadF } = growthPotentialCurve[season];
  return Math.exp(-0.5 * ((meanAirF - optimumF) / spreadF) ** 2);
}

/** Splits a year's nitrogen over months by growth potential, before caps. Shape (12) in and out. */
export function nitrogenByMonth(
  yearLbPer1000: number,
  monthlyMeanF: readonly number[],
  season: 'cool' | 'warm',
): number[] {
  const potential = monthlyMeanF.map((mean) => growthPotential(mean, season));
  const total = potential.reduce((sum, value) => sum + value, 0);
  return potential.map((value) => (total > 0 ? (yearLbPer1000 * value) / total : 0));
}
