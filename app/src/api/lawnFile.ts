import {
  applicationRecordSchema,
  customerSchema,
  lawnSchema,
  phReadingsOf,
  photoSchema,
  readingSchema,
  reportSchema,
  soilSampleSchema,
  temperaturesOf,
  visitSchema,
  type ApplicationRecord,
  type Customer,
  type Lawn,
  type Photo,
  type Reading,
  type SoilSample,
  type Visit,
  type VisitReport,
} from '@alfombra/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { z } from 'zod';
import { useOutboxStore } from '@/state/sync/outboxStore';
import { overlayDocument, overlayList } from '@/state/sync/overlay';
import type { DocumentKind } from '@/state/sync/pendingWrite';
import { useCompany } from './company';
import { keys, MINUTE, type LawnPart } from './keys';
import { request } from './request';
import { wholeLawn } from './wholeLawn';

export function useLawn(id: string) {
  const query = useQuery({
    queryKey: keys.lawn(id),
    queryFn: () => request(lawnSchema, 'GET', `/api/lawns/${id}`),
    staleTime: MINUTE,
  });
  const writes = useOutboxStore((state) => state.writes);
  const data = useMemo(() => {
    const lawn = overlayDocument<Lawn>(query.data, writes, 'lawn', id);
    return lawn && wholeLawn(lawn);
  }, [query.data, writes, id]);
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
/** Everything that was read in the soil, also what was taken back. */
export const useAllReadings = (id: string) =>
  useOfLawn<Reading>(id, 'readings', 'reading', readingSchema);
/** Soil temperatures that count. */
export function useReadings(id: string) {
  const query = useAllReadings(id);
  const data = useMemo(() => query.data && temperaturesOf(query.data), [query.data]);
  return { ...query, data };
}
/** pH readings that count. */
export function usePhReadings(id: string) {
  const query = useAllReadings(id);
  const data = useMemo(() => query.data && phReadingsOf(query.data), [query.data]);
  return { ...query, data };
}
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
  // A pending record has not been judged by the server; the judge comes when there is one.
  const pending = (query.data ?? []).some(
    (record) => !(record as Partial<ApplicationRecord>).findings,
  );
  const judge = useQuery({
    queryKey: ['judge'],
    queryFn: async () => (await import('./judge')).judgeRecord,
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
