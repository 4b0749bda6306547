import { z } from 'zod';
import { weatherBundleSchema } from '../weather';
import { applicationRecordSchema } from './applicationRecord';
import { companySchema } from './company';
import { customerSchema } from './customer';
import { lawnSchema } from './lawn';
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

/** Lawns are compared in so many groups, by their ids: a change of one sends its group again. */
export const TAKE_ALONG_GROUPS = 64;

/**
 * What a phone has taken along before, as the server's own short digests. `files` holds one digest of
 * `DIGEST_LETTERS` for each group of lawns, one after the other.
 */
export const takenSchema = z.object({
  company: z.string().max(16).optional(),
  customers: z.string().max(16).optional(),
  files: z.string().max(4096).optional(),
  weather: z.string().max(16).optional(),
});
export type Taken = z.infer<typeof takenSchema>;
export const DIGEST_LETTERS = 6;

/**
 * What a phone takes along to work where there is no signal. A part that the phone has already, by its
 * digests, is left out; of the lawns those come whose group has changed.
 */
export const takeAlongSchema = z.object({
  company: companySchema.optional(),
  customers: z.array(customerSchema).optional(),
  files: z.array(lawnFileSchema),
  /** By station id. */
  weather: z.record(z.string(), weatherBundleSchema).optional(),
  /** How many lawns there are in all, sent or not. */
  lawns: z.number().int().nonnegative(),
  /** To be kept and sent along the next time. */
  taken: takenSchema.required(),
});
export type TakeAlong = z.infer<typeof takeAlongSchema>;
