import { z } from 'zod';
import { weatherBundleSchema } from '../weather';
import { applicationRecordSchema } from './applicationRecord';
import { companySchema } from './company';
import { customerSchema } from './customer';
import { lawnSchema, lawnSummarySchema } from './lawn';
import { photoSchema } from './photo';
import { readingSchema } from './reading';
import { soilSampleSchema } from './soilSample';
import { visitSchema } from './visit';
import { reportSchema } from './visitReport';

/** Everything of one lawn but its weather. */
export const lawnFileSchema = z.object({
  lawn: lawnSchema,
  visits: z.array(visitSchema),
  records: z.array(applicationRecordSchema),
  readings: z.array(readingSchema),
  samples: z.array(soilSampleSchema),
  photos: z.array(photoSchema),
  reports: z.array(reportSchema),
});
export type LawnFile = z.infer<typeof lawnFileSchema>;

/** What a phone takes along to work where there is no signal. */
export const takeAlongSchema = z.object({
  company: companySchema,
  customers: z.array(customerSchema),
  summaries: z.array(lawnSummarySchema),
  files: z.array(lawnFileSchema),
  /** By station id. */
  weather: z.record(z.string(), weatherBundleSchema),
});
export type TakeAlong = z.infer<typeof takeAlongSchema>;
