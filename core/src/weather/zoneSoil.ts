import { calibration, type SiteFactor } from '../knowledge';
import { daysBetween, localDate, monthOf, yearOf } from '../units';
import { dailyMeanFromReading, driftingBias, type Bias } from './calibration';
import { meanAir } from './dailyWeather';
import { responseAtDepth, siteOffset, soilTemperature } from './soilModel';
import { readWarmer, soilSeason, type SoilSeason } from './soilSeason';
import type { ProbeReading, WeatherBundle } from './weatherBundle';

/** Depth that every threshold of the season is written for, in. */
export const SEASON_DEPTH_IN = 2;
/** Moist loam under turf on a clear spring day (van Wijk & de Vries 1963; half-range from memory). */
export const TURF_WAVE = { surfaceHalfRangeF: 8, surfaceMaximumHour: 13.5, dampingDepthIn: 4.62 };

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}

function spotSd(values: readonly number[]): number {
  if (values.length < 2) return 1.5;
  const m = mean(values);
  return Math.sqrt(values.reduce((sum, v) => sum + (v - m) ** 2, 0) / (values.length - 1));
}

/** Bias of the model at a zone, and the readings that were too far off to be believed at once. */
export interface ZoneBias extends Bias {
  refused: readonly string[];
}

/**
 * Bias of the model at a zone from its own probe readings in order of date, °F, by a filter that lets
 * it drift with the season. No reading: 0 with the prior's spread. A reading beyond the gate is not
 * taken and named in `refused` until a second one agrees with it.
 */
export function zoneBias(
  factors: readonly SiteFactor[],
  weather: WeatherBundle,
  readings: readonly ProbeReading[],
): ZoneBias {
  const air = weather.days.map((day) => meanAir(day) + siteOffset(factors, monthOf(day.date)));
  const snow = weather.days.map(({ snowIn }) => snowIn);
  const startF = mean(weather.days.slice(0, 30).map(meanAir));
  const start = weather.days[0]?.date ?? weather.today;
  const taken = readings
    .filter(({ date }) => date >= start && date <= weather.today)
    .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.hour - b.hour));
  const models = new Map<number, number[]>();
  const modelAt = (depthIn: number, day: number): number => {
    let model = models.get(depthIn);
    if (!model) {
      model = soilTemperature(air, { response: responseAtDepth(depthIn), startF }, snow);
      models.set(depthIn, model);
    }
    return model[day] as number;
  };
  const steps = driftingBias(
    taken.map((reading) => {
      const day = daysBetween(start, reading.date);
      const probe = dailyMeanFromReading(
        mean(reading.valuesF),
        reading.hour,
        reading.depthIn,
        TURF_WAVE,
      );
      return {
        residualF: probe - modelAt(reading.depthIn, day),
        spots: reading.valuesF.length,
        spotSdF: spotSd(reading.valuesF),
        day,
      };
    }),
  );
  const last = steps[steps.length - 1];
  return {
    biasF: last?.biasF ?? 0,
    variance: last?.variance ?? calibration.priorVariance,
    refused: steps.flatMap(({ accepted }, index) => {
      // A second reading that is believed against the gate says that the one before it was right.
      const next = steps[index + 1];
      const borneOut = next?.accepted === true && Math.abs(next.z) > calibration.gateSigma;
      return accepted || borneOut ? [] : [(taken[index] as ProbeReading).id];
    }),
  };
}

/** To this much a probe's bias is kept, °F: finer than any probe, and zones that agree share their days. */
const BIAS_STEP_F = 0.1;

/**
 * Soil season of a zone: that of its site, warmer or cooler by what its own probe readings say.
 * @param site season of the zone's site, where somebody has it already
 */
export function zoneSoil(
  zone: { id: string; factors: readonly SiteFactor[] },
  weather: WeatherBundle,
  readings: readonly ProbeReading[],
  depthIn: number = SEASON_DEPTH_IN,
  site: SoilSeason = siteSoil(zone.factors, weather, depthIn),
): SoilSeason {
  const own = readings.filter(({ zoneId }) => zoneId === zone.id);
  if (own.length === 0) return site;
  const { biasF } = zoneBias(zone.factors, weather, own);
  return readWarmer(site, Math.round(biasF / BIAS_STEP_F) * BIAS_STEP_F);
}

/**
 * Soil season of a site: the rows of the offset table that hold there (`siteFactors`) on the station's
 * weather, projected to the middle of next year so that a window missed this year can be shown for the next.
 */
export function siteSoil(
  factors: readonly SiteFactor[],
  weather: WeatherBundle,
  depthIn: number = SEASON_DEPTH_IN,
): SoilSeason {
  return soilSeason({
    today: weather.today,
    measured: weather.days,
    forecast: weather.forecast,
    climate: weather.climate,
    factors,
    past: weather.past,
    depthIn,
    until: localDate(`${yearOf(weather.today) + 1}-07-15`),
    seed: yearOf(weather.today),
  });
}
