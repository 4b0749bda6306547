import { z } from 'zod';
import { isLocalDate, localDate } from '../units';

/** Days that mean something here, of clocks, of work and of the longest weather records of the country. */
const FIRST_DAY = '1800-01-01';
const LAST_DAY = '2100-12-31';

export const localDateSchema = z
  .string()
  .max(10, 'a calendar day as YYYY-MM-DD')
  .refine((text) => isLocalDate(text) && text >= FIRST_DAY && text <= LAST_DAY, {
    error: 'a calendar day as YYYY-MM-DD, from 1800 to 2100',
    abort: true,
  })
  .transform((text) => localDate(text));

/** One day at a station. Air in °F, rain in inches, wind in mph. */
export const dailyWeatherSchema = z
  .object({
    date: localDateSchema,
    tmaxF: z.number().min(-60).max(135),
    tminF: z.number().min(-80).max(110),
    rainIn: z.number().min(0).max(30).default(0),
    rhPct: z.number().min(0).max(100).optional(),
    windMph: z.number().min(0).max(150).optional(),
    /** Depth of snow on the ground. */
    snowIn: z.number().min(0).max(400).optional(),
  })
  .refine((day) => day.tmaxF >= day.tminF, {
    path: ['tmaxF'],
    message: 'the high is below the low',
  });
export type DailyWeather = z.infer<typeof dailyWeatherSchema>;

/** What a day of the year is usually like at a station. */
export const climateDaySchema = z.object({
  tmaxF: z.number(),
  tminF: z.number(),
  /** Standard deviation of the daily mean about normal, °F. */
  sdF: z.number().nonnegative(),
});
export type ClimateDay = z.infer<typeof climateDaySchema>;

/** A year that has been, as departures from normal: the projection's members are drawn from these. */
export const pastYearSchema = z.object({
  year: z.number().int(),
  /** Daily mean air less normal, °F, by day of year. */
  anomalyF: z.array(z.number()).length(366),
  rainIn: z.array(z.number().nonnegative()).length(366),
});
export type PastYear = z.infer<typeof pastYearSchema>;

/** Mean air temperature of a day, °F: halfway between high and low. */
export const meanAir = (day: Pick<DailyWeather, 'tmaxF' | 'tminF'>): number =>
  (day.tmaxF + day.tminF) / 2;
