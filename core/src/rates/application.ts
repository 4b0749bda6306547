import { z } from 'zod';
import { fertilizer, grassSlugSchema, herbicide } from '../knowledge';

const amount = z.number().positive('an amount is above 0');

/** One thing that was, or is to be, put down: its total over the treated area. */
export const materialSchema = z
  .discriminatedUnion('kind', [
    z.object({
      kind: z.literal('herbicide'),
      slug: z.string().refine((slug) => herbicide(slug) !== undefined, 'unknown herbicide'),
      /** In `unit`, which must be the unit of the product's own label. */
      amount,
      unit: z.enum(['oz', 'fl-oz', 'lb', 'dose']),
    }),
    z.object({
      kind: z.literal('fertilizer'),
      slug: z.string().refine((slug) => fertilizer(slug) !== undefined, 'unknown fertilizer'),
      amount,
      unit: z.literal('lb'),
    }),
    z.object({ kind: z.literal('seed'), slug: grassSlugSchema, amount, unit: z.literal('lb') }),
  ])
  .superRefine((material, context) => {
    if (material.kind !== 'herbicide') return;
    const expected = herbicide(material.slug)?.unit;
    if (expected && expected !== material.unit) {
      context.addIssue({
        code: 'custom',
        path: ['unit'],
        message: `${material.slug} is measured in ${expected}, not in ${material.unit}`,
      });
    }
  });
export type Material = z.infer<typeof materialSchema>;

/** One walk over one zone: what went down, where and when. The common coin of plan and record. */
export interface Application {
  id: string;
  zoneId: string;
  /** Local calendar day. */
  date: string;
  areaFt2: number;
  materials: readonly Material[];
}

/** Rate of a material, amount per acre of treated ground in the material's own unit. */
export const materialRatePerAcre = (material: Pick<Material, 'amount'>, areaFt2: number): number =>
  (material.amount * 43_560) / areaFt2;
