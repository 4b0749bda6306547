import { addDays, dayOfYear, daysBetween, localDate, type LocalDate } from '../units';
import { meanAir, type ClimateDay, type DailyWeather, type PastYear } from './dailyWeather';
import { normalDraws, seededRandom } from './seededRandom';

/** A made-up climate: a yearly wave with persistent weather on it. */
export interface SyntheticClimate {
  /** Yearly mean and half-range of the daily mean air, °F. */
  meanF: number;
  halfRangeF: number;
  /** Day of the year with the warmest normal. */
  warmestDay: number;
  /** Half of high less low: winter and summer, °F. */
  dailyHalfRangeF: [winter: number, summer: number];
  /** Standard deviation of a day's mean about normal: winter and summer, °F. */
  sdF: [winter: number, summer: number];
  /** Share of wet days and mean rain on one, in. */
  wetShare: number;
  wetDayIn: number;
}

const PERSISTENCE = 0.75;
/** A wet day is likelier after a wet one. */
const WET_AFTER_WET = 1.6;
const FORECAST_DAYS = 10;

/** How summery a day of the year is: 0 in the depth of winter, 1 at the warmest. */
const summer = (climate: SyntheticClimate, day: number): number =>
  (1 + Math.cos((2 * Math.PI * (day - climate.warmestDay)) / 365.25)) / 2;

const between = ([winter, high]: readonly [number, number], share: number): number =>
  winter + (high - winter) * share;

/** Normals of a made-up climate, 366 entries. */
export function climateNormals(climate: SyntheticClimate): ClimateDay[] {
  return Array.from({ length: 366 }, (_, index) => {
    const share = summer(climate, index + 1);
    const mean = climate.meanF + climate.halfRangeF * (2 * share - 1);
    const half = between(climate.dailyHalfRangeF, share);
    return {
      tmaxF: mean + half,
      tminF: mean - half,
      sdF: between(climate.sdF, share),
    };
  });
}

/**
 * One year of made-up weather. The same climate, year and seed give the same days on every machine.
 * @returns one entry a day from 1 January, 365 or 366
 */
export function syntheticYear(
  climate: SyntheticClimate,
  year: number,
  seed: number,
): DailyWeather[] {
  const uniform = seededRandom(seed * 7919 + year);
  const draw = normalDraws(uniform);
  const normals = climateNormals(climate);
  const start = localDate(`${year}-01-01`);
  const days = daysBetween(start, localDate(`${year + 1}-01-01`));
  let anomaly = draw();
  let wet = false;
  let snow = 0;
  return Array.from({ length: days }, (_, index) => {
    const date = addDays(start, index);
    const normal = normals[dayOfYear(date) - 1] as ClimateDay;
    anomaly = PERSISTENCE * anomaly + Math.sqrt(1 - PERSISTENCE ** 2) * draw();
    wet =
      uniform() <
      climate.wetShare * (wet ? WET_AFTER_WET : 1 - (WET_AFTER_WET - 1) * climate.wetShare);
    const mean = (normal.tmaxF + normal.tminF) / 2 + anomaly * normal.sdF;
    const half = ((normal.tmaxF - normal.tminF) / 2) * (wet ? 0.7 : 0.95 + 0.2 * uniform());
    const rainIn = wet ? round(-Math.log(1 - uniform()) * climate.wetDayIn, 2) : 0;
    snow = snowAfter(snow, mean, rainIn);
    return {
      date,
      tmaxF: round(mean + half),
      tminF: round(mean - half),
      rainIn,
      snowIn: round(snow),
      rhPct: Math.round(Math.max(25, Math.min(98, (wet ? 84 : 62) + 8 * draw()))),
      windMph: round(Math.max(0.5, 6.5 + 2.8 * draw()), 1),
    };
  });
}

/** Ten inches of snow to one of rain below freezing; it settles, and melts by the heat above it. */
const snowAfter = (depthIn: number, meanF: number, rainIn: number): number =>
  meanF <= 32 ? 0.94 * depthIn + 10 * rainIn : Math.max(0, 0.94 * depthIn - 0.3 * (meanF - 32));

/** Years before one, as a station would keep them: departures from normal. */
export function syntheticPast(
  climate: SyntheticClimate,
  before: number,
  count: number,
  seed: number,
): PastYear[] {
  const normals = climateNormals(climate).map(meanAir);
  return Array.from({ length: count }, (_, index) =>
    pastYear(before - 1 - index, syntheticYear(climate, before - 1 - index, seed), normals),
  );
}

/** A year's days as departures from normal; a missing 29 February repeats the day before. */
export function pastYear(
  year: number,
  days: readonly DailyWeather[],
  normalMeanF: readonly number[],
): PastYear {
  const byDay = new Map(days.map((day) => [day.date.slice(5), day]));
  let last = days[0] as DailyWeather;
  const row = Array.from({ length: 366 }, (_, index) => {
    // 2024 is a leap year: its days name all 366.
    const name = addDays(localDate('2024-01-01'), index).slice(5);
    const own = byDay.get(name);
    if (own) last = own;
    return { day: last, own: own !== undefined, index };
  });
  return {
    year,
    anomalyF: row.map(({ day, index }) => round(meanAir(day) - (normalMeanF[index] as number))),
    rainIn: row.map(({ day, own }) => (own ? day.rainIn : 0)),
  };
}

function round(value: number, digits = 1): number {
  const scale = 10 ** digits;
  return Math.round(value * scale) / scale;
}

/**
 * A forecast made on `today`: the made-up truth with an error that grows with the lead.
 * @param truth the days after `today` as they will be, in order
 */
export function syntheticForecast(
  truth: readonly DailyWeather[],
  today: LocalDate,
  seed: number,
): (DailyWeather & { sdF: number })[] {
  const draw = normalDraws(
    seededRandom(seed * 104_729 + daysBetween(localDate('2000-01-01'), today)),
  );
  let error = draw();
  return truth.slice(0, FORECAST_DAYS).map((day, lead) => {
    const sdF = round(1.2 + 0.55 * lead, 2);
    error = PERSISTENCE * error + Math.sqrt(1 - PERSISTENCE ** 2) * draw();
    const shift = round(error * sdF);
    return { ...day, tmaxF: round(day.tmaxF + shift), tminF: round(day.tminF + shift), sdF };
  });
}

/** Air, humidity, rain and wind of one hour. */
export interface HourlyWeather {
  hour: number;
  airF: number;
  rhPct: number;
  rainIn: number;
  windMph: number;
}

/** Hours of a day drawn from its daily values: coolest at 6, warmest at 15, wind at its height then. */
export function hoursOf(day: DailyWeather): HourlyWeather[] {
  const mean = (day.tmaxF + day.tminF) / 2;
  const half = (day.tmaxF - day.tminF) / 2;
  return Array.from({ length: 24 }, (_, hour) => {
    const warmth =
      hour >= 6 && hour <= 15
        ? -Math.cos((Math.PI * (hour - 6)) / 9)
        : Math.cos((Math.PI * (((hour + 24 - 15) % 24) as number)) / 15);
    return {
      hour,
      airF: round(mean + half * warmth),
      rhPct: Math.round(Math.max(20, Math.min(100, (day.rhPct ?? 65) - 18 * warmth))),
      rainIn: hour >= 14 && hour < 18 ? round(day.rainIn / 4, 3) : 0,
      windMph: round(Math.max(0, (day.windMph ?? 6) * (0.75 + 0.45 * warmth))),
    };
  });
}
