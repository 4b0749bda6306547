import { mainGrass } from '@alfombra/core';
import { useQuery } from '@tanstack/react-query';
import { askRates } from '@/workers/askSeason';
import type { useLawnSeason } from '@/features/season/useLawnSeason';

/** A zone's card of today; worked out anew whenever the lawn's season is. */
export function useRateCard(
  {
    question,
    view,
    workedOutAt,
  }: Pick<ReturnType<typeof useLawnSeason>, 'question' | 'view' | 'workedOutAt'>,
  zoneId: string | null,
) {
  const zone = question?.lawn.zones.find(({ id }) => id === zoneId);
  const named = zone !== undefined && mainGrass(zone) !== null;
  return useQuery({
    queryKey: ['rates', zoneId, workedOutAt],
    queryFn: () => askRates(question!, zoneId!),
    enabled: question !== null && view !== null && named,
    persister: undefined,
    staleTime: Infinity,
  });
}
