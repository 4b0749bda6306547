import { z } from 'zod';

export const weatherImportSchema = z.object({
  /** The file's text. */
  csv: z.string().min(1, 'the file is empty').max(2_000_000, 'the file is larger than 2 MB'),
  /** False: only look, keep nothing. */
  keep: z.boolean().default(true),
});

export const weatherImportResultSchema = z.object({
  days: z.number().int(),
  from: z.string().nullable(),
  to: z.string().nullable(),
  kept: z.boolean(),
  /** Days left out because the file has too little of them. */
  gaps: z.number().int(),
  errors: z.array(
    z.object({ row: z.number().int(), column: z.string().nullable(), message: z.string() }),
  ),
});
export type WeatherImportResult = z.infer<typeof weatherImportResultSchema>;
