import type MiniSearchClass from 'minisearch';
import { useEffect, useState } from 'react';

/** From one try to the next, ms; twice as long each time. */
const FIRST_RETRY_MS = 1000;

/** The search engine, fetched once it is wanted, again where it did not come; `null` until it is there. */
export function useMiniSearch(wanted: boolean): typeof MiniSearchClass | null {
  const [engine, setEngine] = useState<typeof MiniSearchClass | null>(null);
  const [failed, setFailed] = useState(0);
  useEffect(() => {
    if (!wanted || engine) return undefined;
    let ended = false;
    const load = () =>
      import('minisearch').then(
        (loaded) => !ended && setEngine(() => loaded.default),
        () => !ended && setFailed(failed + 1),
      );
    const pause = failed === 0 ? 0 : FIRST_RETRY_MS * 2 ** (failed - 1);
    const timer = setTimeout(() => void load(), pause);
    return () => {
      ended = true;
      clearTimeout(timer);
    };
  }, [wanted, engine, failed]);
  return engine;
}
