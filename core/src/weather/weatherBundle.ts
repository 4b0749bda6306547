import { z } from 'zod';
import { regionSchema } from '../knowledge';
import {
  climateDaySchema,
  dailyWeatherSchema,
  localDateSchema,
  pastYearSchema,
} from './dailyWeather';

/** Everything a station says of one year, as it stands on one day. */
export const weatherBundleSchema = z.object({
  station: z.object({
    id: z.string(),
    name: z.string(),
    region: regionSchema,
    /** Degrees, north positive. */
    latitude: z.number().min(0, 'the seasons are those of the northern half of the earth').max(66),
    /** Made-up weather: the screen says so. */
    standIn: z.boolean(),
  }),
  today: localDateSchema,
  /** Measured days from 1 January, without gaps, ending on `today`. */
  days: z.array(dailyWeatherSchema).min(1),
  forecast: z.array(dailyWeatherSchema.and(z.object({ sdF: z.number().nonnegative() }))),
  /** Normals by day of year, 366 entries. */
  climate: z.array(climateDaySchema).length(366),
  /** Years before this one; with too few of them the projection draws its own. */
  past: z.array(pastYearSchema).max(40).default([]),
});
export type WeatherBundle = z.infer<typeof weatherBundleSchema>;

/** A soil thermometer reading of one zone: several spots at one hour. */
export const probeReadingSchema = z.object({
  id: z.uuid(),
  zoneId: z.uuid(),
  date: localDateSchema,
  /** Clock hour of the reading, 0-24. */
  hour: z.number().min(0).max(24),
  depthIn: z.number().min(1).max(9),
  valuesF: z.array(z.number().min(-10).max(130)).min(1, 'read at least one spot').max(12),
});
export type ProbeReading = z.infer<typeof probeReadingSchema>;
