import type MiniSearchClass from 'minisearch';
import { useEffect, useState } from 'react';

/** The search engine, fetched once it is wanted; `null` until it is there. */
export function useMiniSearch(wanted: boolean): typeof MiniSearchClass | null {
  const [engine, setEngine] = useState<typeof MiniSearchClass | null>(null);
  useEffect(() => {
    if (!wanted || engine) return;
    void import('minisearch').then((loaded) => setEngine(() => loaded.default));
  }, [wanted, engine]);
  return engine;
}
