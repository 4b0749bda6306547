import type { Answers, CountTestInput, Decision, WeedFinding } from '@alfombra/core';
import type { FieldTestInput } from '@alfombra/core/walking';
import { v7 as uuid } from 'uuid';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { personStorage } from './personStorage';
import type { NumberText } from '@/ui/numberText';

export type WalkTab = 'kerb' | 'standing' | 'kneeling' | 'test' | 'context';

/** A weed as it is being typed in; the cover stays text until the walk is kept. */
export interface WeedDraft {
  weed: string;
  cover: NumberText;
  growing: boolean;
  stage?: WeedFinding['stage'];
  confidence?: number;
}

/** A walk that is not kept yet. */
export interface WalkDraft {
  /** Id of the visit it will become: made here, so that sending it twice is one visit. */
  visitId: string;
  zoneId: string;
  patchId: string | null;
  tab: WalkTab;
  answers: Answers;
  tests: CountTestInput[];
  fieldTests: FieldTestInput[];
  decision: Decision | null;
  /** `null` until the weeds page has been opened. */
  weeds: WeedDraft[] | null;
}

interface WalkState {
  /** One walk in progress a lawn, by lawn id. */
  walks: Record<string, WalkDraft>;
  /** Looks at other places that were left half done, by lawn id. */
  laid: Record<string, WalkDraft[]>;
  /** The visit that is going on at a lawn: every walk of its day belongs to it. */
  visits: Record<string, { visitId: string; day: string }>;
  /** Begins the day's visit to a lawn, or goes on with it; gives its id. */
  beginVisit: (lawnId: string, day: string) => string;
  endVisit: (lawnId: string) => void;
  /** Begins to look at a place, or goes on where it was left; a look that goes on elsewhere is kept. */
  start: (lawnId: string, zoneId: string, patchId: string | null, visitId?: string) => void;
  /** Goes away from the place at hand; what was answered there is kept. */
  leave: (lawnId: string) => void;
  change: (lawnId: string, change: Partial<Omit<WalkDraft, 'visitId'>>) => void;
  answer: (lawnId: string, sign: string, value: boolean | 'unsure' | null) => void;
  putTest: (lawnId: string, test: CountTestInput) => void;
  dropTest: (lawnId: string, test: CountTestInput['test']) => void;
  /** Keeps a field test's readings and lets it answer its signs. */
  putFieldTest: (lawnId: string, test: FieldTestInput, answers: Answers) => void;
  /** Takes a field test out with the answers it gave. */
  dropFieldTest: (lawnId: string, test: string, signs: readonly string[]) => void;
  finish: (lawnId: string) => void;
}

const fresh = (zoneId: string, patchId: string | null, visitId: string): WalkDraft => ({
  visitId,
  zoneId,
  patchId,
  tab: 'kerb',
  answers: {},
  tests: [],
  fieldTests: [],
  decision: null,
  weeds: null,
});

const without = <Value>(all: Record<string, Value>, key: string): Record<string, Value> =>
  Object.fromEntries(Object.entries(all).filter(([other]) => other !== key));

/** Something was entered that would be missed. */
const isBegun = ({ answers, tests, fieldTests, decision }: WalkDraft): boolean =>
  Object.keys(answers).length + tests.length + fieldTests.length > 0 || decision !== null;

/** The walk in progress. Kept on the device at every tap: a reload or a dead battery loses nothing. */
export const useWalkStore = create<WalkState>()(
  persist(
    (set, get) => {
      const update = (lawnId: string, change: (walk: WalkDraft) => Partial<WalkDraft>) =>
        set(({ walks }) => {
          const walk = walks[lawnId];
          return walk ? { walks: { ...walks, [lawnId]: { ...walk, ...change(walk) } } } : {};
        });
      return {
        walks: {},
        laid: {},
        visits: {},
        beginVisit: (lawnId, day) => {
          const going = get().visits[lawnId];
          if (going?.day === day) return going.visitId;
          const visitId = uuid();
          set(({ visits }) => ({ visits: { ...visits, [lawnId]: { visitId, day } } }));
          return visitId;
        },
        endVisit: (lawnId) =>
          set(({ visits, walks, laid }) => ({
            visits: without(visits, lawnId),
            walks: without(walks, lawnId),
            laid: without(laid, lawnId),
          })),
        start: (lawnId, zoneId, patchId, visitId = uuid()) =>
          set(({ walks, laid }) => {
            const all = [...(laid[lawnId] ?? []), ...(walks[lawnId] ? [walks[lawnId]] : [])];
            const here = (walk: WalkDraft) =>
              walk.visitId === visitId && walk.zoneId === zoneId && walk.patchId === patchId;
            return {
              laid: { ...laid, [lawnId]: all.filter((walk) => !here(walk) && isBegun(walk)) },
              walks: { ...walks, [lawnId]: all.find(here) ?? fresh(zoneId, patchId, visitId) },
            };
          }),
        leave: (lawnId) =>
          set(({ walks, laid }) => {
            const walk = walks[lawnId];
            return {
              walks: without(walks, lawnId),
              laid:
                walk && isBegun(walk)
                  ? { ...laid, [lawnId]: [...(laid[lawnId] ?? []), walk] }
                  : laid,
            };
          }),
        change: (lawnId, change) => update(lawnId, () => change),
        answer: (lawnId, sign, value) =>
          update(lawnId, ({ answers }) => {
            const rest = { ...answers };
            delete rest[sign];
            return { answers: value === null ? rest : { ...rest, [sign]: value } };
          }),
        putTest: (lawnId, test) =>
          update(lawnId, ({ tests }) => ({
            tests: [...tests.filter((other) => other.test !== test.test), test],
          })),
        dropTest: (lawnId, slug) =>
          update(lawnId, ({ tests }) => ({ tests: tests.filter(({ test }) => test !== slug) })),
        putFieldTest: (lawnId, test, given) =>
          update(lawnId, ({ fieldTests, answers }) => ({
            fieldTests: [...fieldTests.filter((other) => other.test !== test.test), test],
            answers: { ...answers, ...given },
          })),
        dropFieldTest: (lawnId, slug, signs) =>
          update(lawnId, ({ fieldTests, answers }) => ({
            fieldTests: fieldTests.filter(({ test }) => test !== slug),
            answers: Object.fromEntries(
              Object.entries(answers).filter(([sign]) => !signs.includes(sign)),
            ),
          })),
        finish: (lawnId) => set(({ walks }) => ({ walks: without(walks, lawnId) })),
      };
    },
    {
      name: 'alfombra-walks',
      storage: personStorage(),
      version: 3,
      // Walks kept by earlier versions: without field tests, and one place at a time.
      migrate: (kept) => {
        const state = kept as Pick<WalkState, 'walks' | 'visits'>;
        return {
          ...state,
          laid: (kept as Partial<WalkState>).laid ?? {},
          walks: Object.fromEntries(
            Object.entries(state.walks).map(([lawnId, walk]) => [
              lawnId,
              { ...walk, fieldTests: walk.fieldTests ?? [] },
            ]),
          ),
        };
      },
    },
  ),
);
