import type { QueryKey } from '@tanstack/react-query';
import { clear, createStore, del, get, set, setMany, type UseStore } from 'idb-keyval';

const PREFIX = 'answer';
/** Raised when what is kept is no longer what the screens expect. */
const BUSTER = 'v4';
const DAY_MS = 24 * 3_600_000;
/** How long what the server said is good enough to work on without a line. */
const KEPT_DAYS = 30;
/** Answers written in one transaction; a batch this large writes no slower than its bytes. */
const BATCH = 500;

let opened: UseStore | undefined;
/** What the server said, on the device; page and worker open the same. */
const place = () => (opened ??= createStore('alfombra-answers', 'answers'));

/** How the query cache keeps its answers there. */
export const answerStore = {
  prefix: PREFIX,
  buster: BUSTER,
  maxAge: KEPT_DAYS * DAY_MS,
  storage: {
    getItem: (key: string) => get<string>(key, place()),
    setItem: (key: string, value: string) => set(key, value, place()),
    removeItem: (key: string) => del(key, place()),
  },
};

/** Removes every answer. */
export async function clearAnswers(): Promise<void> {
  if (typeof indexedDB !== 'undefined') await clear(place());
}

/**
 * Keeps answers that no screen has asked for, as the query cache would have kept them.
 * @param at when the server gave them, ms
 */
export async function keepAnswers(
  answers: readonly { key: QueryKey; data: unknown }[],
  at: number,
): Promise<void> {
  const entries = answers.map(({ key, data }): [string, string] => {
    // The cache's own hash of a key of plain words; a test holds them together.
    const queryHash = JSON.stringify(key);
    const state = {
      data,
      dataUpdateCount: 1,
      dataUpdatedAt: at,
      error: null,
      errorUpdateCount: 0,
      errorUpdatedAt: 0,
      fetchFailureCount: 0,
      fetchFailureReason: null,
      fetchMeta: null,
      isInvalidated: false,
      status: 'success',
      fetchStatus: 'idle',
    };
    return [
      `${PREFIX}-${queryHash}`,
      JSON.stringify({ state, queryKey: key, queryHash, buster: BUSTER }),
    ];
  });
  for (let index = 0; index < entries.length; index += BATCH) {
    await setMany(entries.slice(index, index + BATCH), place());
  }
}

interface Kept {
  taken: unknown;
  /** When all of it was fetched, ms. */
  at: number;
  buster: string;
}

/**
 * What was taken along and when, so that only what has changed is fetched the next time; nothing once the
 * answers themselves are no longer read, for what came with them must come again.
 */
export async function keptTaken(): Promise<Kept | undefined> {
  const kept = await get<Kept>('taken-along', place());
  return kept?.buster === BUSTER ? kept : undefined;
}
export const keepTaken = (taken: unknown, at: number): Promise<void> =>
  set('taken-along', { taken, at, buster: BUSTER } satisfies Kept, place());
