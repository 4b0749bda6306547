import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { personStorage } from './personStorage';

/** How one practice case went. */
export interface PracticeResult {
  seed: number;
  cause: string;
  /** What the learner decided; `null` for "cannot tell yet". */
  decided: string | null;
  cost: 'right' | 'right-action' | 'delayed' | 'wasted' | 'harmful';
  seconds: number;
  idealSeconds: number;
}

interface PracticeState {
  /** The case in hand: its seed and what has been looked at, in order. */
  seed: number;
  seen: string[];
  /** The latest results, oldest first. */
  results: PracticeResult[];
  look: (sign: string) => void;
  finish: (result: PracticeResult) => void;
  /** Takes the next case. */
  next: () => void;
}

const MOST_KEPT = 500;

/** The learner's case and record, kept on the device. */
export const usePracticeStore = create<PracticeState>()(
  persist(
    (set) => ({
      seed: 1,
      seen: [],
      results: [],
      look: (sign) => set(({ seen }) => (seen.includes(sign) ? {} : { seen: [...seen, sign] })),
      finish: (result) =>
        set(({ results }) =>
          results.some(({ seed }) => seed === result.seed)
            ? {}
            : { results: [...results, result].slice(-MOST_KEPT) },
        ),
      next: () => set(({ seed }) => ({ seed: seed + 1, seen: [] })),
    }),
    { name: 'alfombra-practice', storage: personStorage(), version: 1 },
  ),
);
