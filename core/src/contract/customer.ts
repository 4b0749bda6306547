import { z } from 'zod';

/** Whom the company works for. One customer may have several properties. */
export const customerBodySchema = z.object({
  name: z.string().trim().min(1, 'give the customer a name').max(80),
  phone: z.string().trim().max(40).default(''),
  email: z.union([z.literal(''), z.email('an e-mail address').max(160)]).default(''),
  language: z.enum(['en', 'es']).default('en'),
  note: z.string().max(1000).default(''),
  archived: z.boolean().default(false),
});
export type CustomerBody = z.infer<typeof customerBodySchema>;
export const customerSchema = customerBodySchema.extend({
  id: z.uuid(),
  version: z.number().int(),
});
export type Customer = z.infer<typeof customerSchema>;
