import type { GrassSlug } from './grasses';
import type { Source } from './source';

const MEMORY: Source = { kind: 'memory' };

/** One feeding of the year: opened by soil °F (five-day mean at 2 in), or by the month; held by the air. */
export interface FeedingSlot {
  slug: string;
  opens:
    | {
        direction: 'rising' | 'falling';
        opensF: number;
        bestF: number;
        closesF: number;
        /** First day for calendar reasons, month-day, where the soil alone would say too early. */
        notBefore?: string;
      }
    | { from: string; to: string };
  /** Share of the year's nitrogen. */
  share: number;
  /** Share of slow nitrogen that suits the season: cold soil releases little. */
  slowShare: number;
  /** Most of one such feeding, lb N per 1000 ft². */
  mostLb?: number;
  /** Days this feeding must end before the mean first hard frost, if that is earlier. */
  daysBeforeFrost?: number;
}

export interface FeedingCalendar {
  grasses: readonly GrassSlug[];
  slots: readonly FeedingSlot[];
  source: Source;
}

/**
 * Cool-season feeding leans on the fall, with little before winter; warm-season feeding follows full green-up and ends
 * in time to harden off; the sparing grasses get their little in the middle of their season. Shares of a calendar add
 * up to the year.
 */
export const feedingCalendars: readonly FeedingCalendar[] = [
  {
    grasses: [
      'kentucky-bluegrass',
      'tall-fescue',
      'fine-fescue',
      'perennial-ryegrass',
      'annual-ryegrass',
      'creeping-bentgrass',
      'roughstalk-bluegrass',
      'annual-bluegrass',
    ],
    slots: [
      {
        slug: 'early-spring',
        opens: { direction: 'rising', opensF: 50, bestF: 52, closesF: 56 },
        share: 0.12,
        slowShare: 0.3,
        mostLb: 0.5,
      },
      {
        slug: 'late-spring',
        opens: { direction: 'rising', opensF: 57, bestF: 61, closesF: 70 },
        share: 0.2,
        slowShare: 0.5,
      },
      {
        slug: 'summer',
        opens: { from: '06-25', to: '07-31' },
        share: 0.1,
        slowShare: 0.75,
        mostLb: 0.5,
      },
      {
        slug: 'early-fall',
        opens: { direction: 'falling', opensF: 72, bestF: 68, closesF: 62, notBefore: '08-15' },
        share: 0.33,
        slowShare: 0.5,
      },
      {
        slug: 'late-fall',
        opens: { direction: 'falling', opensF: 60, bestF: 57, closesF: 47, notBefore: '09-20' },
        share: 0.25,
        slowShare: 0.2,
        mostLb: 0.5,
      },
    ],
    source: MEMORY,
  },
  {
    grasses: ['bermuda-common', 'bermuda-hybrid', 'zoysia-fine', 'zoysia-wide', 'st-augustine'],
    slots: [
      {
        slug: 'green-up',
        opens: { direction: 'rising', opensF: 66, bestF: 70, closesF: 75 },
        share: 0.28,
        slowShare: 0.5,
      },
      {
        slug: 'early-summer',
        opens: { from: '05-20', to: '06-30' },
        share: 0.26,
        slowShare: 0.75,
      },
      {
        slug: 'mid-summer',
        opens: { from: '07-01', to: '07-31' },
        share: 0.26,
        slowShare: 0.75,
      },
      {
        slug: 'late-summer',
        opens: { from: '08-01', to: '10-15' },
        share: 0.2,
        slowShare: 0.5,
        daysBeforeFrost: 50,
      },
    ],
    source: MEMORY,
  },
  {
    grasses: ['centipede', 'carpetgrass', 'bahia', 'buffalograss'],
    slots: [
      {
        slug: 'early-summer',
        opens: { direction: 'rising', opensF: 70, bestF: 73, closesF: 78 },
        share: 0.5,
        slowShare: 0.5,
        daysBeforeFrost: 90,
      },
      {
        slug: 'mid-summer',
        opens: { from: '06-25', to: '08-05' },
        share: 0.5,
        slowShare: 0.75,
        daysBeforeFrost: 80,
      },
    ],
    source: MEMORY,
  },
];

/** Heat rule for cool-season turf, °F forecast high, and what may still be fed (lb N per 1000 ft²). */
export const heatRule = {
  warmF: 85,
  hotF: 90,
  warmQuickLb: 0.25,
  warmSlowLb: 0.5,
  hotSlowLb: 0.25,
  slowShare: 0.5,
  /** High from which leaves that are trodden on scald and are best left alone. */
  scaldF: 100,
  /** 4-in soil °F from which the same caution holds. */
  soilF: 75,
  source: { kind: 'common-practice' } satisfies Source as Source,
} as const;

/** Salt load limit, lb sodium-nitrate equivalent per 1000 ft², by forecast high. */
export const saltLimit = {
  steps: [
    { belowF: 80, limit: 3 },
    { belowF: 90, limit: 1.5 },
    { belowF: Infinity, limit: 0.8 },
  ],
  dryTopsoilFactor: 0.5,
  wetLeafFactor: 0.5,
  seedlingFactor: 0.7,
  warnShare: 0.7,
  /** At least half of it slow, and watered in the same day: it dissolves by and by (memory). */
  coatedWateredFactor: 1.5,
  source: {
    kind: 'derived',
    ref: 'set so that usual practice sits at the limit',
  } satisfies Source as Source,
} as const;

/** Growth potential of shoot growth: Topt and spread, °F. */
export const growthPotentialCurve = {
  cool: { optimumF: 67.5, spreadF: 10 },
  warm: { optimumF: 87.5, spreadF: 12 },
  source: {
    kind: 'published',
    ref: 'Gelernter & Stowell 2005, growth-potential model',
  } satisfies Source as Source,
} as const;

/** Feedings that lie too near to each other, to winter, or in it. */
export const feedingRules = {
  /** Within so many days no more nitrogen than one application may bring. */
  gapDays: 28,
  /** Share of what a feeding of the year should bring from which it counts as given. */
  filledFrom: 0.5,
  /** Share of the year's amount under which the plan says why. */
  yearFrom: 0.9,
  /** Two feedings of a quarter pound or more within so many days are worth a word. */
  wordDays: 14,
  wordLb: 0.25,
  /** Less is a trace: lb N per 1000 ft². */
  traceLb: 0.1,
  /** Nitrogen of a plant meal comes over months: so much more of it at once (memory). */
  mealFactor: 4 / 3,
  /** Warm-season turf hardens off: last nitrogen so many days before the mean first hard frost. */
  warmDaysBeforeFrost: 45,
  /** Soil below which warm-season turf is dormant, and hardly takes anything up, °F. */
  dormantF: 50,
  slowF: 60,
  /** Growth potential under which turf makes nothing of nitrogen, unless roots still take it up: soil °F. */
  growing: 0.1,
  rootsF: 45,
  source: {
    kind: 'common-practice',
    ref: 'six to eight weeks before dormancy',
  } satisfies Source as Source,
} as const;

/** Nutrients in a product, % of its weight, and the share of the nitrogen that is slow. */
export interface Nutrients {
  n: number;
  p2o5: number;
  k2o: number;
  slowShare: number;
}

/** Nutrients that come with a product put down for another purpose (memory): a bag of two things. */
export const carriedNutrients: Readonly<Record<string, Nutrients>> = {
  'corn-gluten-meal': { n: 9.5, p2o5: 0, k2o: 0, slowShare: 1 },
  'threeway-granule': { n: 28, p2o5: 0, k2o: 3, slowShare: 0.4 },
};
