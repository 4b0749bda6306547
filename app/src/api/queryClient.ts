import { MutationCache, QueryCache, QueryClient } from '@tanstack/react-query';
import { keys } from './queries';
import { RequestFailure } from './request';

const MOST_RETRIES = 2;

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
      },
      mutations: { networkMode: 'always' },
    },
  });
  return client;
}
