import type { Request } from 'express';
import { z } from 'zod';
import { badInput } from './failure';

/** The body of a request by its schema. @throws HttpFailure that names the fields */
export function bodyOf<Schema extends z.ZodType>(
  request: Request,
  schema: Schema,
): z.output<Schema> {
  const result = schema.safeParse(request.body);
  if (!result.success) throw badInput(result.error);
  return result.data;
}

const idSchema = z.uuid({ error: 'an id is a UUID' });

/** The client's own id of a write, from the `idempotency-key` header. @throws HttpFailure */
export function writeIdOf(request: Request): string | undefined {
  const key = request.get('idempotency-key');
  if (key === undefined) return undefined;
  const result = idSchema.safeParse(key);
  if (!result.success) throw badInput(result.error);
  return result.data;
}

/** The `id` of the path. @throws HttpFailure when it is no UUID */
export function idOf(request: Request): string {
  const result = idSchema.safeParse(request.params.id);
  if (!result.success) throw badInput(result.error);
  return result.data;
}
