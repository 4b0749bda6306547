import { z } from 'zod';

export const failureCodeSchema = z.enum([
  'bad-input',
  'signed-out',
  'wrong-credentials',
  'too-many-tries',
  'not-allowed',
  'not-found',
  'stale-version',
  'no-room',
  'unavailable',
  'internal',
]);
export type FailureCode = z.infer<typeof failureCodeSchema>;

/** Body of every answer that is not a success. `path` points at the field or row. */
export const failureSchema = z.object({
  error: z.object({
    code: failureCodeSchema,
    message: z.string(),
    path: z.array(z.union([z.string(), z.number()])).optional(),
    issues: z
      .array(
        z.object({
          path: z.array(z.union([z.string(), z.number()])),
          message: z.string(),
        }),
      )
      .optional(),
  }),
});
export type Failure = z.infer<typeof failureSchema>;
