import { daysBetween } from '../units';
import { csvNumber } from './csvNumber';
import Papa from 'papaparse';
import { dailyWeatherSchema, type DailyWeather } from '../weather';
import type { RowError } from './rowError';
import type { WeatherImport } from './weatherImport';
import { isGhcnDaily, parseGhcnDaily } from './ghcnDaily';
import { summerHigh } from './summerHigh';
import { isHourly, parseHourlyWeather } from './hourlyWeatherCsv';

type Field = 'date' | 'tmax' | 'tmin' | 'rain' | 'rh' | 'wind';
interface Column {
  field: Field;
  index: number;
  convert: (value: number) => number;
}

const toF = (c: number) => c * 1.8 + 32;
const REQUIRED: readonly Field[] = ['date', 'tmax', 'tmin', 'rain'];
/** Heading → field and unit. Temperatures must say their unit. */
const HEADINGS: readonly [RegExp, Field, (value: number) => number][] = [
  [/^date$/, 'date', (v) => v],
  [/^t_?max[ _(]*(°?f)\)?$/, 'tmax', (v) => v],
  [/^t_?max[ _(]*(°?c)\)?$/, 'tmax', toF],
  [/^t_?min[ _(]*(°?f)\)?$/, 'tmin', (v) => v],
  [/^t_?min[ _(]*(°?c)\)?$/, 'tmin', toF],
  [/^rain[ _(]*in\)?$/, 'rain', (v) => v],
  [/^rain[ _(]*mm\)?$/, 'rain', (v) => v / 25.4],
  [/^rh([ _(]*(%|pct)\)?)?$/, 'rh', (v) => v],
  [/^wind[ _(]*mph\)?$/, 'wind', (v) => v],
  [/^wind[ _(]*(m\/?s|mps)\)?$/, 'wind', (v) => v * 2.236936],
];

function readHeader(cells: readonly string[]): { columns: Column[]; errors: RowError[] } {
  const columns: Column[] = [];
  const errors: RowError[] = [];
  cells.forEach((cell, index) => {
    const name = cell.trim().toLowerCase();
    const heading = HEADINGS.find(([pattern]) => pattern.test(name));
    if (heading) columns.push({ field: heading[1], index, convert: heading[2] });
    else if (/^t_?(max|min)$/.test(name)) {
      errors.push({
        row: 1,
        column: cell,
        message: `say the unit in the heading: ${name}_f or ${name}_c`,
      });
    } else if (/^rain$/.test(name)) {
      errors.push({
        row: 1,
        column: cell,
        message: 'say the unit in the heading: rain_in or rain_mm',
      });
    } else if (/^(t_?max|t_?min|rain|wind)/.test(name)) {
      errors.push({ row: 1, column: cell, message: `unknown unit in "${cell.trim()}"` });
    }
  });
  for (const field of REQUIRED) {
    const named = errors.some(({ column }) =>
      column?.toLowerCase().replace('_', '').startsWith(field),
    );
    if (!named && !columns.some((column) => column.field === field)) {
      errors.push({ row: 1, column: field, message: `the column "${field}" is missing` });
    }
  }
  return { columns, errors };
}

/**
 * Reads daily weather from CSV. The header names `date`, `tmax_f` or `tmax_c`, `tmin_f` or `tmin_c`,
 * `rain_in` or `rain_mm`, and if wanted `rh_pct` and `wind_mph` or `wind_ms`, in any order. Hourly
 * files and station files of GHCN-Daily are known by their headings.
 * @returns every good day, and every fault at its row; a file with a bad header has no days
 */
export function parseWeatherCsv(text: string): WeatherImport {
  const headings = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { preview: 1 }).data[0] ?? [];
  if (isGhcnDaily(headings)) return parseGhcnDaily(text);
  if (isHourly(headings)) return parseHourlyWeather(text);
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const header = data[0];
  if (!header)
    return { days: [], errors: [{ row: 1, column: null, message: 'the file is empty' }], gaps: 0 };
  const { columns, errors } = readHeader(header);
  if (errors.length > 0) return { days: [], errors, gaps: 0 };
  const days: DailyWeather[] = [];
  const seen = new Map<string, number>();
  data.slice(1).forEach((cells, offset) => {
    const row = offset + 2;
    const fields: Record<string, string | number> = {};
    let faulty = false;
    for (const { field, index, convert } of columns) {
      const cell = (cells[index] ?? '').trim();
      if (cell === '' && !REQUIRED.includes(field)) continue;
      if (field === 'date') {
        fields.date = cell;
        continue;
      }
      const value = csvNumber(cell);
      if (cell === '' || !Number.isFinite(value)) {
        errors.push({
          row,
          column: field,
          message: cell === '' ? 'no value' : `"${cell}" is not a number`,
        });
        faulty = true;
        continue;
      }
      const key = { tmax: 'tmaxF', tmin: 'tminF', rain: 'rainIn', rh: 'rhPct', wind: 'windMph' }[
        field
      ];
      fields[key] = convert(value);
    }
    if (faulty) return;
    const parsed = dailyWeatherSchema.safeParse(fields);
    if (!parsed.success) {
      parsed.error.issues.forEach((issue) =>
        errors.push({ row, column: String(issue.path[0] ?? ''), message: issue.message }),
      );
      return;
    }
    const earlier = seen.get(parsed.data.date);
    if (earlier !== undefined) {
      errors.push({
        row,
        column: 'date',
        message: `${parsed.data.date} is already in row ${earlier}`,
      });
      return;
    }
    const doubt = summerHigh(parsed.data);
    if (doubt) {
      errors.push({ row, column: 'tmax', message: doubt });
      return;
    }
    seen.set(parsed.data.date, row);
    days.push(parsed.data);
  });
  days.sort((a, b) => (a.date < b.date ? -1 : 1));
  const [first, last] = [days[0], days.at(-1)];
  // Days between the first and the last that nobody wrote down.
  const span = first && last ? daysBetween(first.date, last.date) + 1 : 0;
  return { days, errors, gaps: Math.max(0, span - (data.length - 1)) };
}
