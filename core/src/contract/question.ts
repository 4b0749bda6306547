import { z } from 'zod';
import { MOST_CORNERS } from '../lawn';
import { localDateSchema } from '../weather';

/** What a question is about; the answer turns that assumption into a fact. */
export const questionSubjectSchema = z.discriminatedUnion('kind', [
  /** Is this edge of the zone where we drew it? Answered "yes", the edge is confirmed. */
  z.object({
    kind: z.literal('edge'),
    zoneId: z.uuid(),
    edge: z.number().int().min(0).max(MOST_CORNERS),
  }),
  /** Is there irrigation? */
  z.object({ kind: z.literal('irrigation'), zoneId: z.uuid() }),
  z.object({ kind: z.literal('dog') }),
  z.object({ kind: z.literal('children') }),
  z.object({ kind: z.literal('mows') }),
  z.object({ kind: z.literal('waters') }),
  z.object({
    kind: z.literal('other'),
    text: z.string().trim().min(1, 'write the question').max(300),
  }),
]);
export type QuestionSubject = z.infer<typeof questionSubjectSchema>;

export const questionSchema = z.object({
  id: z.uuid(),
  subject: questionSubjectSchema,
  askedOn: localDateSchema,
  answer: z
    .object({
      /** `yes`, `no`, one of the subject's own choices, or free text. */
      value: z.string().trim().min(1).max(500),
      note: z.string().max(500).default(''),
      answeredOn: localDateSchema,
    })
    .nullable()
    .default(null),
});
export type Question = z.infer<typeof questionSchema>;
