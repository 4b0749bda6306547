import {
  SEASON_DEPTH_IN,
  siteSoil,
  stationFrost,
  zoneSoil,
  type ProbeReading,
  type SoilSeason,
  type WeatherBundle,
} from '../weather';
import { siteFactors } from '../lawn';
import type { Application } from '../rates';
import { planSeason } from './planSeason';
import type { SeasonInput, SeasonRequest } from '../needs/seasonInput';
import type { Season } from '../courses/step';

export interface LawnSeason {
  season: Season;
  /** Soil season of each zone, by zone id. */
  soil: ReadonlyMap<string, SoilSeason>;
}

/**
 * The year of a lawn from what is stored about it: soil first, zone by zone, then the steps. Zones
 * with the same site share its simulated years, whatever probes say of each.
 * @param shared soil seasons by site on the same weather, kept from lawn to lawn by the caller
 */
export function lawnSeason(
  request: SeasonRequest,
  weather: WeatherBundle,
  readings: readonly ProbeReading[],
  records: readonly Application[],
  history: ReadonlyMap<string, readonly string[]> = new Map(),
  shared: Map<string, SoilSeason> = new Map(),
): LawnSeason {
  const input = lawnSeasonInput(request, weather, readings, records, history, shared);
  return { season: planSeason(input), soil: input.soil };
}

/** What a lawn's season is planned from: the request, and the soil of every zone. */
export function lawnSeasonInput(
  request: SeasonRequest,
  weather: WeatherBundle,
  readings: readonly ProbeReading[],
  records: readonly Application[],
  history: ReadonlyMap<string, readonly string[]> = new Map(),
  shared: Map<string, SoilSeason> = new Map(),
): SeasonInput {
  const soil = new Map<string, SoilSeason>();
  for (const zone of request.zones) {
    const factors = siteFactors(zone);
    const key = [...factors].sort().join();
    const site = shared.get(key) ?? siteSoil(factors, weather);
    shared.set(key, site);
    soil.set(zone.id, zoneSoil({ id: zone.id, factors }, weather, readings, SEASON_DEPTH_IN, site));
  }
  const rain10DaysIn = weather.days.slice(-10).reduce((sum, day) => sum + day.rainIn, 0);
  return { ...request, soil, records, rain10DaysIn, history, frost: stationFrost(weather) };
}
