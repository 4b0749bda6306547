import type { QueryKey } from '@tanstack/react-query';
import { personHere } from '@/state/person';
import { clear, createStore, del, get, set, setMany, type UseStore } from 'idb-keyval';

const PREFIX = 'answer';
/** Raised when what is kept is no longer what the screens expect. */
const BUSTER = 'v6';
const DAY_MS = 24 * 3_600_000;
/**
 * How long what the server said is kept: what is old is better than nothing without a line, and a
 * clock that is wrong must not throw it away.
 */
const KEPT_DAYS = 400;
/** Answers written in one transaction; a batch this large writes no slower than its bytes. */
const BATCH = 500;

let opened: UseStore | undefined;
/** What the server said, on the device; page and worker open the same. */
const place = () => (opened ??= createStore('alfombra-answers', 'answers'));

/** Each person's answers lie apart: who signs in next on this device finds none of them. */
const ofPerson = (key: string, person: string | null): string | null =>
  person === null ? null : `${person}/${key}`;

/** How the query cache keeps its answers there. */
export const answerStore = {
  prefix: PREFIX,
  buster: BUSTER,
  maxAge: KEPT_DAYS * DAY_MS,
  storage: {
    getItem: async (key: string) => {
      const own = ofPerson(key, personHere());
      return own === null ? undefined : get<string>(own, place());
    },
    setItem: async (key: string, value: string) => {
      const own = ofPerson(key, personHere());
      if (own !== null) await set(own, value, place());
    },
    removeItem: async (key: string) => {
      const own = ofPerson(key, personHere());
      if (own !== null) await del(own, place());
    },
  },
};

/** Removes every answer, whoever asked. */
export async function clearAnswers(): Promise<void> {
  if (typeof indexedDB !== 'undefined') await clear(place());
}

/**
 * Keeps answers that no screen has asked for, as the query cache would have kept them.
 * @param person whose answers they are: a worker cannot know
 * @param at when the server gave them, ms
 */
export async function keepAnswers(
  person: string,
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
      `${person}/${PREFIX}-${queryHash}`,
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
export async function keptTaken(person: string): Promise<Kept | undefined> {
  const kept = await get<Kept>(`${person}/taken-along`, place());
  return kept?.buster === BUSTER ? kept : undefined;
}
export const keepTaken = (person: string, taken: unknown, at: number): Promise<void> =>
  set(`${person}/taken-along`, { taken, at, buster: BUSTER } satisfies Kept, place());
