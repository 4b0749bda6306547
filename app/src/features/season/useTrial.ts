import type { LocalDate } from '@alfombra/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { askDays, askTrial } from '@/workers/askSeason';

/** A hand that rests for so long wants to see what becomes of the rest, ms. */
const RESTS_MS = 120;

/** What the judge says of a job on each day around its own; asked once, read at every move of the hand. */
export function useDayWords(session: number | undefined, jobId: string | null) {
  return useQuery({
    queryKey: ['days', session, jobId],
    queryFn: () => askDays(session!, jobId!),
    enabled: session !== undefined && jobId !== null,
    persister: undefined,
    staleTime: Infinity,
  }).data;
}

/** The season with a job on another day, once the hand rests there; the last day asked about wins. */
export function useTrialOf(
  session: number | undefined,
  trial: { jobId: string; date: LocalDate } | null,
) {
  const [rested, setRested] = useState(trial);
  useEffect(() => {
    const timer = setTimeout(() => setRested(trial), trial ? RESTS_MS : 0);
    return () => clearTimeout(timer);
  }, [trial]);
  const asked = trial && rested?.jobId === trial.jobId ? rested : null;
  const { data, isFetching } = useQuery({
    queryKey: ['trial', session, asked?.jobId, asked?.date],
    queryFn: () => askTrial(session!, asked!.jobId, asked!.date),
    enabled: session !== undefined && asked !== null,
    persister: undefined,
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
  return { laid: asked ? (data ?? null) : null, busy: isFetching || asked?.date !== trial?.date };
}
