import { companySchema, type CompanyUpdate } from '@alfombra/core';
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { keys, MINUTE } from './keys';
import { useWorkingDay } from './workingDay';
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
