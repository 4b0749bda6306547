import type { Action } from './causes';
import type { Source } from './source';

const MEMORY: Source = { kind: 'memory' };

/** Constants of the diagnosis model. All are elicited and wait for calibration on closed jobs. */
export const diagnosisModel = {
  /** Prior share of "something that is not in the library". */
  leak: 0.06,
  /** Weight of the 2nd, 3rd ... agreeing sign of one correlation group: damping ** rank. */
  damping: 0.6,
  /** Limit, in nats, of what one group may say for or against a cause. */
  groupLimit: 4,
  /** Global shrink of the evidence for dependence between groups. */
  tau: 0.85,
  /** Multiplier by susceptibility digit 0, 1, 2, 3. */
  hostFactor: [0.01, 0.35, 1, 1.8],
  /** Inside the month window, one month outside, further, no window in the region. */
  monthFactor: { inside: 1, adjacent: 0.3, outside: 0.04, noWindow: 0.02 },
  /** Inside the soil range, up to 5 °F outside, 6-10 °F, more. */
  soilFactor: { inside: 1, within5: 0.6, within10: 0.25, beyond: 0.06 },
  /** Prevention on record that still holds; history of the cause and none this time. */
  protectionFactor: { covered: 0.25, lapsed: 1.5 },
  /** Pull towards the base rate when the answerer's skill is one or two levels short. */
  skillPull: [1, 0.7, 0.4],
  /** Seconds to read and tap, added to each sign's own. */
  tapSeconds: 3,
  /** Never ask a sign worth less (bits). */
  minimumGainBits: 0.01,
  /** A field test is offered from this worth (bits). */
  testGainBits: 0.15,
  /** Another posture must beat this one by this factor, since kneeling and walking back cost time. */
  postureFactor: 1.5,
  stop: { top: 0.8, ratio: 4, actionShare: 0.85, cannotTellBelow: 0.5, unknownAbove: 0.2 },
  /** Prior of a linked pair: this share of the likelier one; unlinked: half the product. */
  linkedPairPrior: 0.1,
  unlinkedPairPrior: 0.5,
  /** nats by which an unlinked pair must beat the best single cause (ln 3). */
  unlinkedMargin: Math.log(3),
  source: MEMORY,
} as const;

/** Signs whose answer takes days: homework, never the next thing to do in a visit. */
export const waitingSigns: ReadonlySet<string> = new Set([
  't-rewet',
  't-bag',
  't-iron-strip',
  't-n-strip',
  't-plug-alive',
]);

/** Causes that are often there together. */
export const linkedPairs: readonly (readonly [string, string])[] = [
  ['drought-wilt', 'chinch-bug'],
  ['n-hunger', 'dollar-spot'],
  ['n-hunger', 'rust'],
  ['white-grub', 'animal-digging'],
  ['thatch-excess', 'scalping'],
  ['thatch-winter-damage', 'weed-bermuda-dormant'],
  ['poor-drainage', 'weed-sedge-flush'],
  ['overwatering', 'large-patch'],
  ['dog-urine', 'n-hunger'],
  ['shade-thinning', 'moss-algae'],
  ['compaction', 'pet-traffic'],
  ['road-edge-dieback', 'deicing-salt'],
  ['iron-chlorosis', 'ph-high'],
  ['fairy-ring', 'hydrophobic-spot'],
];

interface ActionRule {
  /** Several causes of this action may stay undecided: the action is known. */
  poolable: boolean;
  /** Actions that would harm if the other cause were the true one. */
  conflicts: readonly Action[];
}

/** What each action tolerates beside it (common practice). */
export const actionRules: Record<Action, ActionRule> = {
  water: { poolable: true, conflicts: ['less-water', 'drain'] },
  'less-water': { poolable: true, conflicts: ['water'] },
  drain: { poolable: true, conflicts: ['water'] },
  fix: { poolable: true, conflicts: ['water'] },
  wait: { poolable: true, conflicts: ['insecticide', 'fungicide', 'seed'] },
  rake: { poolable: true, conflicts: ['seed'] },
  leach: { poolable: true, conflicts: ['drain'] },
  fertilise: { poolable: true, conflicts: ['water', 'cultural'] },
  iron: { poolable: true, conflicts: [] },
  mow: { poolable: true, conflicts: [] },
  wetting: { poolable: true, conflicts: [] },
  aerate: { poolable: false, conflicts: [] },
  soil: { poolable: false, conflicts: [] },
  lime: { poolable: false, conflicts: ['sulfur'] },
  sulfur: { poolable: false, conflicts: ['lime'] },
  seed: { poolable: false, conflicts: ['wait', 'rake'] },
  cultural: { poolable: false, conflicts: [] },
  insecticide: { poolable: false, conflicts: ['wait', 'tolerate'] },
  tolerate: { poolable: true, conflicts: ['insecticide'] },
  fungicide: { poolable: false, conflicts: ['wait'] },
  weed: { poolable: false, conflicts: ['seed'] },
  animal: { poolable: false, conflicts: [] },
  lab: { poolable: false, conflicts: [] },
};
