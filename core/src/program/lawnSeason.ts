import { zoneSoil, type ProbeReading, type SoilSeason, type WeatherBundle } from '../weather';
import { siteFactors } from '../lawn';
import type { Application } from '../rates';
import { planSeason } from './planSeason';
import type { SeasonInput, SeasonRequest } from './seasonInput';
import type { Season } from './step';

export interface LawnSeason {
  season: Season;
  /** Soil season of each zone, by zone id. */
  soil: ReadonlyMap<string, SoilSeason>;
}

/**
 * The year of a lawn from what is stored about it: soil first, zone by zone, then the steps. Zones
 * with the same site and no probe readings of their own share one soil season.
 * @param shared soil seasons by site on the same weather, kept from lawn to lawn by the caller
 */
export function lawnSeason(
  request: SeasonRequest,
  weather: WeatherBundle,
  readings: readonly ProbeReading[],
  records: readonly Application[],
  lapsed: ReadonlyMap<string, readonly string[]> = new Map(),
  shared: Map<string, SoilSeason> = new Map(),
): LawnSeason {
  const input = lawnSeasonInput(request, weather, readings, records, lapsed, shared);
  return { season: planSeason(input), soil: input.soil };
}

/** What a lawn's season is planned from: the request, and the soil of every zone. */
export function lawnSeasonInput(
  request: SeasonRequest,
  weather: WeatherBundle,
  readings: readonly ProbeReading[],
  records: readonly Application[],
  lapsed: ReadonlyMap<string, readonly string[]> = new Map(),
  shared: Map<string, SoilSeason> = new Map(),
): SeasonInput {
  const soil = new Map<string, SoilSeason>();
  for (const zone of request.zones) {
    const probed = readings.some(({ zoneId }) => zoneId === zone.id);
    const factors = siteFactors(zone);
    const key = probed ? zone.id : [...factors].sort().join();
    const known = shared.get(key) ?? zoneSoil({ id: zone.id, factors }, weather, readings);
    // What was read in one zone is no other's: kept, it would only fill the memory.
    if (!probed) shared.set(key, known);
    soil.set(zone.id, known);
  }
  const rain10DaysIn = weather.days.slice(-10).reduce((sum, day) => sum + day.rainIn, 0);
  return { ...request, soil, records, rain10DaysIn, lapsed };
}
