import { freezing, siteOffsets, soilResponse, underSnow, type SiteFactor } from '../knowledge';

/** Index into an offset row: winter, spring, summer, fall of the northern hemisphere. */
function seasonIndex(month: number): 0 | 1 | 2 | 3 {
  if (month === 12 || month <= 2) return 0;
  if (month <= 5) return 1;
  return month <= 8 ? 2 : 3;
}

/** °F to add to the air mean at a site in a month: the offset rows that apply, added up. */
export function siteOffset(factors: readonly SiteFactor[], month: number): number {
  const season = seasonIndex(month);
  return factors.reduce((sum, factor) => sum + siteOffsets[factor][season], 0);
}

/**
 * Share of the gap closed in a day at a depth, interpolated between the tabulated depths.
 * @param depthIn 1-9 in; outside, the nearest tabulated depth.
 */
export function responseAtDepth(depthIn: number): number {
  const depths = Object.keys(soilResponse)
    .map(Number)
    .sort((a, b) => a - b);
  const upper = depths.find((depth) => depth >= depthIn) ?? (depths[depths.length - 1] as number);
  const lower = [...depths].reverse().find((depth) => depth <= depthIn) ?? (depths[0] as number);
  const atLower = soilResponse[lower] as number;
  const atUpper = soilResponse[upper] as number;
  return upper === lower
    ? atUpper
    : atLower + ((depthIn - lower) / (upper - lower)) * (atUpper - atLower);
}

export interface SoilModelOptions {
  /** Share of the gap closed per day, 0-1. */
  response: number;
  /** Soil temperature before the first day, °F. */
  startF: number;
  /** Canopy multiplier of warming, 0-1; 1 leaves it out. */
  warming?: number;
  /** Off: the bare low-pass filter, for checking against published examples. */
  freezeRule?: boolean;
}

const { fromF: FREEZING_FROM, toF: FREEZING_TO, maxChangePerDayF: FREEZING_CHANGE } = freezing;

/** One day of the first-order soil model, °F. @param snowIn depth of snow that lies on it */
export function soilStep(
  beforeF: number,
  effectiveAirF: number,
  options: Omit<SoilModelOptions, 'startF'>,
  snowIn = 0,
): number {
  // Under snow the soil no longer follows the air: it drifts to just above freezing.
  if (snowIn >= underSnow.fromIn) {
    return Math.max(
      underSnow.leastF,
      beforeF + underSnow.response * (underSnow.towardsF - beforeF),
    );
  }
  const gap = effectiveAirF - beforeF;
  const warming = gap > 0 ? (options.warming ?? 1) : 1;
  const change = options.response * warming * gap;
  if (beforeF <= FREEZING_TO && beforeF >= FREEZING_FROM && options.freezeRule !== false) {
    return beforeF + Math.max(-FREEZING_CHANGE, Math.min(FREEZING_CHANGE, change));
  }
  return beforeF + change;
}

/**
 * Daily mean soil temperature from effective air temperature (air mean plus site offset), °F:
 * Ts(d) = Ts(d−1) + α·m·(Teff − Ts(d−1)).
 * Source of the form: Zheng, Hunt & Running 1993, Climate Research 2:183-191.
 * @param effectiveAirF one value a day, shape (n)
 * @param snowIn depth of snow a day, shape (n), where it is known
 * @returns shape (n)
 */
export function soilTemperature(
  effectiveAirF: readonly number[],
  options: SoilModelOptions,
  snowIn: readonly (number | undefined)[] = [],
): number[] {
  let soil = options.startF;
  return effectiveAirF.map((air, day) => (soil = soilStep(soil, air, options, snowIn[day])));
}
