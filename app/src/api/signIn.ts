import type { SignIn } from '@alfombra/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { keys } from './keys';
import { request } from './request';
import { beginAnew } from './beginAnew';
import { personIs } from '@/state/person';

export function useSignIn() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async ({ who }: { who: SignIn; next: string }) => {
      const { userSchema } = await import('./doorContracts');
      return request(userSchema, 'POST', '/api/session', { body: who });
    },
    onSuccess: async (user, { next }) => {
      if (personIs(user.id)) await beginAnew(next);
      client.setQueryData(keys.session, user);
      await client.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'session' });
    },
  });
}
