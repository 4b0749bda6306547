import { useQuery } from '@tanstack/react-query';
import { askYear } from '@/workers/askSeason';
import type { YearQuestion } from './yearView';

/** A zone's year; worked out anew when its site, its probe or the weather change. */
export function useYear(question: YearQuestion | null, version: number | string) {
  return useQuery({
    queryKey: [
      'year',
      question && [
        question.zone.id,
        version,
        question.upkeep,
        question.weather.today,
        question.weather.station.id,
        question.weather.station.standIn,
        question.readings.map(({ id }) => id),
      ],
    ],
    queryFn: () => askYear(question as YearQuestion),
    enabled: question !== null,
    persister: undefined,
    staleTime: Infinity,
    placeholderData: (previous) => previous,
  });
}
