import { z } from 'zod';

export const signInSchema = z.object({
  email: z.email('an e-mail address').max(160),
  password: z.string().min(1, 'enter the password').max(200),
});
export type SignIn = z.infer<typeof signInSchema>;

export const roleSchema = z.enum(['technician', 'owner']);

export const userSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  email: z.string(),
  role: roleSchema,
  /** Licence to apply pesticides for hire, as it goes into the records. */
  licence: z.string(),
});
export type User = z.infer<typeof userSchema>;
