import type { Source } from './source';

const MEMORY: Source = { kind: 'memory' };

/** When a pre-emergent must lie for a group of weeds: soil °F at 2 in, five-day mean. */
export interface EmergenceWindow {
  slug: string;
  weeds: readonly string[];
  direction: 'rising' | 'falling';
  opensF: number;
  bestF: number;
  /** The weed germinates here: a pre-emergent laid later misses the first flush. */
  closesF: number;
  /** Weeks over which the group germinates and the product must hold. */
  coverWeeks: number;
  /** First day for calendar reasons, month-day, where the soil alone would say too early. */
  notBefore?: string;
  source: Source;
}

/** Groups of weeds that one pre-emergent date serves. */
export const emergenceWindows: readonly EmergenceWindow[] = [
  {
    slug: 'knotweed',
    weeds: ['prostrate-knotweed'],
    direction: 'rising',
    opensF: 35,
    bestF: 38,
    closesF: 45,
    coverWeeks: 10,
    source: MEMORY,
  },
  {
    slug: 'crabgrass',
    weeds: [
      'large-crabgrass',
      'smooth-crabgrass',
      'sandbur',
      'stiltgrass',
      'yellow-foxtail',
      'green-foxtail',
      'barnyardgrass',
    ],
    direction: 'rising',
    opensF: 48,
    bestF: 52,
    closesF: 55,
    coverWeeks: 16,
    source: { kind: 'common-practice' },
  },
  {
    slug: 'goosegrass',
    weeds: ['goosegrass'],
    direction: 'rising',
    opensF: 56,
    bestF: 59,
    closesF: 62,
    coverWeeks: 14,
    source: MEMORY,
  },
  {
    slug: 'warm-broadleaf',
    weeds: ['spotted-spurge', 'chamberbitter', 'doveweed', 'common-purslane'],
    direction: 'rising',
    opensF: 58,
    bestF: 61,
    closesF: 66,
    coverWeeks: 12,
    source: MEMORY,
  },
  {
    slug: 'nutsedge',
    weeds: ['yellow-nutsedge', 'purple-nutsedge'],
    direction: 'rising',
    opensF: 50,
    bestF: 53,
    closesF: 57,
    coverWeeks: 12,
    source: MEMORY,
  },
  {
    slug: 'winter-annuals',
    weeds: [
      'annual-bluegrass',
      'henbit',
      'common-chickweed',
      'lawn-burweed',
      'rescuegrass',
      'purple-deadnettle',
      'hairy-bittercress',
    ],
    direction: 'falling',
    opensF: 75,
    bestF: 72,
    closesF: 70,
    coverWeeks: 14,
    notBefore: '08-01',
    source: MEMORY,
  },
];
