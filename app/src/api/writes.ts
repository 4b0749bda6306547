import type {
  CustomerBody,
  Json,
  Lawn,
  PhotoBody,
  ReadingBody,
  ReportBody,
  SoilSampleBody,
  VisitBody,
} from '@alfombra/core';
import { useMutation, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useOutboxStore } from '@/state/sync/outboxStore';
import { pendingBody } from '@/state/sync/overlay';
import { ADDED, partOf, type DocumentKind } from '@/state/sync/pendingWrite';
import { keys } from './keys';
import { keepPhotoBytes, write, writeAll } from './sync/sync';

/** Writes a document through the outbox: kept on the device first, then sent. */
export function useWrite<Input, Result>(
  lawnId: string | null,
  toWrite: (input: Input) => {
    kind: DocumentKind;
    id: string;
    body: object;
    /** What the edit was made from, where the screen had it longer than the device has what it has now. */
    from?: object | undefined;
  },
  toResult: (input: Input, sent: { version: number } | null) => Result,
) {
  const change = useChange();
  return useMutation({
    mutationFn: async (input: Input) =>
      toResult(input, await write(change(lawnId, toWrite(input)))),
  });
}

/** Writes many documents, all or none of them kept; how far the sending is stands in the outbox. */
export function useWriteAll() {
  const change = useChange();
  return useMutation({
    mutationFn: (written: readonly { kind: DocumentKind; id: string; body: object }[]) =>
      writeAll(written.map((one) => change(null, one))),
  });
}

/** What a device knows of a document: what the server said last, and what the screens show. */
export function useChange() {
  const client = useQueryClient();
  return (
    lawnId: string | null,
    written: { kind: DocumentKind; id: string; body: object; from?: object | undefined },
  ) => {
    const { kind, id, body, from } = written;
    const known = serverCopy(client, kind, id, lawnId);
    const { writes } = useOutboxStore.getState();
    return {
      kind,
      id,
      lawnId: kind === 'lawn' ? null : lawnId,
      body: bodyOf(kind, body),
      saw: from
        ? bodyOf(kind, from)
        : (pendingBody(writes, kind, id) ?? (known ? bodyOf(kind, known) : null)),
      base: known && { version: known.version, body: bodyOf(kind, known) },
    };
  };
}

interface Versioned {
  id: string;
  version: number;
}

/** The server's copy in the cache; `undefined` of what only this device has. */
function serverCopy(
  client: QueryClient,
  kind: DocumentKind,
  id: string,
  lawnId: string | null,
): Versioned | null {
  const part = partOf(kind);
  const known =
    kind === 'lawn'
      ? client.getQueryData<Versioned>(keys.lawn(id))
      : client
          .getQueryData<Versioned[]>(
            kind === 'customer' || !part || !lawnId ? keys.customers : keys.ofLawn(lawnId, part),
          )
          ?.find((entry) => entry.id === id);
  return known && known.version > 0 ? known : null;
}

/** What of a document is written, as the server keeps it. */
const bodyOf = (kind: DocumentKind, document: object): Json =>
  JSON.parse(
    JSON.stringify(
      Object.fromEntries(
        Object.entries(document).filter(
          ([key]) => key !== 'id' && key !== 'version' && !ADDED[kind]?.includes(key),
        ),
      ),
    ),
  ) as Json;

/**
 * Writes a lawn. An edit that took its time says what it was made from: the base of a merge with what
 * others wrote meanwhile.
 */
export function usePutLawn(lawnId: string) {
  return useWrite(
    lawnId,
    (input: Lawn | { lawn: Lawn; from: Lawn }) => {
      const { lawn, from } = 'from' in input ? input : { lawn: input, from: undefined };
      return { kind: 'lawn', id: lawn.id, body: lawn, from };
    },
    (input, sent) => {
      const lawn = 'from' in input ? input.lawn : input;
      return { ...lawn, version: sent?.version ?? lawn.version };
    },
  );
}

export function usePutCustomer() {
  return useWrite(
    null,
    ({ id, body }: { id: string; body: CustomerBody }) => ({
      kind: 'customer',
      id,
      body,
    }),
    ({ id, body }) => ({ id, ...body }),
  );
}

export function usePutVisit(lawnId: string) {
  return useWrite(
    lawnId,
    ({ id, body }: { id: string; body: VisitBody }) => ({
      kind: 'visit',
      id,
      body,
    }),
    ({ id }) => id,
  );
}

export function usePutReading(lawnId: string) {
  return useWrite(
    lawnId,
    ({ id, body }: { id: string; body: ReadingBody }) => ({
      kind: 'reading',
      id,
      body,
    }),
    ({ id }) => id,
  );
}

export function usePutSample(lawnId: string) {
  return useWrite(
    lawnId,
    ({ id, body }: { id: string; body: SoilSampleBody }) => ({
      kind: 'sample',
      id,
      body,
    }),
    ({ id }) => id,
  );
}

export function usePutReport(lawnId: string) {
  return useWrite(
    lawnId,
    ({ id, body }: { id: string; body: ReportBody }) => ({
      kind: 'report',
      id,
      body,
    }),
    ({ id }, sent) => ({ id, sent: sent !== null }),
  );
}

/** Keeps a photo on the device, then announces it; its bytes follow in pieces. */
export function usePutPhoto(lawnId: string) {
  const put = useWrite(
    lawnId,
    ({ id, body }: { id: string; body: PhotoBody }) => ({ kind: 'photo', id, body }),
    ({ id }) => id,
  );
  return useMutation({
    mutationFn: async ({
      id,
      body,
      bytes,
    }: {
      id: string;
      body: PhotoBody;
      bytes: ArrayBuffer;
    }) => {
      await keepPhotoBytes(id, bytes, body.type);
      return put.mutateAsync({ id, body });
    },
  });
}
