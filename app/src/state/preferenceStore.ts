import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface PreferenceState {
  /** Usable size of the tank on the truck, gal. */
  tankGal: string;
  setTank: (tankGal: string) => void;
}

/** What a technician sets once. */
export const usePreferenceStore = create<PreferenceState>()(
  persist((set) => ({ tankGal: '4', setTank: (tankGal) => set({ tankGal }) }), {
    name: 'alfombra-preferences',
    version: 1,
  }),
);
