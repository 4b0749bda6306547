import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { personStorage } from '@/state/personStorage';

interface Count {
  hits: number;
  points: number;
  /** Taps in order, for taking the last one back. */
  last: boolean[];
}

interface PointCountState {
  /** By zone id. */
  counts: Record<string, Count>;
  tap: (zoneId: string, hit: boolean) => void;
  back: (zoneId: string) => void;
  clear: (zoneId: string) => void;
}

const EMPTY: Count = { hits: 0, points: 0, last: [] };
const counted = (last: boolean[]): Count => ({
  last,
  hits: last.filter(Boolean).length,
  points: last.length,
});

/** Point counts under way, tap by tap on the device. */
export const usePointCount = create<PointCountState>()(
  persist(
    (set) => {
      const update = (zoneId: string, change: (last: boolean[]) => boolean[]) =>
        set(({ counts }) => ({
          counts: { ...counts, [zoneId]: counted(change((counts[zoneId] ?? EMPTY).last)) },
        }));
      return {
        counts: {},
        tap: (zoneId, hit) => update(zoneId, (last) => [...last, hit]),
        back: (zoneId) => update(zoneId, (last) => last.slice(0, -1)),
        clear: (zoneId) => update(zoneId, () => []),
      };
    },
    { name: 'alfombra-point-counts', storage: personStorage(), version: 1 },
  ),
);

/** The finished count of a zone for the visit, or `undefined` when none was taken. */
export function pointCountOf(zoneId: string): { hits: number; points: number } | undefined {
  const count = usePointCount.getState().counts[zoneId];
  return count && count.points > 0 ? { hits: count.hits, points: count.points } : undefined;
}
