import type { FeedingLimit } from '../fertility';
import type { Fertilizer, GrassSlug } from '../knowledge';
import type { MixProduct } from '../rates';
import type { LocalDate } from '../units';
import { subjectOfWork, type Need } from '../needs/need';
import type { Exclusion, Reason, TreatmentExclusion } from '../needs/reason';
import type { Span, StepWindow } from '../choice/window';

export type StepState = 'open' | 'upcoming';

/** A window that has opened is open; a later one is still to come. */
export const stateOf = (window: StepWindow, today: LocalDate): StepState =>
  window.opens <= today ? 'open' : 'upcoming';

/** What must hold on the day before the work starts. */
export type Gate =
  | { kind: 'air'; minF: number | null; maxF: number }
  | { kind: 'wind'; minMph: number; maxMph: number }
  | { kind: 'dry-leaf-hours'; hours: number }
  | { kind: 'water-in'; inches: [number, number]; withinDays: number | null }
  | { kind: 'moist-soil' }
  | { kind: 'not-frozen-or-saturated' }
  | { kind: 'soil'; minF: number; maxF: number }
  | { kind: 'no-bloom' };

/** How work stands to what was agreed with the customer. */
export interface Sold {
  /** Outside what was agreed: offered, and never due. */
  offer?: true;
  /** Who does it, where it is not us. */
  by?: 'customer' | 'other';
}

/** Whether work was agreed, and is ours to do. */
export const isOurs = ({ offer, by }: Sold): boolean => !offer && by === undefined;

interface StepBase extends Sold {
  /** Address of the first piece of work that it does: the same however often the season is worked out. */
  id: string;
  /** Every piece of work that it does, by need, step and round. */
  serves: string[];
  zoneId: string;
  window: StepWindow;
  /** Days on which it may be done as it stands; left out where it has its best day alone. */
  span?: Span;
  state: StepState;
  areaFt2: number;
  gates: Gate[];
  because: Reason[];
  /** What has to be seen, or to have come, before it is done, and when that is expected. */
  waitsFor?: { condition: 'look'; expected: LocalDate };
  /** Somebody has set its day or its mix: it stays so, and is judged. */
  pinned?: true;
}

/** Whether a step is ours to do now: it is open, agreed, and nothing has to be seen first. */
export const isDue = (step: Pick<StepBase, 'state' | 'waitsFor' | 'offer' | 'by'>): boolean =>
  step.state === 'open' && step.waitsFor === undefined && isOurs(step);

interface SprayBase extends StepBase {
  group: string;
  products: MixProduct[];
  method: 'spot' | 'zone';
  walks: number;
  intervalDays: number;
  carrierGalPer1000: number;
  /** Expected control by weed, %, and what was asked for. */
  control: { weed: string; expectedPct: number; targetPct: number }[];
  testSpot: boolean;
  excluded: Exclusion[];
}

/** A pre-emergent, laid before the weed germinates. */
export interface PreventStep extends SprayBase {
  kind: 'prevent';
}

/** A post-emergent, against what grows. */
export interface ControlStep extends SprayBase {
  kind: 'control';
  /** All that grows there is meant to die, the turf as well. */
  kill?: true;
}

export type SprayStep = PreventStep | ControlStep;

export interface FeedStep extends StepBase {
  kind: 'feed';
  slot: string;
  fertilizer: string;
  /** % N, P₂O₅ and K₂O of the bag that it is worked out for. */
  grade: Fertilizer['grade'];
  nLbPer1000: number;
  productLbPer1000: number;
  totalLb: number;
  wantedNLbPer1000: number;
  limitedBy: FeedingLimit;
  saltLoad: number;
  saltLimit: number;
}

export interface SeedStep extends StepBase {
  kind: 'seed';
  use: 'overseed' | 'new';
  species: GrassSlug;
  material: 'seed' | 'plugs';
  /** lb from the bag per 1000 ft²; for plugs, plugs per 1000 ft². */
  ratePer1000: number;
  total: number;
}

/** Treats an insect or a disease that was found, or prevents one that was here before. */
export interface ProtectStep extends StepBase {
  kind: 'protect';
  cause: string;
  mode: 'curative' | 'preventive';
  treatment: string;
  unit: 'oz' | 'fl-oz' | 'lb' | 'million';
  ratePerAcre: number;
  total: number;
  granular: boolean;
  /** `null` for granules. */
  carrierGalPer1000: number | null;
  /** Days after which it has worn off or may be repeated. */
  repeatDays: number | null;
  excluded: TreatmentExclusion[];
}

/** Causes that a treatment is for: the one it was chosen for, and those that it keeps away as well. */
export const causesOf = ({ serves }: Pick<ProtectStep, 'serves'>): string[] => [
  ...new Set(serves.map(subjectOfWork)),
];

export interface LookStep extends StepBase {
  kind: 'look-again';
  /** The damaged place to look at; `null`: the zone. */
  patchId: string | null;
  /** Its number on the plan. */
  number: number | null;
  /** The need that it asks about. */
  need: string;
  /** What is looked for: a cause or a weed; `null`: nobody could tell. */
  subject: string | null;
}

export type Step = SprayStep | ProtectStep | FeedStep | SeedStep | LookStep;
export type StepKind = Step['kind'];

/** Seed and a pre-emergent that shut each other out: one of them this season, not both. */
export interface Clash {
  id: string;
  zoneId: string;
  seed: SeedStep;
  prevent: SprayStep;
  /** Weeks that the pre-emergent asks before seed, and weeks there are. */
  waitWeeks: number;
  weeks: number;
  /** First day on which seed could follow the pre-emergent. */
  seedFrom: LocalDate;
  choice: 'seed' | 'prevent' | null;
}

/** A weed, or a cause of damage, for which no product is proposed, and why. */
export interface Unmet {
  zoneId: string;
  weed: string;
  reason: Reason;
}

/** Nitrogen of one year in a zone: what the upkeep asks for, what came and what is planned, lb per 1000 ft². */
export interface NitrogenYear {
  zoneId: string;
  year: number;
  targetLbPer1000: number;
  recordedLbPer1000: number;
  plannedLbPer1000: number;
  /** Why it is less than nine tenths of what is asked for. */
  reason?: Reason;
}

/**
 * Work that puts nothing down: a weed that is lifted out, a plant that is named, a stand that is counted, ground that is
 * measured, soil that is bagged.
 */
export interface HandWork extends Sold {
  id: string;
  need: string;
  kind: 'pull' | 'name' | 'count' | 'measure' | 'sample';
  zoneId: string;
  areaFt2: number;
  /** First day on which it may be done. */
  opens: LocalDate;
}

export interface Season {
  /** What every zone needs, how far each has come, and why where it stands still. */
  needs: Need[];
  steps: Step[];
  clashes: Clash[];
  /** Feedings and other work that was considered and left out. */
  leftOut: { zoneId: string; reason: Reason }[];
  unmet: Unmet[];
  nitrogen: NitrogenYear[];
  byHand: HandWork[];
  /** What somebody set or chose and the plan cannot hold, and why. */
  unheld: { needId: string; reason: Reason }[];
}
