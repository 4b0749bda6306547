import { z } from 'zod';
import { localDateSchema } from '../weather';

const level = z.number().min(0).max(100_000).nullable();

/** What a soil laboratory reports. ppm are mg/kg. */
export const soilReportSchema = z.object({
  reportedOn: localDateSchema,
  ph: z.number().min(2, 'pH lies between 2 and 12').max(12, 'pH lies between 2 and 12'),
  bufferPh: z.number().min(2).max(12).nullable(),
  bufferMethod: z.enum(['smp', 'adams-evans', 'mehlich', 'sikora', 'modified-mehlich']).nullable(),
  extractant: z.enum(['mehlich-3', 'bray-1', 'olsen']),
  phosphorusPpm: level,
  potassiumPpm: level,
  magnesiumPpm: level,
  calciumPpm: level,
  sulfurPpm: level,
  organicMatterPct: z.number().min(0).max(100).nullable(),
  salinityDsM: level,
});
export type SoilReport = z.infer<typeof soilReportSchema>;

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
