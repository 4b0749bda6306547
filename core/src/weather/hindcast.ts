import type { SiteFactor } from '../knowledge';
import { addDays, dayOfYear, daysBetween, localDate, type LocalDate } from '../units';
import { meanAir, type ClimateDay, type DailyWeather, type PastYear } from './dailyWeather';
import { pastYear } from './syntheticWeather';
import { soilSeason } from './soilSeason';

/** Daily weather of whole years at one place, in order of year. */
export type WeatherYears = readonly { year: number; days: readonly DailyWeather[] }[];

/** Open lawn in the sun, mown short. */
const SITE: readonly SiteFactor[] = ['full-sun-short'];
/** Harmonics of the yearly wave that normals are smoothed to: a few years leave no finer truth. */
const HARMONICS = 2;
const YEAR = 366;
/** A projection wants a month of weather and the soil's own warm-up behind it. */
const LEAST_KNOWN_DAYS = 35;

/** Least squares on a constant and the first harmonics, evaluated on each day of the year. */
function smooth(values: readonly { day: number; value: number }[]): number[] {
  const basis = (day: number) => {
    const row = [1];
    for (let k = 1; k <= HARMONICS; k += 1) {
      const angle = (2 * Math.PI * k * day) / YEAR;
      row.push(Math.cos(angle), Math.sin(angle));
    }
    return row;
  };
  const size = 1 + 2 * HARMONICS;
  const matrix = Array.from({ length: size }, () => new Array<number>(size + 1).fill(0));
  for (const { day, value } of values) {
    const row = basis(day);
    for (let i = 0; i < size; i += 1) {
      for (let j = 0; j < size; j += 1) matrix[i]![j]! += row[i]! * row[j]!;
      matrix[i]![size]! += row[i]! * value;
    }
  }
  // Gauss-Jordan; the normal equations of a year of days are well conditioned.
  for (let pivot = 0; pivot < size; pivot += 1) {
    const head = matrix[pivot]![pivot]!;
    for (let j = pivot; j <= size; j += 1) matrix[pivot]![j]! /= head;
    for (let i = 0; i < size; i += 1) {
      if (i === pivot) continue;
      const factor = matrix[i]![pivot]!;
      for (let j = pivot; j <= size; j += 1) matrix[i]![j]! -= factor * matrix[pivot]![j]!;
    }
  }
  const weights = matrix.map((row) => row[size]!);
  return Array.from({ length: YEAR }, (_, index) =>
    basis(index + 1).reduce((sum, value, i) => sum + value * weights[i]!, 0),
  );
}

/** Normals of a place from the years it has, smoothed over the year. Shape (366). */
export function normalsOf(years: WeatherYears): ClimateDay[] {
  const points = (of: (day: DailyWeather) => number) =>
    years.flatMap(({ days }) => days.map((day) => ({ day: dayOfYear(day.date), value: of(day) })));
  const high = smooth(points(({ tmaxF }) => tmaxF));
  const low = smooth(points(({ tminF }) => tminF));
  const variance = smooth(
    points(meanAir).map(({ day, value }) => ({
      day,
      value: (value - (high[day - 1]! + low[day - 1]!) / 2) ** 2,
    })),
  );
  return high.map((tmaxF, index) => ({
    tmaxF,
    tminF: low[index]!,
    sdF: Math.sqrt(Math.max(4, variance[index]!)),
  }));
}

/** Departures of each year from normals that do not know it. */
export const pastOf = (years: WeatherYears, climate: readonly ClimateDay[]): PastYear[] =>
  years.map(({ year, days }) => pastYear(year, days, climate.map(meanAir)));

export interface HindcastLead {
  leadDays: number;
  cases: number;
  /** Mean error of the projected day, days, and of the mean day of the other years. */
  projected: number;
  calendar: number;
  /** Share of the years whose day lay within the 80 % band. */
  within: number;
}

/**
 * How well a crossing is foretold: each year is projected from so many days before its crossing, by
 * what the other years teach and no forecast at all, and held against the day in the soil of the
 * whole year.
 * @param years whole years, three or more
 * @returns one row a lead; leads that fall before the year's fifth week are left out
 */
export function hindcast(
  years: WeatherYears,
  thresholdF: number,
  direction: 'rising' | 'falling',
  leads: readonly number[],
  forecast: (
    year: number,
    today: LocalDate,
  ) => readonly (DailyWeather & { sdF: number })[] = () => [],
): HindcastLead[] {
  const base = { factors: SITE, depthIn: 2, seed: 1 };
  const truth = years.map(({ year, days }) => {
    const end = localDate(`${year}-12-31`);
    const season = soilSeason({
      ...base,
      today: end,
      measured: days,
      forecast: [],
      climate: normalsOf(years),
      until: end,
    });
    return season.crossing(thresholdF, direction, year)?.date ?? null;
  });
  const rows = leads.map((leadDays) => ({
    leadDays,
    cases: 0,
    projected: 0,
    calendar: 0,
    within: 0,
  }));
  years.forEach(({ year, days }, index) => {
    const day = truth[index];
    const dates = truth.flatMap((date, other) =>
      date && other !== index ? [dayOfYear(date)] : [],
    );
    if (!day || dates.length === 0) return;
    const mean = dates.reduce((sum, value) => sum + value, 0) / dates.length;
    const others = years.filter((other) => other.year !== year);
    const climate = normalsOf(others);
    const past = pastOf(others, climate);
    for (const row of rows) {
      const today = addDays(day, -row.leadDays);
      const known = daysBetween(localDate(`${year}-01-01`), today) + 1;
      if (known < LEAST_KNOWN_DAYS) continue;
      const season = soilSeason({
        ...base,
        today,
        measured: days.slice(0, known),
        forecast: forecast(year, today),
        climate,
        past,
        until: localDate(`${year + 1}-01-14`),
      });
      const told = season.crossing(thresholdF, direction, year);
      if (!told) continue;
      row.cases += 1;
      row.projected += Math.abs(daysBetween(day, told.date));
      row.calendar += Math.abs(dayOfYear(day) - mean);
      if (told.early <= day && day <= told.late) row.within += 1;
    }
  });
  return rows
    .filter(({ cases }) => cases > 0)
    .map(({ leadDays, cases, projected, calendar, within }) => ({
      leadDays,
      cases,
      projected: projected / cases,
      calendar: calendar / cases,
      within: within / cases,
    }));
}
