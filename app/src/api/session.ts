import { userSchema } from '@alfombra/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { personHere, personIs, personLeft, sessionEnded, sessionMustEnd } from '@/state/person';
import { beginAnew } from './beginAnew';
import { keys, MINUTE } from './keys';
import { remove, request, RequestFailure } from './request';

/** Who leaves does not wait for a line. */
const PATIENCE_MS = 3000;

/** Ends a session that was left without a line; until the server has heard of it, nobody is signed in. */
async function endLeftSession(): Promise<void> {
  await remove('/api/session', PATIENCE_MS)
    .then(sessionEnded)
    .catch(() => undefined);
}

if (typeof window !== 'undefined') {
  window.addEventListener('online', () => {
    if (sessionMustEnd()) void endLeftSession();
  });
}

export const useSession = () =>
  useQuery({
    queryKey: keys.session,
    queryFn: async () => {
      if (sessionMustEnd()) {
        await endLeftSession();
        throw new RequestFailure('signed-out', 'signed-out');
      }
      const user = await request(userSchema, 'GET', '/api/session');
      if (personHere() !== user.id && personIs(user.id)) await beginAnew();
      return user;
    },
    retry: false,
    staleTime: 5 * MINUTE,
  });

/** Signs out, with or without a line, and forgets what the server said; what was not sent stays for its writer. */
export function useSignOut() {
  return useMutation({
    mutationFn: async () => {
      personLeft();
      await (await import('./sync/sync')).stopSending();
      await endLeftSession();
      return beginAnew('/sign-in');
    },
  });
}
