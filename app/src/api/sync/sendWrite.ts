import type { FailureCode, Json } from '@alfombra/core';
import { request, RequestFailure } from '../request';
import type { SendResult } from '@/state/sync/outbox';
import type { OutboxDatabase } from '@/state/sync/outboxDatabase';
import {
  ADDED,
  PART,
  type DocumentKind,
  type PendingWrite,
  type ServerDocument,
} from '@/state/sync/pendingWrite';

/** Address of a kind's documents. */
const FOLDER: Record<DocumentKind, string> = { lawn: 'lawns', customer: 'customers', ...PART };
const PIECE_BYTES = 262_144;

type Answered = { id: string; version: number } & Record<string, unknown>;
const isDocument = (json: unknown): json is Answered => {
  const { id, version } = (json ?? {}) as Partial<Answered>;
  return typeof id === 'string' && Number.isInteger(version);
};
/** As much of a contract as sending needs; by hand, for the worker that sends has no schemas. */
const documentAnswer = {
  parse: (json: unknown): Answered => {
    if (!isDocument(json)) throw new TypeError('no document');
    return json;
  },
};
const listAnswer = {
  parse: (json: unknown): Answered[] => {
    if (!Array.isArray(json) || !json.every(isDocument)) throw new TypeError('no documents');
    return json;
  },
};
const receivedAnswer = {
  parse: (json: unknown): number => {
    const { received } = (json ?? {}) as { received?: unknown };
    if (!Number.isInteger(received)) throw new TypeError('no count');
    return received as number;
  },
};

/** Splits what the server answers into the document and its own columns. */
export function serverDocument(
  kind: DocumentKind,
  { id, version, ...rest }: Answered,
): ServerDocument {
  const body = Object.fromEntries(
    Object.entries(rest).filter(([key]) => !ADDED[kind]?.includes(key)),
  ) as Json;
  return { id, version, body };
}

/** Sends one write to the server and says how that went. */
export async function sendWrite(
  write: PendingWrite,
  database: OutboxDatabase,
): Promise<SendResult> {
  const url = `/api/${FOLDER[write.kind]}/${write.id}`;
  try {
    const answer = await request(documentAnswer, 'PUT', url, {
      body: { ...(write.body as object), version: write.baseVersion },
      writeId: write.writeId,
      writer: write.owner,
    });
    if (write.kind === 'photo') await sendBytes(write.id, Number(answer.received ?? 0), database);
    return { kind: 'accepted', document: serverDocument(write.kind, answer) };
  } catch (error) {
    // An answer that is none of this server's, and a fault of its own: it may be this write's alone.
    if (!(error instanceof RequestFailure) || error.code === 'internal') return { kind: 'failing' };
    if (error.code === 'offline' || error.code === 'too-many-tries') return { kind: 'unreachable' };
    if (error.code === 'signed-out') return { kind: 'signed-out' };
    if (error.code === 'storage-full') return { kind: 'unreachable' };
    if (error.code === 'stale-version') {
      const theirs = await current(write);
      return theirs ? { kind: 'stale', document: theirs } : { kind: 'failing' };
    }
    return {
      kind: 'refused',
      failure: {
        code: error.code satisfies FailureCode,
        message: error.message,
        path: [...error.path],
      },
    };
  }
}

/** The document as the server has it now; `null` when it cannot be read. */
async function current(write: PendingWrite): Promise<ServerDocument | null> {
  const list =
    write.kind === 'customer'
      ? '/api/customers'
      : write.kind === 'lawn'
        ? null
        : `/api/lawns/${write.lawnId}/${FOLDER[write.kind]}`;
  try {
    const found = list
      ? (await request(listAnswer, 'GET', list)).find(({ id }) => id === write.id)
      : await request(documentAnswer, 'GET', `/api/lawns/${write.id}`);
    return found ? serverDocument(write.kind, found) : null;
  } catch {
    return null;
  }
}

/** Sends a photo's bytes from where the server left off, a piece at a time; then they go from here. */
async function sendBytes(id: string, received: number, database: OutboxDatabase): Promise<void> {
  const photo = await database.get('photos', id);
  if (!photo) return;
  let start = received;
  while (start < photo.bytes.byteLength) {
    const piece = photo.bytes.slice(start, start + PIECE_BYTES);
    const arrived = await request(receivedAnswer, 'PUT', `/api/photos/${id}/bytes?start=${start}`, {
      bytes: piece,
    });
    if (arrived <= start) throw new RequestFailure('internal', 'no progress');
    start = arrived;
  }
  await database.delete('photos', id);
}
