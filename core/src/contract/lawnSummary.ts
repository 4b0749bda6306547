import { z } from 'zod';
import { regionSchema } from '../knowledge/region';
import { localDateSchema } from '../weather/dailyWeather';

/** What a step of a season does. */
export const stepKindSchema = z.enum([
  'prevent',
  'control',
  'protect',
  'feed',
  'seed',
  'look-again',
]);

/** A lawn as a row of the list: small, for it is read before anything else. */
export const lawnSummarySchema = z.object({
  id: z.uuid(),
  name: z.string(),
  customer: z.string(),
  region: regionSchema,
  areaFt2: z.number(),
  grasses: z.array(z.object({ species: z.string(), cover: z.number() })),
  lastVisit: z.string().nullable(),
  /** Steps open today. */
  due: z.array(
    z.object({
      stepId: z.string(),
      kind: stepKindSchema,
      zone: z.string(),
      closes: z.string(),
    }),
  ),
  /** Next step that is not open yet. */
  next: z
    .object({
      kind: stepKindSchema,
      opens: z.string(),
    })
    .nullable(),
  clashes: z.number().int(),
  /** What to look for here this week, the most pressing first. */
  scout: z
    .array(
      z.object({
        problem: z.string(),
        class: z.enum(['low', 'watch', 'warn']),
        reasons: z.array(z.enum(['sighted', 'last-year', 'unprotected', 'showpiece'])),
        score: z.number(),
      }),
    )
    .default([]),
  /** What colleagues confirmed at this lawn's station lately. */
  sightings: z.array(z.object({ problem: z.string(), on: localDateSchema })).default([]),
  /** Why nothing could be worked out for it; the other lawns do not wait for that. */
  fault: z.string().nullable().default(null),
  archived: z.boolean(),
  customerId: z.uuid().nullable(),
  /** What waits for a person: patches and plants to look at again, questions, reports overdue. */
  followUps: z.array(
    z.object({
      kind: z.enum(['look-again', 'question', 'report-overdue', 'name-plant']),
      date: z.string(),
    }),
  ),
});
export type LawnSummary = z.infer<typeof lawnSummarySchema>;
