import { csvText } from './csvText';
import type { DayReading } from '../program/lawnYear';

const round = (value: number | null, digits: number): number | '' =>
  value === null ? '' : Number(value.toFixed(digits));

/** A zone's year as CSV, one row a day; `measured` tells the past from the projection. */
export function writeYearCsv(days: readonly DayReading[]): string {
  return csvText({
    fields: [
      'date',
      'measured',
      'soil_2in_f',
      'soil_low_f',
      'soil_high_f',
      'air_max_f',
      'air_min_f',
      'rain_in',
      'water_deficit_in',
      'growth_potential_pct',
    ],
    data: days.map((day) => [
      day.date,
      day.measured ? 'yes' : 'no',
      round(day.soilF, 1),
      round(day.soilLowF, 1),
      round(day.soilHighF, 1),
      round(day.airHighF, 1),
      round(day.airLowF, 1),
      round(day.rainIn, 2),
      round(day.deficitIn, 2),
      round(day.growth * 100, 0),
    ]),
  });
}
