import type { GrassSlug } from './grasses';
import type { SoilTexture } from './siteReadings';
import type { Source } from './source';

const MEMORY: Source = { kind: 'memory' };

/** What a soil holds and takes in. */
export interface SoilWater {
  /** Water between field capacity and wilting point, in per in of root zone. */
  availableInPerIn: number;
  /** Basic intake on established turf by slope class 0-4, 5-8, 9-12 and over 12 %, in/h. */
  intakeInPerHour: readonly [number, number, number, number];
}

/**
 * Soil water by texture. Available water: middle of the ranges of FAO-56 Table 19 and of design
 * guides; intake from memory. Compaction of the site outweighs both.
 */
export const soilWater: Readonly<Record<SoilTexture, SoilWater>> = {
  sand: { availableInPerIn: 0.07, intakeInPerHour: [0.94, 0.75, 0.56, 0.38] },
  'loamy-sand': { availableInPerIn: 0.09, intakeInPerHour: [0.85, 0.68, 0.51, 0.34] },
  'sandy-loam': { availableInPerIn: 0.14, intakeInPerHour: [0.75, 0.6, 0.45, 0.3] },
  loam: { availableInPerIn: 0.16, intakeInPerHour: [0.54, 0.43, 0.33, 0.22] },
  'silt-loam': { availableInPerIn: 0.17, intakeInPerHour: [0.5, 0.4, 0.3, 0.2] },
  'sandy-clay-loam': { availableInPerIn: 0.15, intakeInPerHour: [0.38, 0.3, 0.23, 0.15] },
  'clay-loam': { availableInPerIn: 0.17, intakeInPerHour: [0.25, 0.2, 0.15, 0.1] },
  'silty-clay-loam': { availableInPerIn: 0.16, intakeInPerHour: [0.22, 0.18, 0.13, 0.09] },
  'sandy-clay': { availableInPerIn: 0.14, intakeInPerHour: [0.2, 0.16, 0.12, 0.08] },
  clay: { availableInPerIn: 0.14, intakeInPerHour: [0.13, 0.1, 0.08, 0.05] },
  'silty-clay': { availableInPerIn: 0.15, intakeInPerHour: [0.19, 0.15, 0.11, 0.08] },
};
export const soilWaterSource: Source = {
  kind: 'published',
  ref: 'Ranges: Allen, Pereira, Raes & Smith 1998, FAO-56 Table 19; digits from memory',
};

/** Water that stands on the ground before it runs, in: sandy and clayey soils, by slope class. */
export const surfaceStorageIn = {
  sandy: [0.1, 0.08, 0.06, 0.04],
  clayey: [0.08, 0.06, 0.04, 0.02],
  source: MEMORY,
} as const;
/** Upper bounds of the slope classes, %. */
export const slopeClassesPct = [4, 8, 12] as const;

/** What turf uses of the reference evapotranspiration, and how deep it drinks. */
export interface TurfWater {
  /** Crop coefficient: well watered, still acceptable, just alive. */
  kc: readonly [well: number, acceptable: number, survival: number];
  rootDepthIn: number;
}

const cool = (acceptable: number, survival: number, rootDepthIn: number): TurfWater => ({
  kc: [0.85, acceptable, survival],
  rootDepthIn,
});
const warm = (acceptable: number, survival: number, rootDepthIn: number): TurfWater => ({
  kc: [0.7, acceptable, survival],
  rootDepthIn,
});
/** From memory; FAO-56 Table 12 gives 0.95 for cool and 0.85 for warm turf at mid-season. */
export const turfWater: Readonly<Record<GrassSlug, TurfWater>> = {
  'kentucky-bluegrass': cool(0.65, 0.4, 7),
  'tall-fescue': cool(0.6, 0.45, 10),
  'fine-fescue': cool(0.55, 0.35, 7),
  'perennial-ryegrass': cool(0.65, 0.5, 7),
  'annual-ryegrass': cool(0.65, 0.5, 5),
  'creeping-bentgrass': cool(0.75, 0.6, 4),
  'roughstalk-bluegrass': cool(0.75, 0.6, 4),
  'annual-bluegrass': cool(0.75, 0.6, 4),
  'bermuda-common': warm(0.5, 0.3, 10),
  'bermuda-hybrid': warm(0.5, 0.3, 10),
  'zoysia-fine': warm(0.55, 0.35, 8),
  'zoysia-wide': warm(0.55, 0.35, 8),
  'st-augustine': warm(0.6, 0.45, 8),
  centipede: warm(0.6, 0.45, 5),
  bahia: warm(0.5, 0.25, 12),
  buffalograss: warm(0.4, 0.2, 10),
  carpetgrass: warm(0.7, 0.6, 5),
};

/** Depletion of the available water at which turf begins to suffer, by season of the grass. */
export const depletion = {
  cool: 0.4,
  warm: 0.5,
  source: {
    kind: 'published',
    ref: 'Allen, Pereira, Raes & Smith 1998, FAO-56 Table 22',
  } as Source,
} as const;

/** Rain that counts. */
export const rainRules = {
  /** A fall below this wets leaves only, in. */
  leastIn: 0.1,
  /** Share that runs off of what falls above 1 in a day (simple rule, memory). */
  runoffShareAboveInch: 0.2,
  source: MEMORY,
} as const;

/** Irrigation: what is good, and what the field rules are. */
export const irrigationRules = {
  /** Distribution uniformity of the lowest quarter below which repair comes first. */
  uniformity: { good: 0.75, fair: 0.65, repairBelow: 0.55 },
  /** An hour's catch is cut into runs no shorter a soak than this, nor longer, min. */
  soakMinutes: [15, 60],
  /** Efficiency taken where nobody caught water. */
  assumedUniformity: 0.7,
  /** Days between full waterings unless the soil holds less. */
  goalDays: 7,
  startMinutes: 20,
  /** A first wilt early by more than this lengthens the run; late by more shortens it, days. */
  earlyDays: 0.5,
  lateDays: 2,
  mostLonger: 1.5,
  shorter: 0.85,
  source: { kind: 'common-practice' } as Source,
} as const;
