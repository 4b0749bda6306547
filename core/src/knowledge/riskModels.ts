import type { Source } from './source';

const published = (ref: string): Source => ({ kind: 'published', ref });
const MEMORY: Source = { kind: 'memory' };
const COMMON: Source = { kind: 'common-practice' };

/** Dollar spot as a logistic regression on 5-day means: °C of the air and % relative humidity. */
export const dollarSpotModel = {
  intercept: -11.4041,
  perDegreeC: 0.1932,
  perPercent: 0.0894,
  meanDays: 5,
  /** Not to be run outside these 5-day means, °C. */
  validC: [10, 35] as const,
  /** Spray threshold of the paper on bentgrass; on a lawn "likely to be seen" only from `warnAt` (memory). */
  watchAt: 0.2,
  warnAt: 0.5,
  source: published('Smith, Kerns et al. 2018, PLoS ONE'),
} as const;

/** Brown patch environmental index E = a + b·RH + c·T + d·T², T the night's low, °C. */
export const brownPatchModel = {
  intercept: -21.5,
  perPercent: 0.15,
  perDegreeC: 1.4,
  perDegreeC2: -0.033,
  warnAt: 6,
  watchAt: 5,
  /** The index calls cool wet nights too; below this low, °C, it is not believed (memory). */
  leastLowC: 18,
  source: published('Fidanza, Dernoeden & Grybauskas 1996, Phytopathology'),
} as const;

/** Pythium blight: a hot day, then a long humid night that stays warm. */
export const pythiumModel = {
  dayAboveF: 86,
  nightFromF: 68,
  humidHours: 14,
  /** Hours from which low spots are looked at (memory). */
  watchHours: 10,
  humidAbovePct: 90,
  source: published('Nutter, Cole & Schein 1983, Plant Disease'),
} as const;

/** Gray leaf spot: class by leaf-wetness hours and their temperature; the bands are from memory. */
export const grayLeafSpotModel = {
  hourBands: [9, 13, 19] as const,
  /** Lower bound of each temperature band, °F; below the first nothing. */
  degreeBands: [68, 73, 80, 86.5] as const,
  /** Class by hour band (rows) and temperature band (columns). */
  classes: [
    [0, 0, 1, 0],
    [0, 1, 2, 1],
    [1, 2, 3, 2],
    [2, 3, 3, 2],
  ] as const,
  nights: 3,
  warnAt: 6,
  watchAt: 3,
  /** St. Augustine takes it half as readily. */
  stAugustineFactor: 0.5,
  source: published('idea: Uddin et al. 2003, Phytopathology; bands from memory'),
} as const;

/** Crabgrass by growing degree-days over 12 °C since spring. */
export const crabgrassDegreeDays = {
  baseC: 12,
  /** Month-day from which they are summed. */
  from: { north: '04-01', transition: '04-01', south: '02-01' } as const,
  first: 42,
  most: 140,
  last: 230,
  source: published('Fidanza, Dernoeden & Zhang 1996, Crop Science'),
} as const;

/** Insects by degree-days over 50 °F, simple average; targets shift by about 150 between years. */
export const insectDegreeDays = {
  baseF: 50,
  billbug: { from: '03-01', adults: [280, 624], larvae: [925, 1035] },
  grub: { from: '01-01', flight: [900, 1400], damageMonths: [8, 10] },
  source: MEMORY,
} as const;

/** Fall armyworm: °C-days over a base from egg to adult. */
export const armywormDevelopment = {
  baseC: 12.57,
  eggToAdultCDays: 391.6,
  source: published('Du Plessis, Schlemmer & Van den Berg 2020, Insects'),
} as const;

/** Chinch bugs are looked for from these 7-day means of the air, °F. */
export const chinchWeather = { watchF: 75, warnF: 80, meanDays: 7, source: COMMON } as const;

/** Soil windows at 2 in, °F, by which way the soil moves. */
export const soilRiskWindows = {
  'large-patch': { falling: { watch: [50, 72], warn: [62, 70] }, rising: { watch: [50, 60] } },
  'spring-dead-spot': { falling: { watch: [70, 75], warn: [60, 70] } },
  source: COMMON,
} as const;

/** Snow mold without snow: ten cool wet days. */
export const snowMoldWeather = {
  days: 10,
  meanF: [32, 46] as const,
  wetDayIn: 0.05,
  watchWetDays: 3,
  warnWetDays: 5,
  /** Last month in which a winter's snow still shows. */
  untilMonth: 5,
  source: MEMORY,
} as const;

/** Leaf wetness where no sensor is: air this close to the dew point, °F. */
export const dewDepressionF = 3.6;

/** A look-out confirmed on a lawn of the same station this many days ago or less raises the risk a step. */
export const sightingDays = 21;
