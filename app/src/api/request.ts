import type { Failure, FailureCode } from '@alfombra/core';
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

/** What goes along with a request: JSON under the write's own id and writer, or raw bytes. */
export interface Payload {
  body?: unknown;
  writeId?: string;
  /** Who wrote it: the server takes it from nobody else's session. */
  writer?: string;
  bytes?: ArrayBuffer;
  /** How long an answer may take once all of it is sent, ms. */
  patienceMs?: number;
}

/** A server that takes a request and says nothing must not hold up what waits behind it. */
const PATIENCE_MS = 20_000;
/** The poorest line that anything is sent over, bytes a ms: 5 kB/s. What is long may take its time. */
const POOREST_LINE = 5;
/** What the server may have to work out first. */
export const LONG_PATIENCE_MS = 150_000;

/** What a proxy says of a server that is away, and a server of its database: as good as no line. */
const AWAY: ReadonlySet<number> = new Set([502, 503, 504]);

async function send(method: string, url: string, payload: Payload = {}): Promise<unknown> {
  const { body, bytes, writeId, writer, patienceMs = PATIENCE_MS } = payload;
  const text = body === undefined ? undefined : JSON.stringify(body);
  const length = bytes?.byteLength ?? text?.length ?? 0;
  const deadline = new AbortController();
  const timer = setTimeout(() => deadline.abort(), patienceMs + length / POOREST_LINE);
  let response: Response;
  let json: unknown;
  try {
    response = await fetch(url, {
      signal: deadline.signal,
      method,
      credentials: 'same-origin',
      ...(bytes
        ? { headers: { 'content-type': 'application/octet-stream' }, body: bytes }
        : text === undefined
          ? {}
          : {
              headers: {
                'content-type': 'application/json',
                ...(writeId ? { 'idempotency-key': writeId } : {}),
                ...(writer ? { 'alfombra-writer': writer } : {}),
              },
              body: text,
            }),
    });
    json = response.status === 204 ? undefined : await bodyOf(response, deadline.signal);
  } catch {
    noticeLine(false);
    throw new RequestFailure('offline', 'offline');
  } finally {
    clearTimeout(timer);
  }
  const away = AWAY.has(response.status);
  noticeLine(!away);
  if (response.ok) return json;
  if (away) throw new RequestFailure('offline', 'offline');
  if (!isFailure(json)) throw new RequestFailure('internal', 'internal');
  const { code, message, path, issues } = json.error;
  throw new RequestFailure(code, message, path, issues);
}

/** Told apart by hand: the page at the door, and the worker behind it, do without the schemas. */
function isFailure(json: unknown): json is Failure {
  const error = (json as Failure | null)?.error;
  return typeof error?.code === 'string' && typeof error.message === 'string';
}

/** Takes what came and gives it back as what it has to be. @throws when it is not */
interface Contract<Answer> {
  parse: (json: unknown) => Answer;
}

/** What came; `null` where it is no JSON. @throws when it stopped coming */
const bodyOf = (response: Response, deadline: AbortSignal): Promise<unknown> =>
  response.json().catch((error: unknown) => {
    if (deadline.aborted) throw error;
    return null;
  });

/** Asks the server and holds the answer against the contract. */
export async function request<Answer>(
  contract: Contract<Answer>,
  method: 'GET' | 'PUT' | 'POST',
  url: string,
  payload?: Payload,
): Promise<Answer> {
  return contract.parse(await send(method, url, payload));
}

/** Asks for something to be removed. */
export async function remove(url: string, patienceMs?: number): Promise<void> {
  await send('DELETE', url, patienceMs === undefined ? {} : { patienceMs });
}
