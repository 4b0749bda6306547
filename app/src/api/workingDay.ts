import { workingDay, type Company, type LocalDate, type WorkingDay } from '@alfombra/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useSyncExternalStore } from 'react';
import { keys, MINUTE } from './keys';

/**
 * What this device says the day is, when that cannot be. It asks the server for nothing and knows no contract:
 * it stands on every page.
 */
export function useDoubtedDay(): LocalDate | null {
  const known = useQuery<Company>({ queryKey: keys.company, enabled: false }).data;
  return useWorkingDay(known, null)?.doubted ?? null;
}

/** Ticks with the minutes, so that a page left open notices midnight. */
export function useWorkingDay(
  company: Company | undefined,
  timeZone: string | null,
): WorkingDay | null {
  const minute = useSyncExternalStore(everyMinute, thisMinute);
  return useMemo(
    () => (company ? workingDay(company, new Date(minute * MINUTE), timeZone) : null),
    [company, minute, timeZone],
  );
}
const thisMinute = () => Math.floor(Date.now() / MINUTE);
function everyMinute(tick: () => void): () => void {
  const timer = setInterval(tick, MINUTE / 2);
  return () => clearInterval(timer);
}
