import { z } from 'zod';
import { pointSchema } from '../lawn';
import { localDateSchema } from '../weather';

/** Largest photo that is taken, bytes. */
export const PHOTO_LIMIT_BYTES = 6_000_000;

/** What is known of a photo; its bytes travel apart, in pieces. */
export const photoBodySchema = z.object({
  lawnId: z.uuid(),
  date: localDateSchema,
  at: pointSchema.nullable().default(null),
  note: z.string().max(500).default(''),
  /** Made by a stand-in, not by a camera. */
  standIn: z.boolean().default(false),
  type: z.enum(['image/jpeg', 'image/png']),
  bytes: z.number().int().positive().max(PHOTO_LIMIT_BYTES, 'a photo is at most 6 MB'),
});
export type PhotoBody = z.infer<typeof photoBodySchema>;
export const photoSchema = photoBodySchema.extend({
  id: z.uuid(),
  version: z.number().int(),
  /** Bytes that have arrived. */
  received: z.number().int(),
});
export type Photo = z.infer<typeof photoSchema>;
