import type { FailureCode, Json } from '@alfombra/core';
import { z } from 'zod';
import { request, RequestFailure } from '../request';
import type { SendResult } from '@/state/sync/outbox';
import type { OutboxDatabase } from '@/state/sync/outboxDatabase';
import type { DocumentKind, PendingWrite, ServerDocument } from '@/state/sync/pendingWrite';

/** Address of a kind's documents. */
const FOLDER: Record<DocumentKind, string> = {
  lawn: 'lawns',
  customer: 'customers',
  visit: 'visits',
  record: 'records',
  reading: 'readings',
  sample: 'samples',
  photo: 'photos',
  report: 'reports',
};
/** Fields that the server adds to what was written. */
const ADDED: Partial<Record<DocumentKind, readonly string[]>> = {
  record: ['findings'],
  photo: ['received'],
  report: ['path'],
};
const PIECE_BYTES = 262_144;
const documentSchema = z.looseObject({ id: z.string(), version: z.number().int() });
const listSchema = z.array(documentSchema);

/** Splits what the server answers into the document and its own columns. */
export function serverDocument(
  kind: DocumentKind,
  { id, version, ...rest }: z.output<typeof documentSchema>,
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
    const answer = await request(documentSchema, 'PUT', url, {
      body: { ...(write.body as object), version: write.baseVersion },
      writeId: write.writeId,
    });
    if (write.kind === 'photo') await sendBytes(write.id, Number(answer.received ?? 0), database);
    return { kind: 'accepted', document: serverDocument(write.kind, answer) };
  } catch (error) {
    if (!(error instanceof RequestFailure)) return { kind: 'unreachable' };
    if (error.code === 'offline' || error.code === 'internal' || error.code === 'too-many-tries') {
      return { kind: 'unreachable' };
    }
    if (error.code === 'signed-out') return { kind: 'signed-out' };
    if (error.code === 'storage-full') return { kind: 'unreachable' };
    if (error.code === 'stale-version') {
      const theirs = await current(write);
      return theirs ? { kind: 'stale', document: theirs } : { kind: 'unreachable' };
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
      ? (await request(listSchema, 'GET', list)).find(({ id }) => id === write.id)
      : await request(documentSchema, 'GET', `/api/lawns/${write.id}`);
    return found ? serverDocument(write.kind, found) : null;
  } catch {
    return null;
  }
}

const receivedSchema = z.object({ received: z.number().int() });

/** Sends a photo's bytes from where the server left off, a piece at a time. */
async function sendBytes(id: string, received: number, database: OutboxDatabase): Promise<void> {
  const photo = await database.get('photos', id);
  if (!photo) return;
  let start = received;
  while (start < photo.bytes.byteLength) {
    const piece = photo.bytes.slice(start, start + PIECE_BYTES);
    const answer = await request(receivedSchema, 'PUT', `/api/photos/${id}/bytes?start=${start}`, {
      bytes: piece,
    });
    if (answer.received <= start) throw new RequestFailure('internal', 'no progress');
    start = answer.received;
  }
}
