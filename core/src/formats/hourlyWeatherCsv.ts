import { summerHigh } from './summerHigh';
import { csvNumber } from './csvNumber';
import { dailyWeatherSchema, type DailyWeather } from '../weather';
import { csvRows } from './csvRows';
import type { RowError } from './rowError';
import type { WeatherImport } from './weatherImport';

const COLUMNS = [
  'time',
  'air_f',
  'air_c',
  'rain_in',
  'rain_mm',
  'rh_pct',
  'wind_mph',
  'wind_ms',
] as const;
type Column = (typeof COLUMNS)[number];
/** A day with fewer hours than this has no true high and low. */
const LEAST_HOURS = 20;

interface Hour {
  hour: number;
  airF: number;
  rainIn: number;
  rhPct?: number;
  windMph?: number;
}

const mean = (values: readonly number[]) =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** Whether a header is that of hourly weather. */
export const isHourly = (header: readonly string[]): boolean =>
  header.some((cell) => cell.trim().toLowerCase() === 'time');

/**
 * Reads hourly weather and makes days of it: highest, lowest, sum of the rain, means of the rest.
 * `time` is local, `2026-04-08 14:00`; air in °F or °C, rain in in or mm, wind in mph or m/s. Days with
 * fewer than 20 hours are gaps.
 */
export function parseHourlyWeather(text: string): WeatherImport {
  const { rows, errors } = csvRows<Column>(text, COLUMNS, ['time']);
  const found: RowError[] = [...errors];
  const byDay = new Map<string, Hour[]>();
  for (const { row, cells } of rows) {
    const time = /^(\d{4}-\d{2}-\d{2})[T ](\d{1,2}):?(\d{2})?/.exec(cells.time ?? '');
    if (!time) {
      found.push({ row, column: 'time', message: 'a local time as 2026-04-08 14:00' });
      continue;
    }
    const before = found.length;
    const read = (column: Column): number | undefined => {
      const cell = cells[column] ?? '';
      if (cell === '') return undefined;
      const value = csvNumber(cell);
      if (Number.isFinite(value)) return value;
      found.push({ row, column, message: `"${cell}" is not a number` });
      return undefined;
    };
    const celsius = read('air_c');
    const airF = read('air_f') ?? (celsius === undefined ? undefined : celsius * 1.8 + 32);
    const millimetres = read('rain_mm');
    const rainIn = read('rain_in') ?? (millimetres ?? 0) / 25.4;
    const metres = read('wind_ms');
    const windMph = read('wind_mph') ?? (metres === undefined ? undefined : metres * 2.236936);
    const rhPct = read('rh_pct');
    if (found.length > before) continue;
    if (airF === undefined) {
      found.push({ row, column: 'air_f', message: 'no air temperature (air_f or air_c)' });
      continue;
    }
    const day = byDay.get(time[1] as string) ?? [];
    byDay.set(time[1] as string, day);
    const hour = Number(time[2]);
    if (day.some((entry) => entry.hour === hour)) {
      found.push({ row, column: 'time', message: `${time[1]} ${hour}:00 is there twice` });
      continue;
    }
    day.push({
      hour,
      airF,
      rainIn,
      ...(rhPct === undefined ? {} : { rhPct }),
      ...(windMph === undefined ? {} : { windMph }),
    });
  }
  let gaps = 0;
  const days: DailyWeather[] = [];
  for (const [date, hours] of byDay) {
    if (hours.length < LEAST_HOURS) {
      gaps += 1;
      continue;
    }
    const humid = hours.flatMap(({ rhPct }) => rhPct ?? []);
    const windy = hours.flatMap(({ windMph }) => windMph ?? []);
    const parsed = dailyWeatherSchema.safeParse({
      date,
      tmaxF: Math.max(...hours.map(({ airF }) => airF)),
      tminF: Math.min(...hours.map(({ airF }) => airF)),
      rainIn: hours.reduce((sum, { rainIn }) => sum + rainIn, 0),
      ...(humid.length > 0 ? { rhPct: mean(humid) } : {}),
      ...(windy.length > 0 ? { windMph: mean(windy) } : {}),
    });
    const doubt = parsed.success ? summerHigh(parsed.data) : null;
    if (doubt) found.push({ row: 1, column: 'tmaxF', message: `${date}: ${doubt}` });
    else if (parsed.success) days.push(parsed.data);
    else {
      parsed.error.issues.forEach((issue) =>
        found.push({ row: 1, column: String(issue.path[0]), message: `${date}: ${issue.message}` }),
      );
    }
  }
  return { days: days.sort((a, b) => (a.date < b.date ? -1 : 1)), errors: found, gaps };
}
