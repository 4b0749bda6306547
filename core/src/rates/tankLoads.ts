/** How a job is split over fillings of one tank. */
export interface TankLoads {
  totalGallons: number;
  /** Loads of `gallonsEach`. */
  fullLoads: number;
  gallonsEach: number;
  /** Gallons of the last, smaller load; 0 when there is none. */
  lastGallons: number;
  /** The loads were made alike because the last one would have been too small to mix. */
  equalized: boolean;
}

/** A last load under this share of the tank is spread over the others. */
const SMALLEST_LAST_LOAD = 0.2;

/**
 * Splits a carrier volume over fillings.
 * @param totalGallons spray volume of the job, above 0
 * @param tankGallons usable tank size, above 0
 */
export function tankLoads(totalGallons: number, tankGallons: number): TankLoads {
  const whole = Math.floor(totalGallons / tankGallons + 1e-9);
  const rest = totalGallons - whole * tankGallons;
  const hasRest = rest > 1e-6 * totalGallons;
  if (whole > 0 && hasRest && rest < SMALLEST_LAST_LOAD * tankGallons) {
    const count = whole + 1;
    return {
      totalGallons,
      fullLoads: count,
      gallonsEach: totalGallons / count,
      lastGallons: 0,
      equalized: true,
    };
  }
  return {
    totalGallons,
    fullLoads: whole,
    gallonsEach: tankGallons,
    lastGallons: hasRest ? rest : 0,
    equalized: false,
  };
}
