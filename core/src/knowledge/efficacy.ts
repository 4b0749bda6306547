import { z } from 'zod';
import raw from './data/efficacy.json';
import rawStages from './data/stageFactors.json';
import { sourceSchema } from './source';

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

/** Multiplier of the efficacy for the stage the weed is in; 1 when nothing is known. */
export function stageFactor(weedSlug: string, stage: string, herbicideSlug: string): number {
  return (
    stages.get(`${weedSlug}|${stage}|${herbicideSlug}`) ??
    stages.get(`${weedSlug}|${stage}|any`) ??
    1
  );
}
