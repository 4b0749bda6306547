import type { LocalDate } from '@alfombra/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { askDays, askTrial, type ShownSeason } from '@/workers/askSeason';

/** A hand that rests for so long wants to see what becomes of the rest, ms. */
const RESTS_MS = 120;

/** What the judge says of a job on each day around its own; asked once, read at every move of the hand. */
export function useDayWords(shown: ShownSeason, jobId: string | null) {
  const { data, error } = useQuery({
    queryKey: ['days', shown.session, jobId],
    queryFn: () => askDays(shown, jobId!),
    enabled: shown.session !== undefined && jobId !== null,
    persister: undefined,
    staleTime: Infinity,
  });
  return { said: data, error };
}

/** The season with a job on another day, once the hand rests there; the last day asked about wins. */
export function useTrialOf(shown: ShownSeason, trial: { jobId: string; date: LocalDate } | null) {
  const [rested, setRested] = useState(trial);
  useEffect(() => {
    const timer = setTimeout(() => setRested(trial), trial ? RESTS_MS : 0);
    return () => clearTimeout(timer);
  }, [trial]);
  const asked = trial && rested?.jobId === trial.jobId ? rested : null;
  const { data, error, isFetching } = useQuery({
    queryKey: ['trial', shown.session, asked?.jobId, asked?.date],
    queryFn: () => askTrial(shown, asked!.jobId, asked!.date),
    enabled: shown.session !== undefined && asked !== null,
    persister: undefined,
    staleTime: Infinity,
    // What was laid out for another job is no stand-in for this one.
    placeholderData: (before, query) => (query?.queryKey[2] === asked?.jobId ? before : undefined),
  });
  return {
    laid: asked ? (data ?? null) : null,
    busy: isFetching || asked?.date !== trial?.date,
    error,
  };
}
