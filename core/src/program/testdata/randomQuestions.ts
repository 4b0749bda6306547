import { weeds, type GrassSlug } from '../../knowledge';
import { seededRandom } from '../../weather';
import type { MixQuestion } from '../chooseMix';

const TURF: readonly GrassSlug[] = [
  'kentucky-bluegrass',
  'tall-fescue',
  'perennial-ryegrass',
  'bermuda-hybrid',
  'zoysia-wide',
  'st-augustine',
  'centipede',
  'bahia',
];
const WISHES = [60, 70, 80, 90] as const;

/** A question of any so many weeds over the whole library; the same seed gives the same. */
export function drawQuestion(seed: number, count: number): MixQuestion {
  const random = seededRandom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const grass = pick(TURF);
  const targets = new Set<string>();
  while (targets.size < count) targets.add(pick(weeds).slug);
  return {
    mode: 'post',
    grasses: [grass],
    targets: [...targets].map((weed) => ({ weed, targetPct: pick(WISHES) })),
    treatedFt2: 6000,
    airHighF: 75,
    conditions: new Set(['green']),
    drought: false,
    treeRoots: false,
    sensitivePlants: false,
    weeksToSeeding: null,
    weeksSinceEmergence: null,
    residential: true,
    certified: true,
    confirmedLabels: new Set(),
    walks: 1,
  };
}
