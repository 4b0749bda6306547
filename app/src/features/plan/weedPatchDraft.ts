import { weedPatchSchema, type WeedPatch } from '@alfombra/core';
import { z } from 'zod';
import { figure, numberText } from '@/ui';

const { plant, stage } = weedPatchSchema.shape;

/** The form of a weed patch; `plant` is empty until somebody has said what it is. */
export const weedPatchFormSchema = z.object({
  plant: plant
    .nullable()
    .refine((value) => value !== null, 'plan.problem.plant')
    .transform((value) => value as WeedPatch['plant']),
  length: figure('plan.problem.above-zero', { above: 0 }),
  width: figure('plan.problem.above-zero', { above: 0 }),
  cover: figure('plan.problem.cover', { from: 0, to: 100 }),
  stage,
  lookAgainOn: z.string(),
  /** A colleague is to say what it is. */
  ask: z.boolean(),
  photoId: z.string().nullable(),
});
export type WeedPatchDraft = z.input<typeof weedPatchFormSchema>;

/** A patch as it is drawn before anybody has said what grows there: not kept on the plan yet. */
export type NewWeedPatch = Omit<WeedPatch, 'plant'> & { plant: WeedPatch['plant'] | null };

/** Under which a patch is kept while it is described. */
export const newWeedPatchKey = (draftKey: string): string => `weed-patch:${draftKey}`;

export const weedPatchDraft = (patch: NewWeedPatch): WeedPatchDraft => ({
  plant: patch.plant,
  length: numberText(patch.lengthFt),
  width: numberText(patch.widthFt),
  cover: numberText(patch.cover * 100, 0),
  stage: patch.stage,
  lookAgainOn: patch.lookAgainOn ?? '',
  ask: patch.asked !== null,
  photoId: patch.asked?.photoId ?? null,
});

export const weedPatchOf = (
  patch: NewWeedPatch,
  read: z.output<typeof weedPatchFormSchema>,
  today: WeedPatch['seenOn'],
): WeedPatch => ({
  ...patch,
  plant: read.plant,
  lengthFt: read.length,
  widthFt: read.width,
  cover: read.cover / 100,
  stage: read.stage,
  lookAgainOn: read.lookAgainOn === '' ? null : (read.lookAgainOn as WeedPatch['seenOn']),
  asked: read.ask ? { ...(patch.asked ?? { on: today, seen: {} }), photoId: read.photoId } : null,
});
