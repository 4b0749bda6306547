import type { Source } from './source';

const MEMORY: Source = { kind: 'memory' };

/** Share of the gap to the effective air temperature that the soil closes in a day, by depth (in). */
export const soilResponse: Readonly<Record<number, number>> = {
  1: 0.4,
  2: 0.3,
  3: 0.25,
  4: 0.2,
  6: 0.15,
  9: 0.1,
};
export const soilResponseSource: Source = {
  kind: 'published',
  ref: 'Form: Zheng, Hunt & Running 1993, Climate Research 2:183-191; digits from memory',
};

/** How much sun reaches the turf; one of them holds. */
export const SITE_EXPOSURES = [
  'full-sun-short',
  'full-sun-tall',
  'half-shade',
  'full-shade',
] as const;
export const SITE_FACTORS = [
  ...SITE_EXPOSURES,
  'south-slope-or-masonry',
  'north-slope',
  'bare-soil',
  'irrigated-daily',
] as const;
export type SiteFactor = (typeof SITE_FACTORS)[number];

/** °F added to the air mean by winter, spring, summer, fall; rows that apply add up. */
export const siteOffsets: Readonly<
  Record<SiteFactor, readonly [winter: number, spring: number, summer: number, fall: number]>
> = {
  'full-sun-short': [1, 3, 3, 2],
  'full-sun-tall': [1, 1, 0, 1],
  'half-shade': [0, -1, -3, 0],
  'full-shade': [0, -3, -6, -1],
  'south-slope-or-masonry': [2, 4, 3, 3],
  'north-slope': [-1, -3, -2, -1],
  'bare-soil': [0, 4, 6, 2],
  'irrigated-daily': [0, 0, -3, -1],
};
export const siteOffsetsSource = MEMORY;

/** Freezing water holds the soil: between these °F it moves at most this much a day. */
export const freezing = { fromF: 31, toF: 32.5, maxChangePerDayF: 0.3, source: MEMORY } as const;

/** Snow from this depth on shuts the air out: the soil drifts at this share a day. */
export const underSnow = {
  fromIn: 3,
  leastF: 31,
  towardsF: 33,
  response: 0.03,
  source: MEMORY,
} as const;

/**
 * A winter under snow, counted from 1 January: this many days of cover stand for sixty of the whole
 * winter, so few for none to speak of, and after so many days of record the winter is over.
 */
export const snowCover = {
  coverIn: 1,
  longDays: 45,
  shortDays: 20,
  winterDays: 75,
  source: MEMORY,
} as const;

/** Calibration with probe readings: prior and drift of the model's bias. */
export const calibration = {
  /** Prior variance of the bias, °F². */
  priorVariance: 9,
  /** Growth of the bias variance, °F² per day. */
  driftPerDay: 0.05,
  /** Thermometer error variance, °F². */
  thermometerVariance: 0.25,
  /** Readings further off than this many standard deviations are asked for again. */
  gateSigma: 3,
  source: MEMORY,
} as const;

/** How lying snow goes: inches of depth a day for each °F of the mean air above freezing, and the share that is left by settling. */
export const snowMelt = {
  inPerDegF: 0.12,
  fromF: 32,
  settles: 0.98,
  source: { kind: 'memory' } as Source,
} as const;

/** Rising windows run 15 Jan - 15 Jul, falling ones 16 Jul - 14 Jan (month, day). */
export const crossingWindows = {
  rising: { from: [1, 15], to: [7, 15] },
  falling: { from: [7, 16], to: [1, 14] },
} as const;

/** A crossing is taken back when the mean falls this far behind it for so many days in a row. */
export const crossingHysteresis = { backF: 2, days: 3, source: { kind: 'derived' } as Source };

/** Days in a row that the five-day mean must hold before a crossing counts. */
export const CROSSING_CONFIRM_DAYS = 3;

/** Lines drawn on the season strip, °F at 2 in. */
export const stripThresholds: readonly { slug: string; valueF: number; source: Source }[] = [
  { slug: 'pre-emergent-opens', valueF: 50, source: MEMORY },
  { slug: 'crabgrass-germinates', valueF: 55, source: MEMORY },
  { slug: 'annual-bluegrass-germinates', valueF: 70, source: MEMORY },
];
