import { z } from 'zod';
import { localDateSchema } from '../weather';
import { patchSchema, zoneShapeSchema } from '../lawn';
import { lawnSchema, pinSchema, planLineSchema, weedPatchSchema } from './lawn';
import { photoSchema } from './photo';

/** How hard a finding is to put right. */
export const gradeSchema = z.enum(['good', 'easy', 'hard', 'suppress']);

/** A report as the technician puts it together; findings are kept in plain words. */
export const reportBodySchema = z.object({
  lawnId: z.uuid(),
  /** Day of the visit. */
  date: localDateSchema,
  visitId: z.uuid().nullable(),
  language: z.enum(['en', 'es']),
  findings: z
    .array(z.object({ id: z.uuid(), grade: gradeSchema, words: z.string().trim().min(1).max(400) }))
    .max(40),
  assumptions: z.array(z.string().trim().min(1).max(300)).max(20),
  /** What the technician noted and promised, in their own words. */
  note: z.string().max(2000).default(''),
  promised: z.string().max(500).default(''),
  /** Questions of the lawn that are put to the customer. */
  questionIds: z.array(z.uuid()).max(20),
  photoIds: z.array(z.uuid()).max(24),
  expiresOn: localDateSchema,
  revokedOn: localDateSchema.nullable().default(null),
});
export type ReportBody = z.infer<typeof reportBodySchema>;

export const reportSchema = reportBodySchema.extend({
  id: z.uuid(),
  version: z.number().int(),
  /** Path of the private link. */
  path: z.string(),
});
export type VisitReport = z.infer<typeof reportSchema>;

/** What the holder of the link sees: nothing of the company's other work. */
export const sharedReportSchema = z.object({
  company: z.string(),
  language: z.enum(['en', 'es']),
  date: localDateSchema,
  expiresOn: localDateSchema,
  technician: z.string().nullable(),
  /** What the plan draws, and no more: no notes, no sites, no plants by name. */
  lawn: lawnSchema.pick({ name: true, features: true, northDeg: true }).extend({
    zones: z.array(zoneShapeSchema),
    patches: z.array(
      patchSchema.pick({
        id: true,
        zoneId: true,
        number: true,
        centre: true,
        widthFt: true,
        lengthFt: true,
      }),
    ),
    pins: z.array(pinSchema.pick({ id: true, kind: true, at: true })),
    lines: z.array(planLineSchema.pick({ id: true, kind: true, points: true })),
    weedPatches: z.array(
      weedPatchSchema.pick({ id: true, centre: true, lengthFt: true, widthFt: true }),
    ),
  }),
  findings: reportBodySchema.shape.findings,
  assumptions: reportBodySchema.shape.assumptions,
  note: reportBodySchema.shape.note,
  promised: reportBodySchema.shape.promised,
  questions: lawnSchema.shape.questions,
  photos: z.array(photoSchema.pick({ id: true, note: true, date: true, standIn: true, at: true })),
});
export type SharedReport = z.infer<typeof sharedReportSchema>;

/** The customer's answers, by question. */
export const reportAnswersSchema = z.object({
  answers: z
    .array(
      z.object({
        questionId: z.uuid(),
        value: z.string().trim().min(1, 'choose or write an answer').max(500),
        note: z.string().max(500).default(''),
      }),
    )
    .min(1)
    .max(20),
});
export type ReportAnswers = z.infer<typeof reportAnswersSchema>;
