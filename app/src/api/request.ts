import type { FailureCode } from '@alfombra/core';
import type { z } from 'zod';
import { noticeLine } from '@/state/sync/outboxStore';

/** A request that did not succeed; `offline` when no answer came at all. */
export class RequestFailure extends Error {
  constructor(
    readonly code: FailureCode | 'offline' | 'storage-full',
    message: string,
    readonly path: readonly (string | number)[] = [],
    readonly issues: readonly { path: readonly (string | number)[]; message: string }[] = [],
  ) {
    super(message);
  }
}

/** What goes along with a request: JSON under the write's own id, or raw bytes. */
export interface Payload {
  body?: unknown;
  writeId?: string;
  bytes?: ArrayBuffer;
}

async function send(method: string, url: string, payload: Payload = {}): Promise<unknown> {
  const { body, bytes, writeId } = payload;
  let response: Response;
  try {
    response = await fetch(url, {
      method,
      credentials: 'same-origin',
      ...(bytes
        ? { headers: { 'content-type': 'application/octet-stream' }, body: bytes }
        : body === undefined
          ? {}
          : {
              headers: {
                'content-type': 'application/json',
                ...(writeId ? { 'idempotency-key': writeId } : {}),
              },
              body: JSON.stringify(body),
            }),
    });
  } catch {
    noticeLine(false);
    throw new RequestFailure('offline', 'offline');
  }
  noticeLine(true);
  if (response.status === 204) return undefined;
  const json: unknown = await response.json().catch(() => null);
  if (response.ok) return json;
  // Fetched when something fails: the page at the door does without the schemas.
  const contracts = await import('./doorContracts').catch(() => null);
  const failure = contracts?.failureSchema.safeParse(json);
  if (!failure?.success) throw new RequestFailure('internal', 'internal');
  const { code, message, path, issues } = failure.data.error;
  throw new RequestFailure(code, message, path, issues);
}

/** Asks the server and holds the answer against the contract. */
export async function request<Schema extends z.ZodType>(
  schema: Schema,
  method: 'GET' | 'PUT' | 'POST',
  url: string,
  payload?: Payload,
): Promise<z.output<Schema>> {
  return schema.parse(await send(method, url, payload));
}

/** Asks for something to be removed. */
export async function remove(url: string): Promise<void> {
  await send('DELETE', url);
}
