import type { DailyWeather } from '../weather';
import type { RowError } from './rowError';

/** What a weather file came to. */
export interface WeatherImport {
  /** Good days in order of date; empty when the header cannot be read. */
  days: DailyWeather[];
  errors: RowError[];
  /** Days that the file has too little of to be used. */
  gaps: number;
}
