/** mm of water that 1 MJ/m² evaporates. */
export const MM_PER_MEGAJOULE = 0.408;
const SOLAR_CONSTANT = 0.082;
const MM_PER_INCH = 25.4;

/** The sun of a day at a latitude. */
export interface Sun {
  /** Inverse relative distance, declination and sunset hour angle, rad. */
  distance: number;
  declination: number;
  sunset: number;
  /** Extraterrestrial radiation, MJ m⁻² d⁻¹. */
  radiation: number;
  daylightHours: number;
}

/**
 * Extraterrestrial radiation and daylight.
 * Source: Allen, Pereira, Raes & Smith 1998, FAO-56, equations 21-34.
 * @param latitude rad, south negative; beyond the polar circles the sun never sets or rises
 * @param day day of the year, 1-366
 */
export function sunOf(latitude: number, day: number): Sun {
  const turn = (2 * Math.PI * day) / 365;
  const distance = 1 + 0.033 * Math.cos(turn);
  const declination = 0.409 * Math.sin(turn - 1.39);
  const angle = -Math.tan(latitude) * Math.tan(declination);
  const sunset = Math.acos(Math.max(-1, Math.min(1, angle)));
  const radiation =
    ((24 * 60) / Math.PI) *
    SOLAR_CONSTANT *
    distance *
    (sunset * Math.sin(latitude) * Math.sin(declination) +
      Math.cos(latitude) * Math.cos(declination) * Math.sin(sunset));
  return {
    distance,
    declination,
    sunset,
    radiation: Math.max(0, radiation),
    daylightHours: (24 * sunset) / Math.PI,
  };
}

/** Solar radiation from hours of sunshine, MJ m⁻² d⁻¹ (FAO-56 equation 35). */
export const solarFromSunshine = (sunHours: number, daylightHours: number, radiation: number) =>
  (0.25 + (0.5 * sunHours) / daylightHours) * radiation;

/** Solar radiation from the day's range, MJ m⁻² d⁻¹ (FAO-56 equation 50); 0.16 inland, 0.19 coast. */
export const solarFromRange = (
  highC: number,
  lowC: number,
  radiation: number,
  coefficient = 0.16,
) => coefficient * Math.sqrt(Math.max(0, highC - lowC)) * radiation;

/**
 * Reference evapotranspiration, in per day. Runs 10-20 % high in humid places and low in windy dry
 * ones; to be read over five days or more.
 * Source: Hargreaves & Samani 1985, Applied Engineering in Agriculture 1:96-99.
 * @param radiation extraterrestrial, MJ m⁻² d⁻¹
 */
export function referenceEvapotranspiration(
  highF: number,
  lowF: number,
  radiation: number,
): number {
  const highC = (highF - 32) / 1.8;
  const lowC = (lowF - 32) / 1.8;
  const mm =
    0.0023 *
    ((highC + lowC) / 2 + 17.8) *
    Math.sqrt(Math.max(0, highC - lowC)) *
    MM_PER_MEGAJOULE *
    radiation;
  return Math.max(0, mm) / MM_PER_INCH;
}
