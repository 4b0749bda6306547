import type { Source } from './source';

const COMMON: Source = { kind: 'common-practice' };
const MEMORY: Source = { kind: 'memory' };

/** How a probe's push ended. */
export const PROBE_STOPS = ['soft', 'hard', 'scrape', 'wet-foul'] as const;
export type ProbeStop = (typeof PROBE_STOPS)[number];

/** Easy push of a rod by hand, a day after water, in. */
export const probePush = { adequateIn: 6, blockedIn: 2, source: COMMON } as const;

/** Spots of a soil kit against the best spot: a smaller difference is the kit's own noise. */
export const phSpots = { findingAt: 1, kitError: 0.5, source: COMMON } as const;

/** Steps of the texture-by-feel key and the textures it ends at (Thien 1979, J. Agron. Educ. 8:54-55). */
export const SOIL_TEXTURES = [
  'sand',
  'loamy-sand',
  'sandy-loam',
  'loam',
  'silt-loam',
  'sandy-clay-loam',
  'clay-loam',
  'silty-clay-loam',
  'sandy-clay',
  'clay',
  'silty-clay',
] as const;
export type SoilTexture = (typeof SOIL_TEXTURES)[number];

export const textureByFeel = {
  /** Ribbon lengths, in, at which loam turns to clay loam and clay loam to clay. */
  clayLoamIn: 1,
  clayIn: 2,
  source: {
    kind: 'published',
    ref: 'Thien 1979, Journal of Agronomic Education 8:54-55',
  } as Source,
} as const;

/** How fast a clump or mat grows outward in a year, ft of radius: low and high, by habit. */
export const outwardGrowthFt = {
  rhizome: [0.5, 1.5],
  stolon: [0.5, 2],
  'rhizome|stolon': [1, 3],
  tuber: [0.5, 1.5],
  clump: [0.1, 0.3],
  source: MEMORY,
} as const;

/** Days from the laboratory's desk to the report, and after how many it is asked after. */
export const laboratoryDays = { usual: 9, overdue: 14, source: COMMON } as const;
