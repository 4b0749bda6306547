import type { GrassSlug } from './grasses';
import type { Source } from './source';

const MEMORY: Source = { kind: 'memory' };

/** When a grass may be seeded: soil °F at 2 in, five-day mean. */
export interface SeedingWindow {
  grasses: readonly GrassSlug[];
  direction: 'rising' | 'falling';
  opensF: number;
  bestF: number;
  closesF: number;
  /** First day for calendar reasons, month-day: seed sown in high summer fails. */
  notBefore: string;
  /** Last day for calendar reasons: days before the mean first hard frost. */
  daysBeforeFrost: number;
  source: Source;
}

export const seedingWindows: readonly SeedingWindow[] = [
  {
    grasses: ['tall-fescue', 'perennial-ryegrass', 'annual-ryegrass'],
    direction: 'falling',
    opensF: 75,
    bestF: 70,
    closesF: 60,
    notBefore: '08-20',
    daysBeforeFrost: 30,
    source: MEMORY,
  },
  {
    grasses: ['kentucky-bluegrass', 'fine-fescue', 'creeping-bentgrass'],
    direction: 'falling',
    opensF: 73,
    bestF: 68,
    closesF: 58,
    notBefore: '08-10',
    daysBeforeFrost: 40,
    source: MEMORY,
  },
  {
    grasses: ['bermuda-common', 'zoysia-wide', 'centipede', 'carpetgrass', 'bahia', 'buffalograss'],
    direction: 'rising',
    opensF: 65,
    bestF: 70,
    closesF: 88,
    notBefore: '04-01',
    daysBeforeFrost: 90,
    source: MEMORY,
  },
];

/** Second best where the window of the year is over: cool-season seed in spring, soil °F at 2 in. */
export const springSeeding = {
  direction: 'rising',
  opensF: 50,
  bestF: 53,
  closesF: 60,
  source: MEMORY,
} as const;

/** Cover of desired grass that decides between waiting, overseeding and starting over. */
export const coverRule = {
  /** From here on the stand closes by itself. */
  enoughSpreading: 0.85,
  enoughBunch: 0.9,
  /** Below this the whole zone is renovated. */
  renovateBelow: 0.5,
  /** Crossings of one frame are alike: effective share of the points that count. */
  effectiveShare: 0.6,
  z: 1.96,
  source: { kind: 'common-practice' } satisfies Source as Source,
} as const;
