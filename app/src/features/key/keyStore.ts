import type { KeyAnswer } from '@alfombra/core/key';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface KeyState {
  /** By lawn: the plant that is being named. */
  answers: Record<string, Record<string, KeyAnswer>>;
  answer: (lawnId: string, character: string, answer: KeyAnswer | null) => void;
  clear: (lawnId: string) => void;
}

/** The plant being named, answer by answer on the device. */
export const useKeyStore = create<KeyState>()(
  persist(
    (set) => ({
      answers: {},
      answer: (lawnId, character, answer) =>
        set(({ answers }) => {
          const own = { ...answers[lawnId] };
          if (answer) own[character] = answer;
          else delete own[character];
          return { answers: { ...answers, [lawnId]: own } };
        }),
      clear: (lawnId) => set(({ answers }) => ({ answers: { ...answers, [lawnId]: {} } })),
    }),
    { name: 'alfombra-key', version: 1 },
  ),
);
