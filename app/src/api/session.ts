import { userSchema } from '@alfombra/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { keys, MINUTE } from './keys';
import { remove, request } from './request';

export const useSession = () =>
  useQuery({
    queryKey: keys.session,
    queryFn: () => request(userSchema, 'GET', '/api/session'),
    retry: false,
    staleTime: 5 * MINUTE,
  });

export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => remove('/api/session'),
    onSettled: () => client.clear(),
  });
}
