import type { GrassSlug } from './grasses';
import type { Source } from './source';

const MEMORY: Source = { kind: 'memory' };

/** One feeding of the year, opened by soil °F (five-day mean at 2 in) and held by the air. */
export interface FeedingSlot {
  slug: string;
  direction: 'rising' | 'falling';
  opensF: number;
  bestF: number;
  closesF: number;
  /** Share of the year's nitrogen. */
  share: number;
  /** Share of slow nitrogen that suits the season: cold soil releases little. */
  slowShare: number;
  /** First day for calendar reasons, month-day, where the soil alone would say too early. */
  notBefore?: string;
  /** Days this feeding must end before the mean first hard frost, if that is earlier. */
  daysBeforeFrost?: number;
}

export interface FeedingCalendar {
  grasses: readonly GrassSlug[];
  slots: readonly FeedingSlot[];
  source: Source;
}

/** Cool-season feeding leans on the fall; warm-season feeding follows full green-up. */
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
        slug: 'late-spring',
        direction: 'rising',
        opensF: 55,
        bestF: 60,
        closesF: 68,
        share: 0.2,
        slowShare: 0.5,
      },
      {
        slug: 'early-fall',
        direction: 'falling',
        opensF: 72,
        bestF: 68,
        closesF: 60,
        share: 0.33,
        slowShare: 0.5,
        notBefore: '08-15',
      },
      {
        slug: 'late-fall',
        direction: 'falling',
        opensF: 58,
        bestF: 55,
        closesF: 47,
        share: 0.25,
        slowShare: 0.2,
        notBefore: '09-20',
      },
    ],
    source: MEMORY,
  },
  {
    grasses: ['bermuda-common', 'bermuda-hybrid', 'zoysia-fine', 'zoysia-wide', 'st-augustine'],
    slots: [
      {
        slug: 'green-up',
        direction: 'rising',
        opensF: 68,
        bestF: 71,
        closesF: 76,
        share: 0.34,
        slowShare: 0.5,
      },
      {
        slug: 'mid-summer',
        direction: 'rising',
        opensF: 77,
        bestF: 79,
        closesF: 84,
        share: 0.33,
        slowShare: 0.75,
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
        direction: 'rising',
        opensF: 71,
        bestF: 74,
        closesF: 80,
        share: 0.5,
        slowShare: 0.5,
        daysBeforeFrost: 90,
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
