import { z } from 'zod';
import { cause, slugSchema } from '../knowledge';
import { answersSchema, countTestInputSchema } from '../diagnosis/diagnosisInput';
import { fieldTestInputSchema } from '../diagnosis/fieldTests';
import { weedFindingSchema, zoneFindingSchema } from '../needs';
import { localDateSchema } from '../weather';

/** What the technician made of a patch. */
export const decisionSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('cause'),
    cause: slugSchema.refine((slug) => cause(slug) !== undefined, 'unknown cause'),
    /** What is done about it, of the options that the rules allowed. */
    option: z
      .enum(['leave', 'fix', 'treat', 'prevent', 'repair', 'renovate', 'lab'])
      .nullable()
      .default(null),
    /** Who says so: the technician on the walk, or the laboratory afterwards. */
    by: z.enum(['look', 'laboratory']).default('look'),
    /** The first follow-up of that option. */
    lookAgainOn: localDateSchema.nullable().default(null),
  }),
  z.object({
    kind: z.literal('cannot-tell'),
    lookAgainOn: localDateSchema,
    /** A sample that was sent to a plant laboratory, and to which. */
    sample: z
      .object({
        sentOn: localDateSchema,
        to: z.string().trim().min(1, 'say where it was sent').max(80),
      })
      .nullable()
      .default(null),
  }),
  z.object({
    kind: z.literal('leave'),
    cause: slugSchema.nullable(),
    lookAgainOn: localDateSchema,
  }),
]);
export type Decision = z.infer<typeof decisionSchema>;

/** One look at one zone: the answers, the tests, what was decided, and the weeds seen. */
export const lookSchema = z.object({
  zoneId: z.uuid(),
  patchId: z.uuid().nullable(),
  answers: answersSchema,
  tests: z.array(countTestInputSchema).max(60),
  /** Field tests as they were read; their answers are among `answers`. */
  fieldTests: z.array(fieldTestInputSchema).max(60).default([]),
  /** The three leading causes as the screen showed them when the decision was taken. */
  leading: z.array(z.object({ cause: slugSchema, p: z.number().min(0).max(1) })).max(3),
  decision: decisionSchema.nullable(),
  weeds: z.array(weedFindingSchema).max(100),
  pointCount: zoneFindingSchema.shape.pointCount,
});
export type Look = z.infer<typeof lookSchema>;

export const visitBodySchema = z.object({
  lawnId: z.uuid(),
  date: localDateSchema,
  technician: z.string().max(120),
  looks: z.array(lookSchema).max(600),
  /** What the customer was told would be done. */
  promised: z.string().max(500).default(''),
  note: z.string().max(2000).default(''),
});
export type VisitBody = z.infer<typeof visitBodySchema>;

export const visitSchema = visitBodySchema.extend({ id: z.uuid(), version: z.number().int() });
export type Visit = z.infer<typeof visitSchema>;
