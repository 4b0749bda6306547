import { z } from 'zod';
import { choiceScreens, regionSchema, sign, slugSchema } from '../knowledge';
import { siteSchema, standSchema } from '../lawn';

export const answerSchema = z.union([z.boolean(), z.literal('unsure'), slugSchema]);

const choiceBySlug = new Map(choiceScreens.map((screen) => [screen.slug, screen]));

/** What has been answered: a sign with yes, no or `unsure`, or a choice screen with its option. */
export const answersSchema = z.record(slugSchema, answerSchema).superRefine((answers, context) => {
  for (const [slug, value] of Object.entries(answers)) {
    const issue = (message: string) => context.addIssue({ code: 'custom', path: [slug], message });
    const screen = choiceBySlug.get(slug);
    if (screen) {
      if (typeof value !== 'string' || !screen.options.includes(value)) {
        issue(`choose one of: ${screen.options.join(', ')}`);
      }
    } else if (!sign(slug)) {
      issue(`unknown sign "${slug}"`);
    } else if (typeof value !== 'boolean' && value !== 'unsure') {
      issue('a sign is answered true, false or "unsure"');
    }
  }
});

/** One counting test of the field: sampler size, one count per sample, and what was counted. */
export const countTestInputSchema = z.object({
  test: z.enum(['chinch-float', 'grub-lift', 'soap-flush-caterpillar', 'soap-flush-mole-cricket']),
  /** Ring diameter in inches or frame area in ft², as the test asks. */
  sampler: z.number().positive('the sampler has a size above 0').max(1000),
  /** A square flap instead of a round cutter: `sampler` is then its side, in. */
  square: z.boolean().optional(),
  counts: z
    .array(z.number().int('count whole insects').min(0, 'a count is 0 or more').max(100_000))
    .min(1, 'enter at least one count')
    .max(100),
  subject: slugSchema.optional(),
  situation: slugSchema.optional(),
});
export type CountTestInput = z.infer<typeof countTestInputSchema>;

/** Everything a diagnosis is worked out from: one zone, one look. */
export const diagnosisInputSchema = z.object({
  grass: standSchema.min(1, 'name at least one grass'),
  zone: regionSchema,
  month: z.number().int().min(1).max(12),
  soilTempF: z.number().min(-20).max(150).optional(),
  site: siteSchema.partial().optional(),
  signs: answersSchema.default({}),
  /** Causes that are prevented on record, or were here before and are not this time. */
  protection: z.record(z.string(), z.enum(['covered', 'lapsed'])).default({}),
  tests: z.array(countTestInputSchema).default([]),
  /** Skill of the person who answers: 1 anyone, 2 trained, 3 diagnostician. */
  skill: z.union([z.literal(1), z.literal(2), z.literal(3)]).default(3),
});
export type DiagnosisInput = z.infer<typeof diagnosisInputSchema>;
export type Answers = z.infer<typeof answersSchema>;
