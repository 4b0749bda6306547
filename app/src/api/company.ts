import {
  companySchema,
  workingDay,
  type Company,
  type CompanyUpdate,
  type LocalDate,
  type WorkingDay,
} from '@alfombra/core';
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useSyncExternalStore } from 'react';
import { keys, MINUTE } from './keys';
import { request } from './request';

const companyQuery = queryOptions({
  queryKey: keys.company,
  queryFn: () => request(companySchema, 'GET', '/api/company'),
  staleTime: MINUTE,
});

/**
 * The company, on the day that it is now: the server's last answer may be of yesterday.
 * @param timeZone a lawn's own; without it the company's
 */
export function useCompany(timeZone: string | null = null) {
  const query = useQuery(companyQuery);
  const today = useWorkingDay(query.data, timeZone)?.day;
  const data = useMemo(() => query.data && today && { ...query.data, today }, [query.data, today]);
  return { ...query, data };
}

/** What this device says the day is, when that cannot be; asks the server for nothing. */
export function useDoubtedDay(): LocalDate | null {
  const known = useQuery({ ...companyQuery, enabled: false }).data;
  return useWorkingDay(known, null)?.doubted ?? null;
}

/** Ticks with the minutes, so that a page left open notices midnight. */
function useWorkingDay(company: Company | undefined, timeZone: string | null): WorkingDay | null {
  const minute = useSyncExternalStore(everyMinute, thisMinute);
  return useMemo(
    () => (company ? workingDay(company, new Date(minute * MINUTE), timeZone) : null),
    [company, minute, timeZone],
  );
}
const thisMinute = () => Math.floor(Date.now() / MINUTE);
function everyMinute(tick: () => void): () => void {
  const timer = setInterval(tick, MINUTE / 2);
  return () => clearInterval(timer);
}

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
