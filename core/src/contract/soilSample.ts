import { z } from 'zod';
import { soilReportSchema } from '../fertility';
import { localDateSchema } from '../weather';

/** A bag of soil on its way to the laboratory and back. */
export const soilSampleBodySchema = z.object({
  lawnId: z.uuid(),
  zoneId: z.uuid(),
  /** The day it was bagged. */
  date: localDateSchema,
  bagId: z.string().trim().min(1, 'write the id on the bag').max(40),
  cores: z.number().int().min(1, 'at least one core').max(60),
  depthIn: z.number().positive().max(12),
  /** Best turf as a control, or a poor spot. */
  from: z.enum(['best', 'poor', 'whole-zone']),
  sentOn: localDateSchema.nullable().default(null),
  /** Where it was sent; only the stand-in answers by itself, with made-up figures. */
  laboratory: z.enum(['own', 'stand-in']).default('own'),
  report: soilReportSchema.nullable().default(null),
});
export type SoilSampleBody = z.infer<typeof soilSampleBodySchema>;
export const soilSampleSchema = soilSampleBodySchema.extend({
  id: z.uuid(),
  version: z.number().int(),
});
export type SoilSample = z.infer<typeof soilSampleSchema>;
