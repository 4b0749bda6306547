import type { Source } from './source';

const MEMORY: Source = { kind: 'memory' };

/** Pure lime, tons per acre for 8 in of soil, by SMP buffer pH and the pH wanted. */
export const smpTable = {
  targets: [7.0, 6.5, 6.0],
  rows: [
    [6.8, 1.4, 1.2, 1.0],
    [6.7, 2.4, 2.1, 1.7],
    [6.6, 3.4, 2.9, 2.4],
    [6.5, 4.5, 3.8, 3.1],
    [6.4, 5.5, 4.7, 3.8],
    [6.3, 6.5, 5.5, 4.5],
    [6.2, 7.5, 6.4, 5.2],
    [6.1, 8.6, 7.2, 5.9],
    [6.0, 9.6, 8.1, 6.6],
    [5.8, 11.7, 9.8, 8.0],
    [5.6, 13.7, 11.6, 9.4],
    [5.4, 15.8, 13.4, 10.9],
  ],
  source: {
    kind: 'published',
    ref: 'Shoemaker, McLean & Pratt 1961, Soil Science Society of America Proceedings 25:274-277; digits from memory',
  } as Source,
} as const;

export const LIME_TEXTURES = ['sand', 'sandy-loam', 'loam', 'clay'] as const;
export type LimeTexture = (typeof LIME_TEXTURES)[number];

/** Ground limestone (ECCE about 90 %), lb per 1000 ft², 6 in deep, to pH 6.5: used without a buffer test. */
export const limeByTexture: Readonly<
  Record<LimeTexture, readonly (readonly [ph: number, lb: number])[]>
> = {
  sand: [
    [6, 17.5],
    [5.5, 40],
    [5, 60],
    [4.5, 80],
  ],
  'sandy-loam': [
    [6, 25],
    [5.5, 50],
    [5, 80],
    [4.5, 110],
  ],
  loam: [
    [6, 35],
    [5.5, 75],
    [5, 110],
    [4.5, 150],
  ],
  clay: [
    [6, 50],
    [5.5, 100],
    [5, 150],
    [4.5, 200],
  ],
};
/** Elemental sulfur (90 %), lb per 1000 ft², 6 in deep, to pH 6.5: middle of the range. */
export const sulfurByTexture: Readonly<
  Record<Exclude<LimeTexture, 'sandy-loam'>, readonly (readonly [ph: number, lb: number])[]>
> = {
  sand: [
    [7, 3.5],
    [7.5, 12.5],
    [8, 30],
    [8.5, 42.5],
  ],
  loam: [
    [7, 6],
    [7.5, 19],
    [8, 37.5],
    [8.5, 50],
  ],
  clay: [
    [7, 9.5],
    [7.5, 22.5],
    [8, 45],
    [8.5, 55],
  ],
};

/** How much of each goes down at once on live turf, lb per 1000 ft². */
export const amendmentLimits = {
  limeOnce: 50,
  limeOnceInHeat: 25,
  heatF: 85,
  hydratedLimeOnce: 10,
  sulfurOnce: 5,
  sulfurYear: 10,
  /** Weeks between lime and the next. */
  limeWeeks: 13,
  source: MEMORY,
} as const;

/** Compost: weight of a cubic yard, and the depth that live turf takes, in. */
export const compost = { lbPerCubicYard: 1000, mostOnTurfIn: 0.25, source: MEMORY } as const;
/** Peat: lime that a cubic yard eats, lb, and what a pH unit of 2 in of loam weighs, lb per 1000 ft². */
export const peat = { limeLbPerCubicYard: 6, lbPerPhUnit: 25, source: MEMORY } as const;
/** Bulk densities, lb per ft³. */
export const bulkDensity = {
  organicGranule: 40,
  fescueSeed: 19.3,
  bluegrassSeed: 16,
  source: MEMORY,
} as const;
/** Coverage of a pallet of sod, ft². */
export const sodPalletFt2 = { usual: 450, range: [400, 500], source: MEMORY } as const;
/** Ferrous sulfate: share of iron, usual and highest rate in heat, oz per 1000 ft². */
export const ferrousSulfate = { iron: 0.2, usualOz: 2, mostOz: 4, source: MEMORY } as const;
/** A pattern is even enough up to this coefficient of variation, %. */
export const patternCvPct = 15;
/** A nozzle this far off its nominal flow is replaced, %. */
export const nozzleWearPct = 10;
/** Insecticide on fertilizer: imidacloprid's yearly most, lb a.i. per acre (typical label). */
export const combinationCaps = { imidaclopridYear: 0.4, source: MEMORY } as const;
