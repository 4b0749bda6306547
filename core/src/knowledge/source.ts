import { z } from 'zod';

/**
 * Where a fact comes from. `memory` values are typical handbook or label values recalled without a
 * check: screens say "typical, check your label" beside them. `demo` is invented and stays in the demo.
 */
export const sourceSchema = z.object({
  kind: z.enum(['published', 'label', 'common-practice', 'memory', 'derived', 'demo']),
  ref: z.string().optional(),
});
export type Source = z.infer<typeof sourceSchema>;
