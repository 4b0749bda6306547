import { csvNumber } from './csvNumber';
import Papa from 'papaparse';
import { dailyWeatherSchema, type DailyWeather } from '../weather';
import type { RowError } from './rowError';
import type { WeatherImport } from './weatherImport';

/** Tenths of °C, tenths of mm, mm of snow and tenths of m/s: the units of the layout. */
const celsius = (tenths: number) => (tenths / 10) * 1.8 + 32;
const rain = (tenths: number) => tenths / 10 / 25.4;
const snow = (millimetres: number) => millimetres / 25.4;
const wind = (tenths: number) => (tenths / 10) * 2.236936;

/** Whether a header is that of NOAA's GHCN-Daily station files, whose attribute columns give it away. */
export const isGhcnDaily = (header: readonly string[]): boolean =>
  header.includes('DATE') && header.includes('TMAX_ATTRIBUTES');

/**
 * Reads a station file of NOAA's Global Historical Climatology Network - Daily (CSV by station). Days
 * on which the station has no high or no low are gaps, not faults: they are counted.
 * Layout: readme of the archive (National Centers for Environmental Information).
 */
export function parseGhcnDaily(text: string): WeatherImport {
  const { data } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  });
  const days: DailyWeather[] = [];
  const errors: RowError[] = [];
  const stations = new Set<string>();
  let gaps = 0;
  data.forEach((cells, offset) => {
    const row = offset + 2;
    if (cells.STATION) stations.add(cells.STATION.trim());
    const read = (column: string): number | undefined => {
      const cell = (cells[column] ?? '').trim();
      if (cell === '') return undefined;
      const value = csvNumber(cell);
      if (Number.isFinite(value)) return value;
      errors.push({ row, column, message: `"${cell}" is not a number` });
      return undefined;
    };
    const before = errors.length;
    const [high, low, fell, depth, blew] = ['TMAX', 'TMIN', 'PRCP', 'SNWD', 'AWND'].map(read);
    if (errors.length > before) return;
    if (high === undefined || low === undefined) {
      gaps += 1;
      return;
    }
    const parsed = dailyWeatherSchema.safeParse({
      date: (cells.DATE ?? '').trim(),
      tmaxF: celsius(high),
      tminF: celsius(low),
      rainIn: rain(fell ?? 0),
      ...(depth === undefined ? {} : { snowIn: snow(depth) }),
      ...(blew === undefined ? {} : { windMph: wind(blew) }),
    });
    if (parsed.success) days.push(parsed.data);
    else {
      parsed.error.issues.forEach((issue) =>
        errors.push({ row, column: String(issue.path[0] ?? ''), message: issue.message }),
      );
    }
  });
  if (stations.size > 1) {
    errors.push({
      row: 1,
      column: 'STATION',
      message: `the file holds ${stations.size} stations: one at a time`,
    });
  }
  return { days: days.sort((a, b) => (a.date < b.date ? -1 : 1)), errors, gaps };
}
