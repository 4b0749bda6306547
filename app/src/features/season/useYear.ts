import { useQuery } from '@tanstack/react-query';
import { askYear } from '@/workers/askSeason';
import type { SeasonQuestion } from '@/workers/seasonView';
import type { YearQuestion } from '@/workers/yearView';
import type { Zone } from '@alfombra/core';
import { serialOf } from './serialOf';

/** What the year of a zone of a lawn is worked out from. */
export const yearQuestion = (
  { lawn, readings, weather }: SeasonQuestion,
  zone: Zone,
): YearQuestion => ({
  zone,
  region: lawn.region,
  upkeep: lawn.upkeep,
  readings: readings.filter(({ zoneId }) => zoneId === zone.id),
  weather,
});

/** A zone's year; worked out anew when its site, its probe or the weather change. */
export function useYear(question: YearQuestion | null, version: number | string) {
  return useQuery({
    queryKey: [
      'year',
      question && [
        question.zone.id,
        version,
        question.upkeep,
        serialOf(question.weather),
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
