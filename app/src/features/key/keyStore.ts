import type { KeyAnswer } from '@alfombra/core/key';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { personStorage } from '@/state/personStorage';

interface KeyState {
  /** By lawn: the plant that is being named. */
  answers: Record<string, Record<string, KeyAnswer>>;
  /** By lawn: characters that cannot be seen on this plant; they are not asked again. */
  unseen: Record<string, string[]>;
  answer: (lawnId: string, character: string, answer: KeyAnswer | null) => void;
  /** Notes that a character cannot be seen, or that it can. */
  see: (lawnId: string, character: string, canBeSeen: boolean) => void;
  clear: (lawnId: string) => void;
}

/** The plant being named, answer by answer on the device. */
export const useKeyStore = create<KeyState>()(
  persist(
    (set) => ({
      answers: {},
      unseen: {},
      answer: (lawnId, character, answer) =>
        set(({ answers }) => {
          const own = { ...answers[lawnId] };
          if (answer) own[character] = answer;
          else delete own[character];
          return { answers: { ...answers, [lawnId]: own } };
        }),
      see: (lawnId, character, canBeSeen) =>
        set(({ unseen, answers }) => {
          const others = (unseen[lawnId] ?? []).filter((slug) => slug !== character);
          const { [character]: _gone, ...own } = answers[lawnId] ?? {};
          return {
            unseen: { ...unseen, [lawnId]: canBeSeen ? others : [...others, character] },
            answers: { ...answers, [lawnId]: own },
          };
        }),
      clear: (lawnId) =>
        set(({ answers, unseen }) => ({
          answers: { ...answers, [lawnId]: {} },
          unseen: { ...unseen, [lawnId]: [] },
        })),
    }),
    {
      name: 'alfombra-key',
      storage: personStorage(),
      version: 2,
      migrate: (kept) => ({ ...(kept as KeyState), unseen: {} }),
    },
  ),
);
