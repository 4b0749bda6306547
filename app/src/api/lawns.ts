import { lawnSummarySchema, zoneArea, type LawnBody, type LawnSummary } from '@alfombra/core';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { z } from 'zod';
import { useOutboxStore } from '@/state/sync/outboxStore';
import type { PendingWrite } from '@/state/sync/pendingWrite';
import { keys, MINUTE } from './keys';
import { LONG_PATIENCE_MS, request } from './request';

export const lawnsQuery = queryOptions({
  queryKey: keys.lawns,
  queryFn: () =>
    request(z.array(lawnSummarySchema), 'GET', '/api/lawns', { patienceMs: LONG_PATIENCE_MS }),
  staleTime: MINUTE,
});

/** All lawns; those written on this device and not sent yet are among them. */
export function useLawns() {
  const query = useQuery(lawnsQuery);
  const writes = useOutboxStore((state) => state.writes);
  const data = useMemo(() => overlaySummaries(query.data, writes), [query.data, writes]);
  return { ...query, data };
}

function overlaySummaries(
  summaries: readonly LawnSummary[] | undefined,
  writes: readonly PendingWrite[],
): LawnSummary[] | undefined {
  const lawns = writes.filter(({ kind }) => kind === 'lawn');
  if (lawns.length === 0) return summaries && [...summaries];
  const known = new Map((summaries ?? []).map((summary) => [summary.id, summary]));
  for (const { id, body } of lawns) {
    // Written by this app's own forms: the server judges it, the list only shows it.
    const { name, customer, customerId, archived, region, zones } = body as unknown as LawnBody;
    known.set(id, {
      ...(known.get(id) ?? {
        lastVisit: null,
        due: [],
        next: null,
        clashes: 0,
        fault: null,
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
