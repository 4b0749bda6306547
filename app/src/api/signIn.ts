import type { SignIn } from '@alfombra/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { keys } from './keys';
import { request } from './request';

export function useSignIn() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (who: SignIn) => {
      const { userSchema } = await import('./doorContracts');
      return request(userSchema, 'POST', '/api/session', { body: who });
    },
    onSuccess: async (user) => {
      client.setQueryData(keys.session, user);
      await client.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'session' });
    },
  });
}
