import { experimental_createQueryPersister } from '@tanstack/query-persist-client-core';
// From the core itself: the index of the hooks would bring all of them to the door.
import { MutationCache, QueryCache, QueryClient } from '@tanstack/query-core';
import { answerStore, clearAnswers } from './answerStore';
import { keys } from './keys';
import { RequestFailure } from './request';
import { stopTakingAlong } from './sync/takeAlong';

const MOST_RETRIES = 2;
/** Keeps each answer of the server on the device, and brings it back when there is no line. */
export const persister = experimental_createQueryPersister({
  storage: typeof indexedDB === 'undefined' ? undefined : answerStore.storage,
  maxAge: answerStore.maxAge,
  buster: answerStore.buster,
  prefix: answerStore.prefix,
  refetchOnRestore: false,
});

/** Forgets every answer; for the next person on this device. */
export async function forgetAnswers(): Promise<void> {
  stopTakingAlong();
  await clearAnswers();
}

/** The cache of server state. An ended session is noticed wherever it shows first. */
export function makeQueryClient(): QueryClient {
  const noticeEnd = (error: unknown, key?: readonly unknown[]) => {
    if (error instanceof RequestFailure && error.code === 'signed-out' && key?.[0] !== 'session') {
      void client.invalidateQueries({ queryKey: keys.session });
    }
  };
  const client: QueryClient = new QueryClient({
    queryCache: new QueryCache({ onError: (error, query) => noticeEnd(error, query.queryKey) }),
    mutationCache: new MutationCache({ onError: (error) => noticeEnd(error) }),
    defaultOptions: {
      queries: {
        retry: (count, error) =>
          error instanceof RequestFailure && error.code === 'offline' && count < MOST_RETRIES,
        refetchOnWindowFocus: false,
        // Loopback and private networks count as online whatever the browser believes.
        networkMode: 'always',
        gcTime: answerStore.maxAge,
        // What the device has shows at once; the server is asked behind it, and may be silent.
        persister: async (queryFn, context, query) => {
          let asked = false;
          const ask: typeof queryFn = (given) => {
            asked = true;
            return queryFn(given);
          };
          const answer = await persister.persisterFn(ask, context, query);
          if (!asked) setTimeout(() => void query.fetch().catch(() => undefined), 0);
          return answer;
        },
      },
      mutations: { networkMode: 'always' },
    },
  });
  return client;
}
