import type { SiteFactor } from '../knowledge';
import { daysBetween, localDate, yearOf } from '../units';
import { dailyMeanFromReading, shrunkenBias, type Bias } from './calibration';
import { meanAir } from './dailyWeather';
import { responseAtDepth, siteOffset, soilTemperature } from './soilModel';
import { soilSeason, type SoilSeason } from './soilSeason';
import type { ProbeReading, WeatherBundle } from './weatherBundle';

/** Depth that every threshold of the season is written for, in. */
export const SEASON_DEPTH_IN = 2;
/** Readings older than this say little about today's bias. */
const READING_MEMORY_DAYS = 60;
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

/** Bias of the model at a zone from its own probe readings, °F. No reading: 0 with the prior's spread. */
export function zoneBias(
  factors: readonly SiteFactor[],
  weather: WeatherBundle,
  readings: readonly ProbeReading[],
): Bias {
  const air = weather.days.map((day) => meanAir(day) + siteOffset(factors, day.date));
  const startF = mean(weather.days.slice(0, 30).map(meanAir));
  const start = weather.days[0]?.date ?? weather.today;
  return shrunkenBias(
    readings
      .filter((reading) => {
        const age = daysBetween(reading.date, weather.today);
        return age >= 0 && age <= READING_MEMORY_DAYS && reading.date >= start;
      })
      .map((reading) => {
        const model = soilTemperature(air, {
          response: responseAtDepth(reading.depthIn),
          startF,
        })[daysBetween(start, reading.date)] as number;
        const probe = dailyMeanFromReading(
          mean(reading.valuesF),
          reading.hour,
          reading.depthIn,
          TURF_WAVE,
        );
        return {
          residualF: probe - model,
          spots: reading.valuesF.length,
          spotSdF: spotSd(reading.valuesF),
        };
      }),
  );
}

/**
 * Soil season of a zone: its own site and probe readings on the station's weather, projected to the
 * middle of next year so that a window missed this year can be shown for the next.
 */
export function zoneSoil(
  zone: { id: string; site: { factors: readonly SiteFactor[] } },
  weather: WeatherBundle,
  readings: readonly ProbeReading[],
): SoilSeason {
  const own = readings.filter(({ zoneId }) => zoneId === zone.id);
  return soilSeason({
    today: weather.today,
    measured: weather.days,
    forecast: weather.forecast,
    climate: weather.climate,
    factors: zone.site.factors,
    depthIn: SEASON_DEPTH_IN,
    biasF: own.length > 0 ? zoneBias(zone.site.factors, weather, own).biasF : 0,
    until: localDate(`${yearOf(weather.today) + 1}-07-15`),
    seed: yearOf(weather.today),
  });
}
