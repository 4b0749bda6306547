/** A yearly and a daily wave that sink into homogeneous soil. */
export interface SoilWaves {
  /** Annual mean and half-range at the surface, °F; day of the year of the surface maximum. */
  meanF: number;
  annualHalfRangeF: number;
  warmestDay: number;
  /** Half of the surface's daily range, °F, and the hour of its maximum (sun time). */
  dailyHalfRangeF: number;
  warmestHour: number;
  /** Thermal diffusivity, 10⁻⁶ m²/s: 0.5 for moist loam. */
  diffusivity: number;
}

const DAY_SECONDS = 86_400;
const YEAR_DAYS = 365.25;
const METRES_PER_INCH = 0.0254;

/** Depth at which a wave has lost all but 1/e of its height, m. */
export const dampingDepth = (diffusivity: number, periodDays: number): number =>
  Math.sqrt((diffusivity * 1e-6 * periodDays * DAY_SECONDS) / Math.PI);

/**
 * Soil temperature at a depth, °F. For planning only: no snow, frost, rain or spells.
 * Source: van Wijk & de Vries 1963, in Physics of Plant Environment; Campbell & Norman 1998.
 * @param day day of the year; @param hour sun time, 0-24
 */
export function analyticSoilF(
  waves: SoilWaves,
  depthIn: number,
  day: number,
  hour: number,
): number {
  const depth = depthIn * METRES_PER_INCH;
  const yearly = depth / dampingDepth(waves.diffusivity, YEAR_DAYS);
  const daily = depth / dampingDepth(waves.diffusivity, 1);
  const turn = (2 * Math.PI * (day + hour / 24 - waves.warmestDay)) / YEAR_DAYS;
  const hours = (2 * Math.PI * (hour - waves.warmestHour)) / 24;
  return (
    waves.meanF +
    waves.annualHalfRangeF * Math.exp(-yearly) * Math.cos(turn - yearly) +
    waves.dailyHalfRangeF * Math.exp(-daily) * Math.cos(hours - daily)
  );
}

/**
 * Days of the year on which the yearly wave passes a temperature, rising and falling.
 * @returns `null` when it never does
 */
export function analyticCrossing(
  waves: SoilWaves,
  depthIn: number,
  thresholdF: number,
): { rising: number; falling: number } | null {
  const phase = (depthIn * METRES_PER_INCH) / dampingDepth(waves.diffusivity, YEAR_DAYS);
  const cosine = (thresholdF - waves.meanF) / (waves.annualHalfRangeF * Math.exp(-phase));
  if (Math.abs(cosine) > 1) return null;
  const angle = Math.acos(cosine);
  const days = YEAR_DAYS / (2 * Math.PI);
  return {
    rising: waves.warmestDay + (phase - angle) * days,
    falling: waves.warmestDay + (phase + angle) * days,
  };
}
