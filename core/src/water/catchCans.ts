/** What a set of catch cans says. Depths in. */
export interface CatchResult {
  meanIn: number;
  /** Distribution uniformity of the lowest quarter, 0-1. */
  uniformity: number;
  /** Christiansen's coefficient, 0-1 (Christiansen 1942). */
  christiansen: number;
  /** Precipitation rate, in/h. */
  rateInPerHour: number;
}

/**
 * Uniformity and rate from caught depths.
 * @throws RangeError when there are fewer than four cans, a negative depth, or nothing was caught
 */
export function catchCans(depthsIn: readonly number[], minutes: number): CatchResult {
  if (depthsIn.length < 4) throw new RangeError('four cans or more');
  if (depthsIn.some((depth) => !(depth >= 0))) throw new RangeError('a depth is 0 or more');
  if (!(minutes > 0)) throw new RangeError('the run took some minutes');
  const mean = depthsIn.reduce((sum, depth) => sum + depth, 0) / depthsIn.length;
  if (mean === 0) throw new RangeError('nothing was caught');
  const sorted = [...depthsIn].sort((a, b) => a - b);
  const quarter = sorted.slice(0, Math.max(1, Math.floor(sorted.length / 4)));
  const lowest = quarter.reduce((sum, depth) => sum + depth, 0) / quarter.length;
  const spread = depthsIn.reduce((sum, depth) => sum + Math.abs(depth - mean), 0);
  return {
    meanIn: mean,
    uniformity: lowest / mean,
    christiansen: 1 - spread / (depthsIn.length * mean),
    rateInPerHour: (mean * 60) / minutes,
  };
}

/** Precipitation rate from a meter's flow, in/h: 1 gpm over 96.25 ft² is 1 in/h. */
export const rateFromFlow = (gallonsPerMinute: number, areaFt2: number): number =>
  (96.25 * gallonsPerMinute) / areaFt2;

/** Depth in a tapered cup, in: volume over the area of the rim. */
export const taperedCupIn = (millilitres: number, rimDiameterIn: number): number =>
  millilitres / 16.387064 / ((Math.PI * rimDiameterIn ** 2) / 4);

export interface RunTime {
  /** Minutes to put the target on average, on the driest quarter, and by the scheduling multiplier. */
  average: number;
  driestQuarter: number;
  scheduled: number;
}

/**
 * Minutes of run for a depth. The scheduling multiplier 1/(0.4 + 0.6·DU) is the Irrigation
 * Association's (2005).
 */
export function runTime(targetIn: number, rateInPerHour: number, uniformity: number): RunTime {
  const average = (targetIn / rateInPerHour) * 60;
  return {
    average,
    driestQuarter: average / uniformity,
    scheduled: average / (0.4 + 0.6 * uniformity),
  };
}
