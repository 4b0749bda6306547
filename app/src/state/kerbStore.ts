import type { ApplicationRecordBody } from '@alfombra/core';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { NumberText } from '@/ui/numberText';
import { personStorage } from './personStorage';

/** What is seen and measured on arriving; it ages. */
export interface KerbNote {
  lawnId: string;
  /** When it was last changed, ms since 1970. */
  at: number;
  seen: { wilting?: boolean; leafWet?: boolean; saturated?: boolean; bloom?: boolean };
  wind: NumberText;
  /** Where the wind comes from; empty: nobody looked. */
  windFrom: ApplicationRecordBody['weather']['windFrom'] | '';
}

interface KerbState {
  note: KerbNote | null;
  /** When the card of each piece of work was opened, ms since 1970, by the work. */
  opened: Record<string, number>;
  write: (note: Omit<KerbNote, 'at'>) => void;
  open: (work: string) => void;
}

/** Weather at a lawn is worth nothing after an hour. */
export const KERB_LASTS_MS = 3_600_000;
/** A card that was opened longer ago was opened for another day. */
const OPENED_LASTS_MS = 12 * 3_600_000;

/** What the technician noted at the kerb, and when each card was opened: work begins with its card. */
export const useKerbStore = create<KerbState>()(
  persist(
    (set) => ({
      note: null,
      opened: {},
      write: (note) => set({ note: { ...note, at: Date.now() } }),
      open: (work) =>
        set(({ opened }) => {
          const at = Date.now();
          const fresh = Object.entries(opened).filter(([, since]) => at - since < OPENED_LASTS_MS);
          // A card that is looked at again was begun when it was first opened.
          return { opened: { [work]: at, ...Object.fromEntries(fresh) } };
        }),
    }),
    { name: 'alfombra-kerb', storage: personStorage(), version: 1 },
  ),
);

/** What was noted at a lawn within the hour; of another lawn, or older, there is nothing. */
export function kerbNoteOf(
  note: KerbNote | null,
  lawnId: string,
  now: number,
): Pick<KerbNote, 'seen' | 'wind' | 'windFrom'> {
  const fresh = note && note.lawnId === lawnId && now - note.at <= KERB_LASTS_MS && now >= note.at;
  return fresh ? note : { seen: {}, wind: '', windFrom: '' };
}

/** Clock time at which the card of a piece of work was opened, HH:MM; empty where it was not, or on another day. */
export function openedAt(opened: Record<string, number>, work: string, now: number): string {
  const at = opened[work];
  if (at === undefined || now < at || now - at >= OPENED_LASTS_MS) return '';
  return new Date(at).toDateString() === new Date(now).toDateString() ? clockOf(at) : '';
}

/** Clock time of a moment, HH:MM. */
export const clockOf = (at: number): string => {
  const date = new Date(at);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${two(date.getHours())}:${two(date.getMinutes())}`;
};
