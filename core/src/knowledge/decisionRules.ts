import raw from './data/recovery.json';
import type { Source } from './source';

/** Whether and how soon damage of a cause fills in by itself once the cause is gone. */
export interface Recovery {
  cause: string;
  recovers: 'yes' | 'partly' | 'no';
  /** Shortest and longest, weeks; `null` for never or not known. */
  weeks: readonly [number, number] | null;
  /** Days after the action on which to look again. */
  followUpDays: readonly number[];
  source: Source;
}

const recoveries = new Map(
  (raw as unknown as readonly Recovery[]).map((entry) => [entry.cause, entry]),
);

/** Recovery of a cause, or `undefined` when there is none. */
export const recoveryOf = (slug: string): Recovery | undefined => recoveries.get(slug);
export const allRecoveries: readonly Recovery[] = [...recoveries.values()];

/** Numbers of the rules by which options are allowed; limits from memory, order common practice. */
export const decisionRules = {
  /** Factor on the weeks to fill in, by main grass; others 1. */
  fillFactor: {
    'bermuda-common': 0.75,
    'bermuda-hybrid': 0.75,
    'tall-fescue': 1.25,
    'perennial-ryegrass': 1.25,
    'fine-fescue': 1.25,
    'creeping-bentgrass': 1.25,
    bahia: 1.5,
    centipede: 1.5,
    'zoysia-fine': 1.75,
    'zoysia-wide': 1.75,
  } as Readonly<Record<string, number>>,
  unwateredFactor: 1.6,
  /** Weeks that must be left beyond the filling in. */
  spareWeeks: 2,
  /** Soil at 2 in below which growth stops, °F. */
  growthStopsF: { cool: 45, warm: 60 },
  /** Damaged share of the zone that is put up with: leaves only, and where crowns die. */
  tolerated: {
    basic: { cosmetic: 0.25, lethal: 0.08 },
    standard: { cosmetic: 0.15, lethal: 0.05 },
    showpiece: { cosmetic: 0.01, lethal: 0.01 },
  },
  /** Posterior from which a product may be thought of. */
  productFrom: 0.65,
  /** Posterior below which a laboratory is asked, when crowns may die. */
  laboratoryBelow: 0.5,
  renovateBelow: 0.5,
  /** Counts that open an insecticide, by cause. */
  countSigns: {
    'chinch-bug': 't-chinch',
    'white-grub': 't-grub',
    'sod-webworm': 't-soap-cat',
    armyworm: 't-soap-cat',
    'mole-cricket': 't-soap-mc',
    billbug: 't-billbug',
  } as Readonly<Record<string, string>>,
  /** Signs under a lens or in the bag, one of which opens a fungicide. */
  fungusSigns: [
    'h-les-hourglass',
    'h-les-irregular',
    'h-les-gray',
    'h-sheath-rot',
    'h-mycelium',
    'h-mycelium-pink',
    't-bag',
  ],
  /** Diseases of the leaf that are put up with on a lawn: a product repairs no old leaf. */
  cosmeticDiseases: [
    'dollar-spot',
    'red-thread',
    'rust',
    'powdery-mildew',
    'slime-mold',
    'snow-mold-pink',
    'yellow-patch',
    'bleaching-herbicide',
  ],
  /** Where preventing at the next window pays, given a history. */
  preventable: [
    'white-grub',
    'chinch-bug',
    'billbug',
    'mole-cricket',
    'large-patch',
    'spring-dead-spot',
    'summer-patch',
    'necrotic-ring-spot',
    'take-all-root-rot',
    'snow-mold-gray',
    'snow-mold-pink',
  ],
  /** Leaf eaters that a fast runner grass outgrows. */
  outgrown: ['armyworm', 'sod-webworm', 'cutworm'],
  fillsFast: ['bermuda-common', 'bermuda-hybrid'],
  /** Actions that a laboratory's figures come before. */
  needsLaboratory: ['lime', 'sulfur', 'lab'],
  source: { kind: 'common-practice', ref: 'limits from memory' } as Source,
} as const;
