import { createJSONStorage } from 'zustand/middleware';
import { personShelf } from './person';

/** Where a store keeps a person's unsaved work: nobody else on this device reads it. */
export const personStorage = <State>() => createJSONStorage<State>(() => personShelf);
