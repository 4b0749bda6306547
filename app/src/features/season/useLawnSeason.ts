import { useQuery } from '@tanstack/react-query';
import {
  useCompany,
  useLawn,
  useLawns,
  useReadings,
  useRecords,
  useSamples,
  useVisits,
  useWeather,
} from '@/api/queries';
import { useOutboxStore } from '@/state/sync/outboxStore';
import { pendingMark } from '@/state/sync/overlay';
import { askSeason } from '@/workers/askSeason';
import type { SeasonQuestion } from '@/workers/seasonView';
import { serialOf } from './serialOf';

const NONE: readonly never[] = [];
const versions = (rows: readonly { id: string; version: number }[]) =>
  rows.map(({ id, version }) => `${id}@${version}`);

/** A lawn with everything about it, and its year; worked out anew when any of it changes. */
export function useLawnSeason(lawnId: string) {
  const lawn = useLawn(lawnId);
  const company = useCompany(lawn.data?.property.timeZone);
  const visits = useVisits(lawnId);
  const records = useRecords(lawnId);
  const readings = useReadings(lawnId);
  const samples = useSamples(lawnId);
  const weather = useWeather(lawn.data?.stationId);
  // The list knows what was confirmed on other lawns; without it the weather speaks alone.
  const sightings = (useLawns().data?.find(({ id }) => id === lawnId)?.sightings ??
    NONE) as SeasonQuestion['sightings'];
  const pending = useOutboxStore((state) => pendingMark(state.writes, lawnId));
  const parts = [company, lawn, visits, records, readings, samples, weather];
  const question: SeasonQuestion | null =
    company.data &&
    lawn.data &&
    visits.data &&
    records.data &&
    readings.data &&
    samples.data &&
    weather.data
      ? {
          company: company.data,
          lawn: lawn.data,
          visits: visits.data,
          records: records.data,
          readings: readings.data,
          samples: samples.data,
          weather: weather.data,
          sightings,
        }
      : null;
  const view = useQuery({
    queryKey: [
      'season',
      lawnId,
      question && [
        question.company.today,
        question.company.version,
        question.lawn.version,
        // Days that were imported are other weather of the same day.
        serialOf(question.weather),
        versions(visits.data ?? []),
        versions(records.data ?? []),
        versions(readings.data ?? []),
        (samples.data ?? []).map(
          ({ id, version, report }) => `${id}@${version}${report ? '!' : ''}`,
        ),
        sightings,
        pending,
      ],
    ],
    queryFn: () => askSeason(question as SeasonQuestion),
    enabled: question !== null && question.lawn.zones.length > 0,
    persister: undefined,
    staleTime: Infinity,
    placeholderData: (previous) => previous,
  });
  // What is on the device is worked on, whatever the line says.
  const failed = parts.find(({ error, data }) => error && data === undefined)?.error ?? view.error;
  return {
    question,
    view: view.data ?? null,
    /** When the view was worked out: another one is of another state of the lawn. */
    workedOutAt: view.dataUpdatedAt,
    records: records.data ?? [],
    visits: visits.data ?? [],
    error: failed,
    retry: () => parts.forEach((part) => void part.refetch()),
  };
}
