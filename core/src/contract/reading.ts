import { z } from 'zod';
import { localDateSchema, probeReadingSchema } from '../weather';

/** Taken back by who took it: kept in the papers, counted nowhere. */
const takenBack = z.boolean().default(false);

/** A soil thermometer reading with the lawn it belongs to. */
const temperatureBodySchema = probeReadingSchema
  .omit({ id: true })
  .extend({ kind: z.literal('temperature').optional(), lawnId: z.uuid(), takenBack });

/** A pH kit at several spots, the first where the turf is best. */
const phBodySchema = z.object({
  kind: z.literal('ph'),
  lawnId: z.uuid(),
  zoneId: z.uuid(),
  date: localDateSchema,
  spots: z
    .array(z.number().min(2, 'pH lies between 2 and 12').max(12, 'pH lies between 2 and 12'))
    .min(1, 'read at least one spot')
    .max(12),
  /** Whose chart was read: a kit's name as it stands on the box, or what it reads by. */
  kit: z.string().trim().max(60).default(''),
  /** Tap water of its own shifts the colour. */
  water: z.enum(['distilled', 'rain', 'tap', 'unknown']).default('unknown'),
  takenBack,
});

/** What was read in a zone's soil on one day. */
export const readingBodySchema = z.discriminatedUnion('kind', [
  temperatureBodySchema,
  phBodySchema,
]);
export type ReadingBody = z.infer<typeof readingBodySchema>;
const stored = { id: z.uuid(), version: z.number().int() };
export const readingSchema = z.discriminatedUnion('kind', [
  temperatureBodySchema.extend(stored),
  phBodySchema.extend(stored),
]);
export type Reading = z.infer<typeof readingSchema>;
export type PhReading = Extract<Reading, { kind: 'ph' }>;
