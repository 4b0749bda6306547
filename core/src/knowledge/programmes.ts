import type { Region } from './region';
import type { Source } from './source';

const COMMON: Source = { kind: 'common-practice' };
const MEMORY: Source = { kind: 'memory' };

/** When a walk against a weed counts, when its result shows, and how often it is tried. */
export const walkRules = {
  /** A walk that did less than this share of its work is done again, once its interval is over. */
  leastEffect: 0.5,
  /** Share of its work that a spray has done which rain washed off soon after. */
  washedOff: 0.1,
  /** Rain of the day or the next from which that is asked, in. */
  washesFromIn: 0.1,
  /** Days until the result shows where no product says, and the fewest. */
  usualResultDays: 28,
  leastResultDays: 14,
  /** Seen growing from so many days before the result on, a weed has outlived the walk. */
  seenEarlyDays: 7,
  /** Days in which the return waits for an answer; then the expected effect stands. */
  lookOpenDays: 14,
  /** Days until what was left to itself is looked at. */
  leftDays: 28,
  /** Days that work by hand waits for a trip that is made anyway. */
  handDays: 14,
  /** Walks beyond the weed's own number, before another way has to be taken. */
  extraWalks: 1,
  /** Warm-season weeds have no leaf left to take anything up from so many days before the mean first frost. */
  daysBeforeFrost: 7,
  source: COMMON,
} as const;

/**
 * Months in which a perennial broadleaf is left for the fall, when it moves what it takes up to its roots: the
 * effect of summer is three quarters of it.
 */
export const perennialSummer: Readonly<Record<Region, readonly [number, number] | null>> = {
  north: [6, 8],
  transition: [6, 8],
  south: null,
};
export const perennialSummerSource = COMMON;

/** How a pre-emergent is laid again when its first is worn off before the last of the group has germinated. */
export const splitRules = {
  /** Share of the first effect under which it no longer holds. */
  holdsAt: 0.7,
  /** Share at which it counts for nothing more. */
  overAt: 0.5,
  /** Weeks without cover at the end that are let go. */
  sparedWeeks: 2,
  /** Fewest weeks between the two. */
  leastWeeks: 6,
  /** A record this many days before its window opens, or after it closes, has done it. */
  slackDays: 30,
  source: COMMON,
} as const;

/** How often a treatment that prevents a cause is given in one season. */
export interface ProtectionRounds {
  rounds: number;
  everyDays: number;
}

const ONCE: ProtectionRounds = { rounds: 1, everyDays: 28 };
const ROUNDS: Readonly<Record<string, ProtectionRounds>> = {
  'summer-patch': { rounds: 2, everyDays: 28 },
  'large-patch': { rounds: 2, everyDays: 35 },
  'spring-dead-spot': { rounds: 2, everyDays: 28 },
  'necrotic-ring-spot': { rounds: 2, everyDays: 28 },
  'take-all-root-rot': { rounds: 2, everyDays: 28 },
  'brown-patch': { rounds: 2, everyDays: 24 },
  'dollar-spot': { rounds: 2, everyDays: 24 },
  'gray-leaf-spot': { rounds: 2, everyDays: 21 },
  'pythium-blight': { rounds: 2, everyDays: 14 },
};
/** Rounds of a season against a cause. */
export const protectionRounds = (cause: string): ProtectionRounds => ROUNDS[cause] ?? ONCE;
export const protectionRoundsSource = MEMORY;

/** A cause that is there now: how long its treatment waits for a day, and when its effect is looked at. */
export const cureRules = {
  withinDays: 10,
  /** Days after which the count, or the front, is looked at again. */
  resultDays: { insect: 14, disease: 21 },
  mostRounds: 2,
  source: COMMON,
} as const;

/** How a stand that is started over is killed: days before its seeding, and after. */
export const killRules = {
  /** Modes of action that move into the roots; what only burns the leaf lets it come again. */
  modes: ['9'] as readonly string[],
  /** First walk: opens, best and closes so many days before the seed. */
  firstDays: { opens: 28, best: 21, closes: 14 },
  /** Fewest days from the last walk to the seed. */
  daysToSeed: 7,
  /** Days after a walk from which what it missed is green again. */
  regrowthDays: 10,
  /** Days for which the second walk stays open after its best one. */
  againOpenDays: 7,
  /** Most walks. */
  walks: 2,
  /** A walk this many days before the seeding was its kill. */
  holdsDays: 75,
  /** Share of the zone from which a walk has killed all of it. */
  wholeFrom: 0.5,
  /** Share of the zone under weeds and unwanted grass from which it is killed before it is sown. */
  fromCover: 0.05,
  /** Days after the seed in which it lives of its starter. */
  starterDays: 28,
  /** Days after the seed in which a starter that is not down yet still is worth its walk. */
  starterWithinDays: 10,
  /** lb P₂O₅ per 1000 ft² that a starter brings. */
  starterPhosphateLb: 1,
  source: COMMON,
} as const;
