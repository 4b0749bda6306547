import type { GrassSlug } from './grasses';
import type { Source } from './source';

/** How near, how recent and how much, for signs that the plan and the record answer by themselves. */
export const gathering = {
  /** Beside an edge: a strip this wide, ft. */
  edgeFt: 3,
  wetFt: 6,
  doorFt: 15,
  treeFt: 25,
  /** Farther than this from every drawn one, ft: it is not there. */
  clearFt: 40,
  /** Days a week from which watering is called daily. */
  dailyFrom: 6,
  slopePct: 10,
  shadeBelowHours: 4,
  hotF: 85,
  highNitrogenLb: 1,
  highPh: 7.5,
  saltDsM: 3,
  /** How long each counts, days. */
  days: {
    nitrogenRecent: 10,
    nitrogenHigh: 30,
    nitrogenNone: 90,
    herbicide: 21,
    preEmergent: 120,
    newTurf: 90,
    soilReport: 730,
  },
  source: { kind: 'common-practice', ref: 'widths beside an edge from memory' } as Source,
} as const;

/** Air below which a winter injures a grass, °F (indicative, memory). */
export const severeColdF: Partial<Record<GrassSlug, number>> = {
  'st-augustine': 20,
  centipede: 15,
  bahia: 15,
  'bermuda-common': 10,
  'bermuda-hybrid': 5,
  'zoysia-fine': 0,
  'zoysia-wide': 0,
};

/** Signs that hold for the whole lawn: answered once on a walk, they count for its other patches too. */
export const wholeLawnSigns: ReadonlySet<string> = new Set([
  'c-dry',
  'c-heat',
  'c-rain',
  'c-warm-night',
  'c-coolwet',
  'c-frost',
  'c-severe-cold',
  'c-snow',
  'c-deicer',
  'c-evening',
  'c-daily',
  'c-n-recent',
  'c-n-high',
  'c-n-none',
  'c-herb',
  'c-herb-hot',
  'c-weedfeed',
  'c-pre',
  'c-pgr',
  'c-long-gap',
  'c-low-cut',
  'c-dull',
  'c-dog',
  'c-traffic',
  'c-dormant',
  'c-topdress',
  'c-renovate',
  'c-neighbors',
  'c-leaves',
  'c-lush',
]);
