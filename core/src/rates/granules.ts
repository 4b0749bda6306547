/** What a spreader job takes. */
export interface GranuleJob {
  lbPer1000: number;
  totalLb: number;
  /** Two passes at right angles, half each, even out the pattern. */
  lbPerPass: number;
  /** Whole bags to buy. */
  bags: number;
  /** ft² that one bag covers at this rate. */
  bagCoversFt2: number;
  /** lb left in the last bag. */
  leftOverLb: number;
}

/**
 * Bags and pounds of a granular product. The rate is never rounded to use up a bag.
 * @param lbPer1000 product per 1000 ft², above 0
 */
export function granuleJob(lbPer1000: number, areaFt2: number, bagLb: number): GranuleJob {
  const totalLb = (lbPer1000 * areaFt2) / 1000;
  const bags = Math.ceil(totalLb / bagLb - 1e-9);
  return {
    lbPer1000,
    totalLb,
    lbPerPass: totalLb / 2,
    bags,
    bagCoversFt2: (bagLb / lbPer1000) * 1000,
    leftOverLb: bags * bagLb - totalLb,
  };
}

/** Next spreader setting after a catch: linear first guess, to be tested again. */
export const nextSetting = (setting: number, caught: number, wanted: number): number =>
  (setting * wanted) / caught;
