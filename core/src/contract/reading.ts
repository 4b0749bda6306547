import { z } from 'zod';
import { probeReadingSchema } from '../weather';

/** A probe reading with the lawn it belongs to. */
export const readingBodySchema = probeReadingSchema.omit({ id: true }).extend({ lawnId: z.uuid() });
export type ReadingBody = z.infer<typeof readingBodySchema>;
export const readingSchema = readingBodySchema.extend({ id: z.uuid(), version: z.number().int() });
export type Reading = z.infer<typeof readingSchema>;
