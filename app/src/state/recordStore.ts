import { v7 as uuid } from 'uuid';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { NumberText } from '@/ui/numberText';

/** A record as it is being typed in: text until it is kept. */
export interface RecordDraft {
  /** Id of the record it will become. */
  recordId: string;
  area: NumberText;
  /** Amount of each material, in the order of the step. */
  amounts: NumberText[];
  carrier: NumberText;
  date: string;
  start: string;
  end: string;
  air: NumberText;
  wind: NumberText;
  windFrom: 'N' | 'NE' | 'E' | 'SE' | 'S' | 'SW' | 'W' | 'NW' | 'calm';
  sky: 'clear' | 'part-cloudy' | 'overcast' | 'rain';
  applicator: string;
  licence: string;
  note: string;
  /** Pace of the calibration and the pace walked, mph; empty where nobody timed it. */
  calibrated: NumberText;
  pace: NumberText;
  /** Flowers open; empty: not looked at. */
  bloom: 'yes' | 'no' | '';
}

interface RecordState {
  /** By step id. */
  drafts: Record<string, RecordDraft>;
  open: (stepId: string, draft: Omit<RecordDraft, 'recordId'>) => void;
  change: (stepId: string, change: Partial<RecordDraft>) => void;
  finish: (stepId: string) => void;
}

/** Records being written. Kept on the device until the server has them. */
export const useRecordStore = create<RecordState>()(
  persist(
    (set) => ({
      drafts: {},
      open: (stepId, draft) =>
        set(({ drafts }) =>
          drafts[stepId] ? {} : { drafts: { ...drafts, [stepId]: { ...draft, recordId: uuid() } } },
        ),
      change: (stepId, change) =>
        set(({ drafts }) => {
          const draft = drafts[stepId];
          return draft ? { drafts: { ...drafts, [stepId]: { ...draft, ...change } } } : {};
        }),
      finish: (stepId) =>
        set(({ drafts }) => {
          const rest = { ...drafts };
          delete rest[stepId];
          return { drafts: rest };
        }),
    }),
    {
      name: 'alfombra-records',
      version: 2,
      // Drafts from before the pace was asked for go on without it.
      migrate: (kept) => ({
        ...(kept as RecordState),
        drafts: Object.fromEntries(
          Object.entries((kept as RecordState).drafts).map(([key, draft]) => [
            key,
            { ...draft, calibrated: '' as const, pace: '' as const, bloom: '' as const },
          ]),
        ),
      }),
    },
  ),
);
