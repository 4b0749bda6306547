import Papa from 'papaparse';
import { localDate } from '../../units';
import type { DailyWeather } from '../dailyWeather';

/**
 * Years of one place out of a file `location,date,precipitation,temp_max,temp_min,wind,…` in mm,
 * °C and m/s.
 */
export function cityYears(csv: string, place: string): { year: number; days: DailyWeather[] }[] {
  const { data } = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true });
  const years = new Map<number, DailyWeather[]>();
  for (const row of data) {
    if (row.location !== place) continue;
    const date = localDate((row.date as string).replaceAll('/', '-'));
    const year = Number(date.slice(0, 4));
    const days = years.get(year) ?? [];
    years.set(year, days);
    days.push({
      date,
      tmaxF: Number(row.temp_max) * 1.8 + 32,
      tminF: Number(row.temp_min) * 1.8 + 32,
      rainIn: Number(row.precipitation) / 25.4,
    });
  }
  return [...years].map(([year, days]) => ({ year, days }));
}
