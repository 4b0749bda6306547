import { z } from 'zod';

/** A name of the library's own: lower-case words and hyphens, none of them long. */
export const slugSchema = z.string().max(80);
