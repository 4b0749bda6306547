import { z } from 'zod';
import { localDateSchema } from '../weather/dailyWeather';
import { stepKindSchema } from './lawnSummary';

/** Work for one thing that came to lie on another day, or came or went, with the one input that did it. */
const workMoveSchema = z.object({
  works: z.array(z.string()),
  kind: stepKindSchema,
  from: localDateSchema.nullable(),
  to: localDateSchema.nullable(),
  /** What it puts down now, where that is something else. */
  products: z.array(z.object({ kind: z.string(), slug: z.string() })).optional(),
  /** It puts down more or less of the same. */
  amount: z.literal(true).optional(),
  cause: z.string(),
});

/** A change of a lawn's plan that somebody would care about. */
export const lawnRevisionSchema = z.object({
  /** Grows from one to the next. */
  id: z.number().int(),
  day: localDateSchema,
  moves: z.array(workMoveSchema),
});
export type LawnRevision = z.infer<typeof lawnRevisionSchema>;
