import { z } from 'zod';

/** North: cool-season turf and reliable snow. Transition: both turf types. South: warm-season turf. */
export const regionSchema = z.enum(['north', 'transition', 'south']);
export type Region = z.infer<typeof regionSchema>;

/** First and last month, 1-12; may wrap over New Year. `null`: not seen in that region. */
export const monthWindowSchema = z.tuple([
  z.number().int().min(1).max(12),
  z.number().int().min(1).max(12),
]);
export const monthWindowsSchema = z.object({
  north: monthWindowSchema.nullable(),
  transition: monthWindowSchema.nullable(),
  south: monthWindowSchema.nullable(),
});
