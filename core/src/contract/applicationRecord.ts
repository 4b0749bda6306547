import { z } from 'zod';
import { materialSchema } from '../rates';
import { slugSchema } from '../knowledge';
import { localDateSchema } from '../weather';

const clockTime = z
  .string()
  .max(5)
  .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time as HH:MM');

/** Who may have applied something. */
export const APPLICATOR_KINDS = ['member', 'customer', 'other-firm', 'unknown'] as const;

/** What is known of a day beside what is read at the lawn: highest air and soil °F, and whether it was dry. */
export const momentSchema = z.object({
  airHighF: z.number().min(-60).max(140).optional(),
  soilF: z.number().min(-40).max(140).optional(),
  soilRising: z.boolean().optional(),
  /** Hardly any rain in the days before. */
  dry: z.boolean().optional(),
});
export type Moment = z.infer<typeof momentSchema>;

/** An application as it was done: what the law commonly asks to be written down. */
export const applicationRecordBodySchema = z
  .object({
    lawnId: z.uuid(),
    zoneId: z.uuid(),
    /** Step of the season that it did; `null` for work outside the plan. */
    stepId: z.string().max(200).nullable(),
    /** Work over several zones is kept a zone at a time: what was written down as one shares this. */
    batchId: z.uuid().nullable().default(null),
    date: localDateSchema,
    start: clockTime,
    end: clockTime,
    areaFt2: z.number().positive('the treated area is above 0').max(100_000_000),
    materials: z.array(materialSchema).min(1, 'name what was put down').max(30),
    carrierGal: z.number().positive().max(100_000).nullable(),
    weather: z.object({
      airF: z.number().min(-40).max(130),
      windMph: z.number().min(0).max(100),
      windFrom: z.enum(['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW', 'calm', 'unknown']),
      sky: z.enum(['clear', 'part-cloudy', 'overcast', 'rain']),
    }),
    /** Whose hands: a member of the company, or somebody whose work is only noted here. */
    applicatorKind: z.enum(APPLICATOR_KINDS).default('member'),
    applicatorId: z.uuid().nullable().default(null),
    /** The name; of a member as the company has it. */
    applicator: z.string().trim().max(120),
    licence: z.string().trim().max(60),
    /** Who wrote it down: always the session's person, whatever a body says. */
    enteredBy: z
      .object({ id: z.uuid(), name: z.string().max(120) })
      .nullable()
      .default(null),
    targets: z.array(slugSchema).max(60).default([]),
    /** Pace of the calibration and the pace walked, mph; `null` where nobody timed it. */
    calibratedMph: z.number().min(0.3).max(12).nullable().default(null),
    paceMph: z.number().min(0.3).max(12).nullable().default(null),
    /** Flowers open where it went down. */
    bloom: z.boolean().nullable().default(null),
    /** Somebody decided that what grows there is to die, and said so again. */
    kill: z.boolean().default(false),
    /** What was known of the day when it was written down; `null`: nothing. */
    moment: momentSchema.nullable().default(null),
    /** Share of its work that it did, 0-1, where something took the rest: rain. Left out: all of it. */
    effect: z.number().min(0).max(1, 'an effect is a share, 0 to 1').optional(),
    note: z.string().max(2000).default(''),
  })
  .superRefine((record, context) => {
    if (record.applicatorKind === 'member') {
      for (const [path, message] of [
        ['applicator', 'name the applicator'],
        ['licence', 'enter the licence number'],
      ] as const) {
        if (record[path] === '') context.addIssue({ code: 'custom', path: [path], message });
      }
    }
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
