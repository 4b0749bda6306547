import { z } from 'zod';
import { materialSchema } from '../rates';
import { slugSchema } from '../knowledge';
import { localDateSchema } from '../weather';

const clockTime = z
  .string()
  .max(5)
  .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time as HH:MM');

/** An application as it was done: what the law commonly asks to be written down. */
export const applicationRecordBodySchema = z
  .object({
    lawnId: z.uuid(),
    zoneId: z.uuid(),
    /** Step of the season that it did; `null` for work outside the plan. */
    stepId: z.string().max(200).nullable(),
    date: localDateSchema,
    start: clockTime,
    end: clockTime,
    areaFt2: z.number().positive('the treated area is above 0').max(100_000_000),
    materials: z.array(materialSchema).min(1, 'name what was put down').max(30),
    carrierGal: z.number().positive().max(100_000).nullable(),
    weather: z.object({
      airF: z.number().min(-40).max(130),
      windMph: z.number().min(0).max(100),
      windFrom: z.enum(['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW', 'calm']),
      sky: z.enum(['clear', 'part-cloudy', 'overcast', 'rain']),
    }),
    applicator: z.string().trim().min(1, 'name the applicator').max(120),
    licence: z.string().trim().min(1, 'enter the licence number').max(60),
    targets: z.array(slugSchema).max(60).default([]),
    /** Pace of the calibration and the pace walked, mph; `null` where nobody timed it. */
    calibratedMph: z.number().min(0.3).max(12).nullable().default(null),
    paceMph: z.number().min(0.3).max(12).nullable().default(null),
    /** Flowers open where it went down. */
    bloom: z.boolean().nullable().default(null),
    note: z.string().max(2000).default(''),
  })
  .superRefine((record, context) => {
    if (record.end < record.start) {
      context.addIssue({ code: 'custom', path: ['end'], message: 'the end is before the start' });
    }
  });
export type ApplicationRecordBody = z.infer<typeof applicationRecordBodySchema>;

export const checkFindingSchema = z.object({
  rule: z.string(),
  severity: z.enum(['exceeds', 'caution']),
  material: z.string().nullable(),
  inputs: z.record(z.string(), z.union([z.string(), z.number()])),
});

/** The stored record with the checker's findings on the day it was saved. */
export const applicationRecordSchema = applicationRecordBodySchema.and(
  z.object({
    id: z.uuid(),
    version: z.number().int(),
    findings: z.array(checkFindingSchema),
  }),
);
export type ApplicationRecord = z.infer<typeof applicationRecordSchema>;
