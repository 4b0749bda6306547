import { z } from 'zod';
import {
  amendmentProducts,
  amendmentSlugs,
  grassSlugSchema,
  treatmentUnitSchema,
  slugSchema,
} from '../knowledge';
import { LIBRARY } from '../products';

const amount = z.number().positive('an amount is above 0').max(10_000_000);

/** One thing that was, or is to be, put down: its total over the treated area. */
export const materialSchema = z
  .discriminatedUnion('kind', [
    z.object({
      kind: z.literal('herbicide'),
      slug: slugSchema.refine((slug) => LIBRARY.herbicide(slug) !== undefined, 'unknown herbicide'),
      /** In `unit`, which must be the unit of the product's own label. */
      amount,
      unit: z.enum(['oz', 'fl-oz', 'lb', 'dose']),
    }),
    z.object({
      kind: z.literal('fertilizer'),
      slug: slugSchema.refine(
        (slug) => LIBRARY.fertilizer(slug) !== undefined,
        'unknown fertilizer',
      ),
      amount,
      unit: z.literal('lb'),
    }),
    z.object({
      kind: z.literal('treatment'),
      slug: slugSchema.refine((slug) => LIBRARY.treatment(slug) !== undefined, 'unknown treatment'),
      amount,
      unit: treatmentUnitSchema,
    }),
    z.object({
      kind: z.literal('amendment'),
      slug: z.enum(amendmentSlugs),
      amount,
      unit: z.enum(['lb', 'oz']),
    }),
    z.object({ kind: z.literal('seed'), slug: grassSlugSchema, amount, unit: z.literal('lb') }),
    // Grass that is planted, counted by the piece.
    z.object({ kind: z.literal('plugs'), slug: grassSlugSchema, amount, unit: z.literal('plugs') }),
  ])
  .superRefine((material, context) => {
    const expected = unitOf(material.kind, material.slug);
    if (expected && expected !== material.unit) {
      context.addIssue({
        code: 'custom',
        path: ['unit'],
        message: `${material.slug} is measured in ${expected}, not in ${material.unit}`,
      });
    }
  });

/** Unit of a product's own label; `null` where the library leaves it to the label. */
function unitOf(kind: string, slug: string): string | null {
  if (kind === 'herbicide') return LIBRARY.herbicide(slug)?.unit ?? null;
  if (kind === 'treatment') return LIBRARY.treatment(slug)?.unit ?? null;
  if (kind === 'plugs') return 'plugs';
  if (kind === 'amendment') return amendmentProducts.find((p) => p.slug === slug)?.unit ?? null;
  return 'lb';
}
export type Material = z.infer<typeof materialSchema>;

/** One walk over one zone: what went down, where and when. The common coin of plan and record. */
export interface Application {
  id: string;
  zoneId: string;
  /** Local calendar day. */
  date: string;
  areaFt2: number;
  materials: readonly Material[];
  /** The work of the plan that it did; left out, or `null`: nobody said. */
  stepId?: string | null;
  /** Weeds and causes that it was meant for. */
  targets?: readonly string[];
  /** Share of its work that it did, 0-1: rained off, half way. All of it unless somebody said. */
  effect?: number;
}

/** Rate of a material, amount per acre of treated ground in the material's own unit. */
export const materialRatePerAcre = (material: Pick<Material, 'amount'>, areaFt2: number): number =>
  (material.amount * 43_560) / areaFt2;
