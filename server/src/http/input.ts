import type { Request } from 'express';
import { z } from 'zod';
import { badInput, HttpFailure } from './failure';

/** The body of a request by its schema. @throws HttpFailure that names the fields */
export function bodyOf<Schema extends z.ZodType>(
  request: Request,
  schema: Schema,
): z.output<Schema> {
  const result = schema.safeParse(mended(request.body, []));
  if (!result.success) throw badInput(result.error);
  return result.data;
}

/** Longest list of any body; each contract has its own shorter ones. */
const MOST_ENTRIES = 5000;
const DEEPEST = 30;

/**
 * A body fit to be looked at. Half of an emoji, as a text cut in its middle has, is in no database: it
 * becomes the mark of a letter that could not be read (U+FFFD; Unicode Standard, 3.9).
 * @throws HttpFailure `bad-input` for a list of no sensible length: judging a million entries one by one
 * would keep everybody waiting
 */
function mended(value: unknown, path: readonly (string | number)[]): unknown {
  if (typeof value === 'string') return value.toWellFormed();
  if (typeof value !== 'object' || value === null) return value;
  if (path.length > DEEPEST) throw new HttpFailure('bad-input', 'too deeply nested', [...path]);
  const entries = Object.entries(value);
  if (entries.length > MOST_ENTRIES) {
    throw new HttpFailure('bad-input', `at most ${MOST_ENTRIES} entries`, [...path]);
  }
  return Array.isArray(value)
    ? value.map((inner, index) => mended(inner, [...path, index]))
    : Object.fromEntries(
        entries.map(([key, inner]) => [key.toWellFormed(), mended(inner, [...path, key])]),
      );
}

/** One spelling: the same id in capitals is the same thing. */
const idSchema = z.uuid({ error: 'an id is a UUID' }).transform((id) => id.toLowerCase());

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
