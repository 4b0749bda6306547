import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { personStorage } from './personStorage';

/** What somebody typed into a form and has not saved, with what it was made from. */
export interface KeptDraft {
  values: unknown;
  from: unknown;
  /** When it was last typed in, milliseconds. */
  at: number;
}

interface DraftState {
  /** By the name of the form and of what it is about. */
  drafts: Record<string, KeptDraft>;
  keep: (key: string, draft: KeptDraft) => void;
  drop: (key: string) => void;
}

/** Records that were begun before a job could lie over several zones are of the one zone that they had. */
export function overZones(kept: unknown): Pick<DraftState, 'drafts'> {
  const { drafts } = kept as Pick<DraftState, 'drafts'>;
  return {
    drafts: Object.fromEntries(
      Object.entries(drafts).map(([key, draft]) => {
        const from = draft.from as { job?: Record<string, unknown> } | null;
        const job = key.startsWith('record:') ? from?.job : undefined;
        if (!job || 'lines' in job) return [key, draft];
        const { stepId, zoneId, areaFt2, materials, targets } = job;
        const lines = [{ stepId, zoneId, areaFt2, materials, targets }];
        return [key, { ...draft, from: { ...from, job: { ...job, lines } } }];
      }),
    ),
  };
}

/** Forms being filled in. Kept on the device at every key press, so that a reload or a dead battery loses nothing. */
export const useDraftStore = create<DraftState>()(
  persist(
    (set) => ({
      drafts: {},
      keep: (key, draft) => set(({ drafts }) => ({ drafts: { ...drafts, [key]: draft } })),
      drop: (key) =>
        set(({ drafts }) => {
          const rest = { ...drafts };
          delete rest[key];
          return { drafts: rest };
        }),
    }),
    { name: 'alfombra-drafts', storage: personStorage(), version: 2, migrate: overZones },
  ),
);

/** What a kept draft was made from, where one is kept. */
export const keptFrom = <Source>(key: string): Source | undefined =>
  useDraftStore.getState().drafts[key]?.from as Source | undefined;

/**
 * Puts a kept draft elsewhere: what was typed goes along.
 * @returns what it is made from now; `undefined` when nothing was kept
 */
export function movedDraft<Values extends object, Source extends object>(
  key: string,
  change: { values?: Partial<Values>; from?: Partial<Source> },
): Source | undefined {
  const { drafts, keep } = useDraftStore.getState();
  const kept = drafts[key];
  if (!kept) return undefined;
  const from = { ...(kept.from as Source), ...change.from };
  keep(key, { values: { ...(kept.values as Values), ...change.values }, from, at: Date.now() });
  return from;
}
