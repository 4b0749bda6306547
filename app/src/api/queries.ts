import {
  applicationRecordSchema,
  companySchema,
  customerSchema,
  lawnSchema,
  lawnSummarySchema,
  photoSchema,
  readingSchema,
  reportSchema,
  soilSampleSchema,
  userSchema,
  visitSchema,
  weatherBundleSchema,
  zoneArea,
  type ApplicationRecord,
  type CompanyUpdate,
  type Customer,
  type CustomerBody,
  type Json,
  type Lawn,
  type LawnSummary,
  type Photo,
  type PhotoBody,
  type Reading,
  type ReadingBody,
  type ReportBody,
  type SignIn,
  type SoilSample,
  type SoilSampleBody,
  type Visit,
  type VisitBody,
  type VisitReport,
} from '@alfombra/core';
import { useMutation, useQuery, useQueryClient, type QueryKey } from '@tanstack/react-query';
import { useMemo } from 'react';
import { z } from 'zod';
import { useOutboxStore } from '@/state/sync/outboxStore';
import { overlayDocument, overlayList } from '@/state/sync/overlay';
import type { DocumentKind, PendingWrite } from '@/state/sync/pendingWrite';
import { baseOf, keepPhotoBytes, write } from '@/state/sync/sync';
import { remove, request } from './request';

const MINUTE = 60_000;

/** Keys of everything that is asked for; under `lawn` lies all that belongs to one. */
export const keys = {
  session: ['session'] as const,
  company: ['company'] as const,
  customers: ['customers'] as const,
  lawns: ['lawns'] as const,
  lawn: (id: string) => ['lawn', id] as const,
  ofLawn: (id: string, what: LawnPart) => ['lawn', id, what] as const,
  weather: (stationId: string) => ['weather', stationId] as const,
};
export type LawnPart = 'visits' | 'records' | 'readings' | 'samples' | 'photos' | 'reports';

export const useSession = () =>
  useQuery({
    queryKey: keys.session,
    queryFn: () => request(userSchema, 'GET', '/api/session'),
    retry: false,
    staleTime: 5 * MINUTE,
  });

export function useSignIn() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (who: SignIn) => request(userSchema, 'POST', '/api/session', { body: who }),
    onSuccess: async (user) => {
      client.setQueryData(keys.session, user);
      await client.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'session' });
    },
  });
}

export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => remove('/api/session'),
    onSettled: () => client.clear(),
  });
}

export const useCompany = () =>
  useQuery({
    queryKey: keys.company,
    queryFn: () => request(companySchema, 'GET', '/api/company'),
    staleTime: MINUTE,
  });

export function useUpdateCompany() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (change: CompanyUpdate) =>
      request(companySchema, 'PUT', '/api/company', { body: change }),
    onSuccess: async (company) => {
      client.setQueryData(keys.company, company);
      // Only what is fetched is kept on the device: a reload would else begin with the old version.
      await client.invalidateQueries({ queryKey: keys.company });
      await client.invalidateQueries({ queryKey: keys.lawns });
      await client.invalidateQueries({ queryKey: ['lawn'] });
      await client.invalidateQueries({ queryKey: ['weather'] });
    },
  });
}

/** All lawns; those written on this device and not sent yet are among them. */
export function useLawns() {
  const query = useQuery({
    queryKey: keys.lawns,
    queryFn: () => request(z.array(lawnSummarySchema), 'GET', '/api/lawns'),
    staleTime: MINUTE,
  });
  const writes = useOutboxStore((state) => state.writes);
  const data = useMemo(() => overlaySummaries(query.data, writes), [query.data, writes]);
  return { ...query, data };
}

export function useLawn(id: string) {
  const query = useQuery({
    queryKey: keys.lawn(id),
    queryFn: () => request(lawnSchema, 'GET', `/api/lawns/${id}`),
    staleTime: MINUTE,
  });
  const writes = useOutboxStore((state) => state.writes);
  const data = useMemo(
    () => overlayDocument<Lawn>(query.data, writes, 'lawn', id),
    [query.data, writes, id],
  );
  return { ...query, data };
}

export function useCustomers() {
  const query = useQuery({
    queryKey: keys.customers,
    queryFn: () => request(z.array(customerSchema), 'GET', '/api/customers'),
    staleTime: MINUTE,
  });
  const writes = useOutboxStore((state) => state.writes);
  const data = useMemo(
    () => overlayList<Customer>(query.data, writes, 'customer', null),
    [query.data, writes],
  );
  return { ...query, data };
}

/** A list of documents of a lawn, with what is pending on this device. */
function useOfLawn<Document extends { id: string; version: number }>(
  lawnId: string,
  part: LawnPart,
  kind: DocumentKind,
  schema: z.ZodType<Document>,
) {
  const query = useQuery({
    queryKey: keys.ofLawn(lawnId, part),
    queryFn: () => request(z.array(schema), 'GET', `/api/lawns/${lawnId}/${part}`),
    staleTime: MINUTE,
  });
  const writes = useOutboxStore((state) => state.writes);
  // A lawn that only this device knows has nothing on the server yet.
  const unborn = writes.some((entry) => entry.id === lawnId && entry.baseVersion === 0);
  const data = useMemo(
    () => overlayList<Document>(query.data ?? (unborn ? [] : undefined), writes, kind, lawnId),
    [query.data, writes, kind, lawnId, unborn],
  );
  return { ...query, error: unborn ? null : query.error, data };
}

export const useVisits = (id: string) => useOfLawn<Visit>(id, 'visits', 'visit', visitSchema);
export const useReadings = (id: string) =>
  useOfLawn<Reading>(id, 'readings', 'reading', readingSchema);
export const useSamples = (id: string) =>
  useOfLawn<SoilSample>(id, 'samples', 'sample', soilSampleSchema);
export const usePhotos = (id: string) => useOfLawn<Photo>(id, 'photos', 'photo', photoSchema);
export const useReports = (id: string) =>
  useOfLawn<VisitReport>(id, 'reports', 'report', reportSchema);

/** Records with the checker's findings, also on those that only this device has. */
export function useRecords(id: string) {
  const query = useOfLawn<ApplicationRecord>(id, 'records', 'record', applicationRecordSchema);
  const company = useCompany().data;
  const lawn = useLawn(id).data;
  const samples = useSamples(id).data;
  // A pending record has not been judged by the server; the judge comes with the
  // screens that write records.
  const pending = (query.data ?? []).some(
    (record) => !(record as Partial<ApplicationRecord>).findings,
  );
  const judge = useQuery({
    queryKey: ['judge'],
    queryFn: async () => (await import('@/features/deepScreens')).judgeRecord,
    enabled: pending,
    persister: undefined,
    networkMode: 'always',
    staleTime: Infinity,
  }).data;
  const data = useMemo(
    () =>
      query.data?.map((record) =>
        (record as Partial<ApplicationRecord>).findings
          ? record
          : {
              ...record,
              findings:
                judge && lawn && company
                  ? judge(record, lawn, query.data ?? [], company.policy, samples ?? [])
                  : [],
            },
      ),
    [query.data, judge, lawn, company, samples],
  );
  return { ...query, data };
}

export const useWeather = (stationId: string | undefined) =>
  useQuery({
    queryKey: keys.weather(stationId ?? ''),
    queryFn: () => request(weatherBundleSchema, 'GET', `/api/stations/${stationId}/weather`),
    enabled: stationId !== undefined,
    staleTime: 10 * MINUTE,
  });

function overlaySummaries(
  summaries: readonly LawnSummary[] | undefined,
  writes: readonly PendingWrite[],
): LawnSummary[] | undefined {
  const lawns = writes.filter(({ kind }) => kind === 'lawn');
  if (lawns.length === 0) return summaries && [...summaries];
  const known = new Map((summaries ?? []).map((summary) => [summary.id, summary]));
  for (const { id, body } of lawns) {
    const lawn = lawnSchema.safeParse({ ...(body as object), id, version: 0 });
    if (!lawn.success) continue;
    const { name, customer, customerId, archived, region, zones } = lawn.data;
    known.set(id, {
      ...(known.get(id) ?? {
        lastVisit: null,
        due: [],
        next: null,
        clashes: 0,
        scout: [],
        sightings: [],
        followUps: [],
        grasses: [],
      }),
      id,
      name,
      customer,
      customerId,
      archived,
      region,
      areaFt2: zones.reduce((sum, zone) => sum + zoneArea(zone), 0),
    });
  }
  return [...known.values()];
}

/** Queries that a write of a kind makes stale. */
function staleAfter(kind: DocumentKind, lawnId: string | null): QueryKey[] {
  if (kind === 'customer') return [keys.customers];
  return lawnId ? [keys.lawn(lawnId), keys.lawns] : [keys.lawns];
}

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
  return useWrite(
    lawnId,
    ({ id, body }: { id: string; body: ReadingBody }) => ({
      kind: 'reading',
      id,
      body,
      base: null,
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
