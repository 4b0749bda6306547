import {
  experimental_createQueryPersister,
  type AsyncStorage,
} from '@tanstack/query-persist-client-core';
import { MutationCache, QueryCache, QueryClient } from '@tanstack/react-query';
import { clear, createStore, del, get, set, type UseStore } from 'idb-keyval';
import { keys } from './queries';
import { RequestFailure } from './request';

const MOST_RETRIES = 2;
const DAY_MS = 24 * 3_600_000;
/** How long what the server said is good enough to work on without a line. */
const KEPT_DAYS = 30;

let opened: UseStore | undefined;
/** What the server said, on the device. */
const place = () => (opened ??= createStore('alfombra-answers', 'answers'));
const storage: AsyncStorage<string> = {
  getItem: (key) => get<string>(key, place()),
  setItem: (key, value) => set(key, value, place()),
  removeItem: (key) => del(key, place()),
};

/** Keeps each answer of the server on the device, and brings it back when there is no line. */
export const persister = experimental_createQueryPersister({
  storage: typeof indexedDB === 'undefined' ? undefined : storage,
  maxAge: KEPT_DAYS * DAY_MS,
  buster: 'v2',
  prefix: 'answer',
  refetchOnRestore: false,
});

/** Forgets every answer; for the next person on this device. */
export async function forgetAnswers(): Promise<void> {
  if (typeof indexedDB !== 'undefined') await clear(place());
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
        gcTime: KEPT_DAYS * DAY_MS,
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
