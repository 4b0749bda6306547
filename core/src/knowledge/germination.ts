import type { GrassSlug } from './grasses';
import type { Source } from './source';

/** How fast seed of a grass comes up by the soil at 2 in: nothing under the base, all out between the optima. */
export interface GerminationPace {
  baseF: number;
  /** Lower and upper end of the best soil. */
  optimumF: readonly [number, number];
  /** Nothing comes up from here on. */
  ceilingF: number;
  /** Days to the first seedlings in the best soil. */
  firstDays: number;
}

/**
 * Thermal time to the first seedlings. Form: Larsen & Bibby 2005, Crop Science 45:2030-2037; the figures from
 * memory, fitted to usual days, not to trials.
 */
export const germinationPace: Partial<Record<GrassSlug, GerminationPace>> = {
  'kentucky-bluegrass': { baseF: 41, optimumF: [65, 80], ceilingF: 95, firstDays: 10 },
  'tall-fescue': { baseF: 40, optimumF: [68, 82], ceilingF: 95, firstDays: 6 },
  'fine-fescue': { baseF: 40, optimumF: [62, 75], ceilingF: 92, firstDays: 6.5 },
  'perennial-ryegrass': { baseF: 38, optimumF: [68, 82], ceilingF: 95, firstDays: 4 },
  'annual-ryegrass': { baseF: 36, optimumF: [68, 82], ceilingF: 95, firstDays: 4 },
  'creeping-bentgrass': { baseF: 41, optimumF: [68, 82], ceilingF: 97, firstDays: 5 },
  'bermuda-common': { baseF: 55, optimumF: [85, 95], ceilingF: 110, firstDays: 6 },
  'zoysia-wide': { baseF: 58, optimumF: [82, 95], ceilingF: 108, firstDays: 10 },
  centipede: { baseF: 58, optimumF: [82, 95], ceilingF: 108, firstDays: 13 },
  bahia: { baseF: 58, optimumF: [85, 95], ceilingF: 110, firstDays: 12 },
  buffalograss: { baseF: 52, optimumF: [80, 95], ceilingF: 108, firstDays: 7 },
  carpetgrass: { baseF: 58, optimumF: [82, 95], ceilingF: 108, firstDays: 11 },
};
export const germinationSource = {
  kind: 'memory',
  ref: 'form after Larsen & Bibby 2005, Crop Science 45:2030-2037',
} satisfies Source as Source;

/** Share of the way at which half the seed, and nine tenths of it, is up; ln of the spread. */
export const emergenceCurve = { median: 1.5, spread: 0.25, ninetyPct: 2.067 } as const;
