import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { NumberText } from '@/ui/numberText';

/** What may lie over the ground of a plan. */
export type PlanLayer = 'marks' | 'weeds';

interface PreferenceState {
  /** Usable size of the tank on the truck, gal. */
  tankGal: NumberText;
  setTank: (tankGal: NumberText) => void;
  /** White ground and black ink, for work in the sun. */
  sunBright: boolean;
  setSunBright: (sunBright: boolean) => void;
  /** Layers of the plan that are not shown. */
  hidden: PlanLayer[];
  setHidden: (hidden: PlanLayer[]) => void;
  lengthUnit: 'ft' | 'm';
  setLengthUnit: (lengthUnit: 'ft' | 'm') => void;
  /** A technician's own paces over a known length, as typed. */
  pace: { paces: NumberText; feet: NumberText };
  setPace: (pace: { paces: NumberText; feet: NumberText }) => void;
}

/** What a technician sets once. Whole figures are written alike everywhere. */
export const usePreferenceStore = create<PreferenceState>()(
  persist(
    (set) => ({
      tankGal: '4' as NumberText,
      setTank: (tankGal) => set({ tankGal }),
      sunBright: false,
      setSunBright: (sunBright) => set({ sunBright }),
      hidden: [],
      setHidden: (hidden) => set({ hidden }),
      lengthUnit: 'ft',
      setLengthUnit: (lengthUnit) => set({ lengthUnit }),
      pace: { paces: '40' as NumberText, feet: '100' as NumberText },
      setPace: (pace) => set({ pace }),
    }),
    { name: 'alfombra-preferences', version: 1 },
  ),
);
