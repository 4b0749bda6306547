import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { personStorage } from './personStorage';

interface SeenState {
  /** The last change of each lawn's plan that this person has seen, by lawn. */
  seen: Record<string, number>;
  see: (lawnId: string, revision: number) => void;
}

/** What of a plan's changes a person has seen. */
export const useSeenStore = create<SeenState>()(
  persist(
    (set) => ({
      seen: {},
      see: (lawnId, revision) => set(({ seen }) => ({ seen: { ...seen, [lawnId]: revision } })),
    }),
    { name: 'alfombra-seen', storage: personStorage(), version: 1 },
  ),
);
