import type { Source } from './source';

const MEMORY: Source = { kind: 'memory' };

/** How a day's heat above a base is added up. */
export const DEGREE_DAY_METHODS = ['single-average', 'single-sine'] as const;
export type DegreeDayMethod = (typeof DEGREE_DAY_METHODS)[number];

/** An event that comes after so much heat. Methods are never mixed against one threshold. */
export interface DegreeDayModel {
  slug: string;
  baseF: number;
  /** Month-day from which heat is summed, northern hemisphere. */
  from: string;
  method: DegreeDayMethod;
  /** °F-days at which it begins and ends. */
  windowFDays: readonly [number, number];
  source: Source;
}

/** Heat sums from memory unless published; start dates and bases differ by region. */
export const degreeDayModels: readonly DegreeDayModel[] = [
  {
    slug: 'crabgrass-first',
    baseF: 53.6,
    from: '04-01',
    method: 'single-average',
    windowFDays: [75.6, 140.4],
    source: {
      kind: 'published',
      ref: 'Fidanza, Dernoeden & Zhang 1996, Crop Science 36:990-996; digits from memory',
    },
  },
  {
    slug: 'crabgrass-pre-emergent',
    baseF: 32,
    from: '02-15',
    method: 'single-average',
    windowFDays: [250, 500],
    source: MEMORY,
  },
  {
    slug: 'annual-bluegrass-seed-heads',
    baseF: 32,
    from: '02-15',
    method: 'single-average',
    windowFDays: [200, 500],
    source: MEMORY,
  },
  {
    slug: 'dandelion-bloom',
    baseF: 50,
    from: '03-01',
    method: 'single-average',
    windowFDays: [130, 200],
    source: MEMORY,
  },
  {
    slug: 'billbug-adults',
    baseF: 50,
    from: '03-01',
    method: 'single-average',
    windowFDays: [280, 350],
    source: MEMORY,
  },
  {
    slug: 'webworm-adults',
    baseF: 50,
    from: '03-01',
    method: 'single-average',
    windowFDays: [850, 1050],
    source: MEMORY,
  },
  {
    slug: 'beetle-flight',
    baseF: 50,
    from: '01-01',
    method: 'single-average',
    windowFDays: [950, 1030],
    source: MEMORY,
  },
  {
    slug: 'grub-egg-hatch',
    baseF: 50,
    from: '01-01',
    method: 'single-average',
    windowFDays: [1450, 1600],
    source: MEMORY,
  },
];
