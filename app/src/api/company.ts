import { companySchema, type CompanyUpdate } from '@alfombra/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { keys, MINUTE } from './keys';
import { request } from './request';

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
