import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { z } from 'zod';
import { useLawns } from '@/api/queries';
import { request } from '@/api/request';
import { Words } from '@/ui';

const progressSchema = z.object({ done: z.number(), total: z.number() });
/** How often the server is asked how far it is, ms. */
const ASK_EVERY = 600;

/**
 * How many seasons of the company are worked out while the list of lawns is on its way: nothing when
 * it is not, nor once asking for it has failed.
 */
export function SeasonsProgress() {
  const { t } = useTranslation();
  const { fetchStatus, failureCount } = useLawns();
  const working = fetchStatus === 'fetching' && failureCount === 0;
  const { data } = useQuery({
    queryKey: ['seasons-progress'],
    queryFn: () => request(progressSchema, 'GET', '/api/lawns/progress'),
    enabled: working,
    refetchInterval: working ? ASK_EVERY : false,
    retry: false,
    persister: undefined,
    gcTime: 0,
  });
  if (!working || !data || data.total === 0) return null;
  return (
    <Words role="status" tone="second" tabular testID="seasons-progress">
      {t('year.working', { done: data.done, total: data.total })}
    </Words>
  );
}
