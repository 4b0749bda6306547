import type { Lawn, Pin, PlanLine, Point } from '@alfombra/core';
import { temporal } from 'zundo';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { personStorage } from './personStorage';

/** The parts of a lawn that are drawn. */
export type Plan = Pick<
  Lawn,
  'zones' | 'features' | 'pins' | 'lines' | 'weedPatches' | 'origin' | 'northDeg'
>;

/** A drawing that was left for that of another lawn. */
interface Laid {
  plan: Plan;
  from: Lawn | null;
}

interface PlanState {
  /** Drawings of other lawns that are not saved, by lawn id. */
  laid: Record<string, Laid>;
  /** Lawn whose plan is being drawn; `null` when none is. */
  lawnId: string | null;
  plan: Plan | null;
  /** The lawn as it was when the drawing began: the base of the write. */
  from: Lawn | null;
  touched: boolean;
  /** Corners of a shape and points of a line that are being tapped in. */
  sketch: Point[] | null;
  line: Point[];
  /** What the next tap notes. */
  mark: Pin['kind'] | PlanLine['kind'];
  setMark: (mark: Pin['kind'] | PlanLine['kind']) => void;
  setSketch: (sketch: Point[] | null) => void;
  setLine: (line: Point[]) => void;
  /** Opens a lawn's plan; one that has been drawn on goes on where it was. */
  open: (lawn: Lawn) => void;
  change: (change: Partial<Plan>) => void;
  finish: () => void;
}

const MOST_STEPS_BACK = 100;

export const planOf = ({
  zones,
  features,
  pins,
  lines,
  weedPatches,
  origin,
  northDeg,
}: Lawn): Plan => ({
  zones,
  features,
  pins,
  lines,
  weedPatches,
  origin,
  northDeg,
});

/** The plan being drawn, step by step, kept on the device until it is saved. */
export const usePlanStore = create<PlanState>()(
  temporal(
    persist(
      (set, get) => ({
        laid: {},
        lawnId: null,
        plan: null,
        from: null,
        touched: false,
        sketch: null,
        line: [],
        mark: 'irrigation-head',
        setMark: (mark) => set({ mark }),
        setSketch: (sketch) => set({ sketch }),
        setLine: (line) => set({ line }),
        open: (lawn) => {
          const { lawnId, plan, from, touched, laid } = get();
          const tapped = get().sketch !== null || get().line.length > 0;
          if (lawnId === lawn.id && plan && (touched || tapped)) return;
          const { [lawn.id]: again, ...others } = laid;
          set({
            laid: lawnId && plan && touched ? { ...others, [lawnId]: { plan, from } } : others,
            lawnId: lawn.id,
            plan: again?.plan ?? planOf(lawn),
            from: again ? again.from : lawn,
            touched: again !== undefined,
            sketch: null,
            line: [],
          });
        },
        change: (change) =>
          set(({ plan }) => (plan ? { plan: { ...plan, ...change }, touched: true } : {})),
        finish: () =>
          set({ lawnId: null, plan: null, from: null, touched: false, sketch: null, line: [] }),
      }),
      {
        name: 'alfombra-plan',
        storage: personStorage(),
        version: 2,
        // One drawing at a time was kept before.
        migrate: (kept) => ({
          ...(kept as PlanState),
          laid: {},
          sketch: null,
          line: [],
          mark: 'irrigation-head',
        }),
      },
    ),
    {
      limit: MOST_STEPS_BACK,
      partialize: ({ plan }) => ({ plan }),
      equality: (before, now) => before.plan === now.plan,
    },
  ),
);
