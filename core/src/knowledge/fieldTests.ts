import { z } from 'zod';
import raw from './data/testThresholds.json';
import { sourceSchema } from './source';

/** A treat range of a field test: below `low` tolerate, from `high` on treat when damage agrees. */
export const testThresholdSchema = z.object({
  test: z.string(),
  subject: z.string(),
  situation: z.string(),
  low: z.number().nullable(),
  high: z.number().nullable(),
  unit: z.string(),
  /** Sign that the verdict answers, if any. */
  sign: z.string().nullable(),
  source: sourceSchema,
});
export type TestThreshold = z.infer<typeof testThresholdSchema>;

/** Treat ranges of all field tests. Shape checked by `knowledge.test.ts`. */
export const testThresholds = raw as unknown as readonly TestThreshold[];

/** A counting test: so many samplers of a known area, one count each. */
export interface CountTest {
  slug: 'chinch-float' | 'grub-lift' | 'soap-flush-caterpillar' | 'soap-flush-mole-cricket';
  code: string;
  sign: string;
  /** `diameter`: a ring or cutter, in; `area`: a frame, ft². */
  sampler: 'diameter' | 'area';
  defaultSampler: number;
  /** Samples that make the test whole; fewer never answer "no". */
  fullSample: number;
  seconds: number;
  subjects: readonly string[];
}

/** Counting tests (common practice). */
export const countTests: readonly CountTest[] = [
  {
    slug: 'chinch-float',
    code: 'T1',
    sign: 't-chinch',
    sampler: 'diameter',
    defaultSampler: 4,
    fullSample: 3,
    seconds: 300,
    subjects: ['chinch-bug'],
  },
  {
    slug: 'grub-lift',
    code: 'T2',
    sign: 't-grub',
    sampler: 'diameter',
    defaultSampler: 4.25,
    fullSample: 6,
    seconds: 240,
    subjects: [
      'unknown-species',
      'japanese-beetle',
      'masked-chafer',
      'european-chafer',
      'may-june-beetle',
      'oriental-beetle',
      'asiatic-garden-beetle',
      'green-june-beetle',
      'black-turfgrass-ataenius',
    ],
  },
  {
    slug: 'soap-flush-caterpillar',
    code: 'T3',
    sign: 't-soap-cat',
    sampler: 'area',
    defaultSampler: 9,
    fullSample: 3,
    seconds: 420,
    subjects: ['sod-webworm', 'armyworm', 'cutworm'],
  },
  {
    slug: 'soap-flush-mole-cricket',
    code: 'T3',
    sign: 't-soap-mc',
    sampler: 'area',
    defaultSampler: 4,
    fullSample: 3,
    seconds: 420,
    subjects: ['mole-cricket'],
  },
];
