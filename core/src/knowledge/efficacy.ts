import { z } from 'zod';
import raw from './data/efficacy.json';
import rawStages from './data/stageFactors.json';
import { sourceSchema } from './source';
import { weed } from './weeds';

const percent = z.record(z.string(), z.number().int().min(1).max(100));

/** Expected % control of one weed by each herbicide after one full-rate application. */
export const efficacyRowSchema = z.object({
  weed: z.string(),
  post: percent,
  pre: percent,
  source: sourceSchema,
});
export type EfficacyRow = z.infer<typeof efficacyRowSchema>;

export const stageFactorSchema = z.object({
  weed: z.string(),
  stage: z.string(),
  herbicide: z.string(),
  factor: z.number().min(0).max(1.2),
  source: sourceSchema,
});
export type StageFactor = z.infer<typeof stageFactorSchema>;

const rows = new Map(
  (raw as unknown as readonly EfficacyRow[]).map((entry) => [entry.weed, entry]),
);
const stages = new Map(
  (rawStages as unknown as readonly StageFactor[]).map((entry) => [
    `${entry.weed}|${entry.stage}|${entry.herbicide}`,
    entry.factor,
  ]),
);

export const efficacyRows = raw as unknown as readonly EfficacyRow[];
export const stageFactors = rawStages as unknown as readonly StageFactor[];

/** Expected % control, 0 when the herbicide has no known use on the weed. */
export function efficacy(mode: 'pre' | 'post', weedSlug: string, herbicideSlug: string): number {
  return rows.get(weedSlug)?.[mode][herbicideSlug] ?? 0;
}

/** Weeds that a bloom makes no harder to hit. */
const GOOD_IN_BLOOM = ['dandelion', 'white-clover', 'ground-ivy', 'wild-violet'];
/** For weeds without rows of their own (common practice). */
const USUAL_STAGE = { seedling: 1.1, grownAnnual: 0.6, bloomingPerennial: 0.85 };
const withRows = new Set((rawStages as unknown as readonly StageFactor[]).map(({ weed }) => weed));

/**
 * Factor on the efficacy by a weed's stage: its own row, or what is usual for its life cycle. Above 1
 * for seedlings, whose control is capped at {@link MOST_CONTROL}.
 */
export function stageFactor(weedSlug: string, stage: string, herbicideSlug: string): number {
  const own =
    stages.get(`${weedSlug}|${stage}|${herbicideSlug}`) ?? stages.get(`${weedSlug}|${stage}|any`);
  if (own !== undefined) return own;
  if (withRows.has(weedSlug)) return 1;
  if (stage === 'seedling') return USUAL_STAGE.seedling;
  const annual = weed(weedSlug)?.lifeCycle.includes('annual') ?? false;
  if (stage === 'mature-seeded') return annual ? USUAL_STAGE.grownAnnual : 1;
  if (stage !== 'flowering' || GOOD_IN_BLOOM.includes(weedSlug)) return 1;
  return annual ? USUAL_STAGE.grownAnnual : USUAL_STAGE.bloomingPerennial;
}

/** Control that no stage lifts a product above, %. */
export const MOST_CONTROL = 97;
