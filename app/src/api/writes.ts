import type {
  Customer,
  CustomerBody,
  Json,
  Lawn,
  PhotoBody,
  ReadingBody,
  ReportBody,
  SoilSampleBody,
  VisitBody,
} from '@alfombra/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { DocumentKind } from '@/state/sync/pendingWrite';
import { keys, staleAfter, type LawnPart } from './keys';
import { baseOf, keepPhotoBytes, write } from './sync/sync';

/** Writes a document through the outbox: kept on the device first, then sent. */
export function useWrite<Input, Result>(
  lawnId: string | null,
  toWrite: (input: Input) => {
    kind: DocumentKind;
    id: string;
    body: object;
    base: { version: number; body: Json } | null;
  },
  toResult: (input: Input, sent: { version: number } | null) => Result,
) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (input: Input) => {
      const { kind, id, body, base } = toWrite(input);
      const sent = await write({
        kind,
        id,
        lawnId: kind === 'lawn' ? null : lawnId,
        body: JSON.parse(JSON.stringify(body)) as Json,
        base,
      });
      const result = toResult(input, sent);
      if (sent) {
        await Promise.all(
          staleAfter(kind, kind === 'lawn' ? id : lawnId).map((queryKey) =>
            client.invalidateQueries({ queryKey }),
          ),
        );
      }
      return result;
    },
  });
}

const rest = <Document extends { id: string; version: number }>({
  id: _id,
  version: _version,
  ...body
}: Document) => body;

/** The server's copy in the cache, the base of a merge. */
function useServerCopy() {
  const client = useQueryClient();
  return {
    lawn: (id: string) => baseOf(client.getQueryData<Lawn>(keys.lawn(id))),
    customer: (id: string) =>
      baseOf(client.getQueryData<Customer[]>(keys.customers)?.find((entry) => entry.id === id)),
    ofLawn: (lawnId: string, part: LawnPart, id: string, without: readonly string[] = []) =>
      baseOf(
        client
          .getQueryData<{ id: string; version: number }[]>(keys.ofLawn(lawnId, part))
          ?.find((entry) => entry.id === id),
        without,
      ),
  };
}

/**
 * Writes a lawn. An edit that took its time says what it was made from: the base of a merge with what
 * others wrote meanwhile.
 */
export function usePutLawn(lawnId: string) {
  const copy = useServerCopy();
  return useWrite(
    lawnId,
    (input: Lawn | { lawn: Lawn; from: Lawn }) => {
      const { lawn, from } = 'from' in input ? input : { lawn: input, from: undefined };
      return {
        kind: 'lawn',
        id: lawn.id,
        body: rest(lawn),
        base: baseOf(from) ?? copy.lawn(lawn.id),
      };
    },
    (input, sent) => {
      const lawn = 'from' in input ? input.lawn : input;
      return { ...lawn, version: sent?.version ?? lawn.version };
    },
  );
}

export function usePutCustomer() {
  const copy = useServerCopy();
  return useWrite(
    null,
    ({ id, body }: { id: string; body: CustomerBody }) => ({
      kind: 'customer',
      id,
      body,
      base: copy.customer(id),
    }),
    ({ id, body }) => ({ id, ...body }),
  );
}

export function usePutVisit(lawnId: string) {
  const copy = useServerCopy();
  return useWrite(
    lawnId,
    ({ id, body }: { id: string; body: VisitBody }) => ({
      kind: 'visit',
      id,
      body,
      base: copy.ofLawn(lawnId, 'visits', id),
    }),
    ({ id }) => id,
  );
}

export function usePutReading(lawnId: string) {
  const copy = useServerCopy();
  return useWrite(
    lawnId,
    ({ id, body }: { id: string; body: ReadingBody }) => ({
      kind: 'reading',
      id,
      body,
      base: copy.ofLawn(lawnId, 'readings', id),
    }),
    ({ id }) => id,
  );
}

export function usePutSample(lawnId: string) {
  const copy = useServerCopy();
  return useWrite(
    lawnId,
    ({ id, body }: { id: string; body: SoilSampleBody }) => ({
      kind: 'sample',
      id,
      body,
      base: copy.ofLawn(lawnId, 'samples', id),
    }),
    ({ id }) => id,
  );
}

export function usePutReport(lawnId: string) {
  const copy = useServerCopy();
  return useWrite(
    lawnId,
    ({ id, body }: { id: string; body: ReportBody }) => ({
      kind: 'report',
      id,
      body,
      base: copy.ofLawn(lawnId, 'reports', id, ['path']),
    }),
    ({ id }, sent) => ({ id, sent: sent !== null }),
  );
}

/** Keeps a photo on the device, then announces it; its bytes follow in pieces. */
export function usePutPhoto(lawnId: string) {
  const put = useWrite(
    lawnId,
    ({ id, body }: { id: string; body: PhotoBody }) => ({ kind: 'photo', id, body, base: null }),
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
