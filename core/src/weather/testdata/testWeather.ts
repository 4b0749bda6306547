import type { Region } from '../../knowledge';
import { daysBetween, localDate, yearOf, type LocalDate } from '../../units';
import {
  climateNormals,
  syntheticForecast,
  syntheticPast,
  syntheticYear,
  type SyntheticClimate,
} from '../syntheticWeather';
import type { PastYear } from '../dailyWeather';
import type { WeatherBundle } from '../weatherBundle';

/** Made-up climates for tests, one a region. */
export const testClimate: Record<Region, SyntheticClimate> = {
  north: {
    meanF: 47,
    halfRangeF: 25,
    warmestDay: 200,
    dailyHalfRangeF: [8, 12],
    sdF: [8, 5],
    wetShare: 0.3,
    wetDayIn: 0.35,
  },
  transition: {
    meanF: 56,
    halfRangeF: 21,
    warmestDay: 200,
    dailyHalfRangeF: [9, 11],
    sdF: [7.5, 4.5],
    wetShare: 0.28,
    wetDayIn: 0.4,
  },
  south: {
    meanF: 68,
    halfRangeF: 14,
    warmestDay: 203,
    dailyHalfRangeF: [10, 10],
    sdF: [7, 3],
    wetShare: 0.3,
    wetDayIn: 0.5,
  },
};

const pasts = new Map<string, PastYear[]>();

/** Years before one, the same for every seed: making them anew takes longer than what is tested. */
function pastOf(region: Region, year: number): PastYear[] {
  const key = `${region} ${year}`;
  let past = pasts.get(key);
  if (!past) {
    past = syntheticPast(testClimate[region], year, 20, 1);
    pasts.set(key, past);
  }
  return past;
}

/** A year at a made-up station as it stands on a day. */
export function testWeather(region: Region, seed: number, today: LocalDate): WeatherBundle {
  const year = yearOf(today);
  const truth = [
    ...syntheticYear(testClimate[region], year, seed),
    ...syntheticYear(testClimate[region], year + 1, seed),
  ];
  const index = daysBetween(localDate(`${year}-01-01`), today);
  return {
    station: { id: `test-${region}`, name: region, region, latitude: 38, standIn: true },
    today,
    days: truth.slice(0, index + 1),
    forecast: syntheticForecast(truth.slice(index + 1), today, seed),
    climate: climateNormals(testClimate[region]),
    past: pastOf(region, year),
  };
}
