import type { Json } from '@alfombra/core';
import { ADDED, type DocumentKind, type PendingWrite } from './pendingWrite';

interface Versioned {
  id: string;
  version: number;
}

/** The latest pending content of a document, or `undefined`. */
export function pendingBody(
  writes: readonly PendingWrite[],
  kind: DocumentKind,
  id: string,
): Json | undefined {
  return writes.filter((write) => write.kind === kind && write.id === id).pop()?.body;
}

/**
 * A document with new content: of what was known only what the server adds stays. A field that the new content
 * leaves out has been taken away.
 */
export function withContent<Document extends object>(
  kind: DocumentKind,
  known: Document | undefined,
  content: object,
): Document {
  const added = Object.entries(known ?? {}).filter(([key]) => ADDED[kind]?.includes(key));
  return { ...Object.fromEntries(added), ...content } as Document;
}

/** A document as this device has it: what is pending over what the server said. */
export function overlayDocument<Document extends Versioned>(
  document: Document | undefined,
  writes: readonly PendingWrite[],
  kind: DocumentKind,
  id: string,
): Document | undefined {
  const body = pendingBody(writes, kind, id);
  if (body === undefined) return document;
  return withContent(kind, document, {
    ...(body as object),
    id,
    version: document?.version ?? 0,
  });
}

/** A list of documents as this device has it; new ones come first. */
export function overlayList<Document extends Versioned>(
  list: readonly Document[] | undefined,
  writes: readonly PendingWrite[],
  kind: DocumentKind,
  lawnId: string | null,
): Document[] | undefined {
  const own = writes.filter(
    (write) => write.kind === kind && (lawnId === null || write.lawnId === lawnId),
  );
  if (own.length === 0) return list && [...list];
  const known = new Set(list?.map(({ id }) => id));
  const fresh = [...new Set(own.map(({ id }) => id))].filter((id) => !known.has(id)).reverse();
  return [
    ...fresh.map((id) => overlayDocument<Document>(undefined, own, kind, id) as Document),
    ...(list ?? []).map((entry) => overlayDocument(entry, own, kind, entry.id) as Document),
  ];
}

/** A mark that changes with every pending write of a lawn. */
export const pendingMark = (writes: readonly PendingWrite[], lawnId: string): string =>
  writes
    .filter((write) => write.lawnId === lawnId || write.id === lawnId)
    .map(({ writeId }) => writeId)
    .join(',');
