import { mainGrass } from '@alfombra/core';
import { useQuery } from '@tanstack/react-query';
import { askRates } from '@/workers/askSeason';
import type { useLawnSeason } from '@/features/season/useLawnSeason';

/** A zone's card of today; worked out anew whenever the lawn's season is. */
export function useRateCard(
  { question, view }: Pick<ReturnType<typeof useLawnSeason>, 'question' | 'view'>,
  zoneId: string | null,
) {
  const zone = question?.lawn.zones.find(({ id }) => id === zoneId);
  const named = zone !== undefined && mainGrass(zone) !== null;
  return useQuery({
    // The season is worked out anew when anything of the lawn changes: its view is another one then.
    queryKey: ['rates', zoneId, question?.company.today, question?.lawn.version, viewMark(view)],
    queryFn: () => askRates(question!, zoneId!),
    enabled: question !== null && view !== null && named,
    persister: undefined,
    staleTime: Infinity,
  });
}

const marks = new WeakMap<object, number>();
let next = 0;

/** A number that is the same for the same view. */
function viewMark(view: object | null): number {
  if (!view) return 0;
  const known = marks.get(view);
  if (known !== undefined) return known;
  next += 1;
  marks.set(view, next);
  return next;
}
