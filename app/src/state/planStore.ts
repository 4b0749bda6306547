import type { Lawn } from '@alfombra/core';
import { temporal } from 'zundo';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** The parts of a lawn that are drawn. */
export type Plan = Pick<Lawn, 'zones' | 'features' | 'pins' | 'lines' | 'weedPatches' | 'origin'>;

interface PlanState {
  /** Lawn whose plan is being drawn; `null` when none is. */
  lawnId: string | null;
  plan: Plan | null;
  /** The lawn as it was when the drawing began: the base of the write. */
  from: Lawn | null;
  touched: boolean;
  /** Opens a lawn's plan; one that has been drawn on goes on where it was. */
  open: (lawn: Lawn) => void;
  change: (change: Partial<Plan>) => void;
  finish: () => void;
}

const MOST_STEPS_BACK = 100;

export const planOf = ({ zones, features, pins, lines, weedPatches, origin }: Lawn): Plan => ({
  zones,
  features,
  pins,
  lines,
  weedPatches,
  origin,
});

/** The plan being drawn, step by step, kept on the device until it is saved. */
export const usePlanStore = create<PlanState>()(
  temporal(
    persist(
      (set, get) => ({
        lawnId: null,
        plan: null,
        from: null,
        touched: false,
        open: (lawn) => {
          if (get().lawnId === lawn.id && get().plan && get().touched) return;
          set({ lawnId: lawn.id, plan: planOf(lawn), from: lawn, touched: false });
        },
        change: (change) =>
          set(({ plan }) => (plan ? { plan: { ...plan, ...change }, touched: true } : {})),
        finish: () => set({ lawnId: null, plan: null, from: null, touched: false }),
      }),
      { name: 'alfombra-plan', version: 1 },
    ),
    {
      limit: MOST_STEPS_BACK,
      partialize: ({ plan }) => ({ plan }),
      equality: (before, now) => before.plan === now.plan,
    },
  ),
);
