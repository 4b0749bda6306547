import { z } from 'zod';
import { policySchema } from '../needs';
import { localDateSchema } from '../weather';

const MOST_VERSIONS = 2_000_000_000;

/** The day the company works on: the calendar's, or a fixed one for trying things out. */
export const clockSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('calendar') }),
  z.object({ kind: z.literal('fixed'), date: localDateSchema }),
]);

export const companySchema = z.object({
  id: z.uuid(),
  name: z.string(),
  demo: z.boolean(),
  clock: clockSchema,
  policy: policySchema,
  version: z.number().int(),
  /** Where the company works, by its name in the IANA database. */
  timeZone: z.string().default('UTC'),
  /** Who works here; a license goes into the records. */
  members: z.array(z.object({ id: z.uuid(), name: z.string(), licence: z.string() })).default([]),
  /** The company's local day, from its clock. */
  today: localDateSchema,
});
export type Company = z.infer<typeof companySchema>;

export const companyUpdateSchema = z.object({
  clock: clockSchema,
  policy: policySchema,
  version: z.number().int().min(0).max(MOST_VERSIONS),
});
export type CompanyUpdate = z.infer<typeof companyUpdateSchema>;
