import { patchSchema, type Patch, type Point, type LocalDate } from '@alfombra/core';
import { z } from 'zod';
import { figure, numberText } from '@/ui';

const { shape, since } = patchSchema.shape;
export const PATCH_SHAPES = shape.unwrap().options;
export const PATCH_SINCE = since.unwrap().options;

/** The form of a damaged place; where it lies is chosen on the plan. */
export const patchFormSchema = z.object({
  centre: z.object({ x: z.number(), y: z.number() }),
  length: figure('plan.problem.above-zero', { above: 0 }),
  width: figure('plan.problem.above-zero', { above: 0 }),
  shape: shape.unwrap(),
  since: since.unwrap(),
});
export type PatchDraft = z.input<typeof patchFormSchema>;
export type PatchRead = z.output<typeof patchFormSchema>;

/** What a mark on the plan begins with; only what the technician says gives it a size. */
export interface NewPatch {
  id: string;
  number: number;
  centre: Point;
  seenOn: LocalDate;
}

/** A place that is there already, or one that was just pressed. */
export const patchDraft = (patch: NewPatch | Patch): PatchDraft => ({
  centre: patch.centre,
  length: 'lengthFt' in patch ? numberText(patch.lengthFt) : '',
  width: 'widthFt' in patch ? numberText(patch.widthFt) : '',
  shape: 'shape' in patch ? patch.shape : 'round',
  since: 'since' in patch ? patch.since : 'unknown',
});
