import type { Source } from './source';

const COMMON: Source = { kind: 'common-practice' };
const MEMORY: Source = { kind: 'memory' };

/** Distances to keep, ft; a label that asks for more outranks. */
export const setbacks = {
  /** Products that move with water through the soil, by herbicide slug: nearest drinking-water well. */
  well: { atrazine: 50, simazine: 50, 's-metolachlor': 50 } as Readonly<Record<string, number>>,
  /** Any other product by a well: worth a word within this distance. */
  wellWord: 50,
  /** Groups of insecticides that kill fish and crayfish: nearest open water. */
  water: { '3A': 25, '2B': 25, '1B': 25 } as Readonly<Record<string, number>>,
  /** Any other product by open water: worth a word within this distance. */
  waterWord: 10,
  source: MEMORY,
} as const;

/** Applications of a mode of action in a calendar year, over every product of it (memory of labels and resistance advice). */
export const groupYears: Readonly<Record<string, number>> = {
  /** Neonicotinoids: once a year on a lawn. */
  '4A': 1,
  /** Pyrethroids: a few, before chinch bugs stop answering. */
  '3A': 3,
  /** DMI. */
  '3': 4,
  /** QoI. */
  '11': 3,
};
export const groupYearsSource = MEMORY;

/** What does not go into one tank. */
export const tankRules = {
  /** Graminicides lose their effect beside these auxins; triclopyr is the exception. */
  graminicideGroup: '1',
  auxinGroup: '4',
  antagonists: ['2,4-d', 'dicamba', 'mcpa', 'mecoprop-p', 'fluroxypyr', 'clopyralid', 'quinclorac'],
  /** Auxins are mixed for their spectrum; two of any other group add cost, not control. */
  mayRepeat: ['4'],
  source: COMMON,
} as const;

/** What counts as one spot and not the zone, and as one season. */
export const countingRules = {
  /** Share of a zone up to which a treatment is one of single spots. */
  spotShare: 0.15,
  /** A year's amount may not lie within this many days either, whatever the calendar says. */
  seasonDays: 180,
  source: COMMON,
} as const;

/** What the day forbids or asks to wait for. */
export const dayRules = {
  /** Soil at or below, °F: nothing is spread or sprayed on frozen ground. */
  frozenF: 32,
  /** Rain of the next day, in: a fertilizer runs off, a pre-emergent is washed through. */
  rainOnFertilizer: { word: 0.5, over: 1 },
  rainOnPreEmergent: 1,
  rainOnLeaf: 0.1,
  /** Granules fly less than drops, mph. */
  granuleWindMph: 15,
  /** A pace this far from the calibrated one is worth a word. */
  paceTolerance: 1.1,
  /** From this high on salts and stone go down by half. */
  amendmentHeatF: 85,
  amendmentHeatShare: 0.5,
  /** A grass that is slow to take a product is slower in the cool and wet, °F. */
  coolBelowF: 70,
  source: COMMON,
} as const;

/** Seed that is too much of a good thing. */
export const seedRules = {
  /** Times the rate for bare ground, where no label says what is the most: seedlings crowd each other out. */
  heavy: 1.5,
  /** Soil so far under a seed's range still lets it come up, late, °F. */
  colderF: 5,
  source: COMMON,
} as const;
