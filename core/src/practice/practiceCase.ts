import {
  diagnose,
  diagnosisInputSchema,
  prior,
  type Diagnosis,
  type DiagnosisInput,
} from '../diagnosis';
import {
  actionRules,
  cause as causeOf,
  causes,
  contradictions,
  diagnosisModel,
  grasses,
  sign as signOf,
  signs,
  waitingSigns,
  type GrassSlug,
  type Region,
} from '../knowledge';
import { seededRandom } from '../weather';

/** A made-up patch: where and when, its true cause, and what there is to see. */
export interface PracticeCase {
  seed: number;
  cause: string;
  region: Region;
  month: number;
  grass: GrassSlug;
  soilTempF: number;
  /** Every sign of the library, drawn for the cause. */
  truth: Readonly<Record<string, boolean>>;
}

export interface CaseWish {
  region?: Region;
  month?: number;
  grass?: GrassSlug;
}

const REGIONS: readonly Region[] = ['north', 'transition', 'south'];
const HOSTS = grasses.filter(
  ({ roles, diagnosisHost }) => roles.includes('desired') && diagnosisHost,
);
/** Grasses that a region keeps: the season of its lawns. */
const SUITS: Record<Region, readonly ('cool' | 'warm')[]> = {
  north: ['cool'],
  transition: ['cool', 'warm'],
  south: ['warm'],
};
/** Yearly wave of the soil at 2 in by region, °F: mean and half-range (memory). */
const SOIL_WAVE: Record<Region, readonly [number, number]> = {
  north: [52, 24],
  transition: [59, 21],
  south: [69, 16],
};
const WARMEST_MONTH = 7.5;

/**
 * Draws a case from the same model that diagnoses it: a cause by its prior for the place and month,
 * then every sign by itself with its probability under that cause. The same seed, the same case.
 */
export function drawCase(seed: number, wish: CaseWish = {}): PracticeCase {
  const random = seededRandom(seed * 2_654_435 + 17);
  const pick = <Item>(items: readonly Item[]): Item =>
    items[Math.floor(random() * items.length)] as Item;
  const region = wish.region ?? pick(REGIONS);
  const month = wish.month ?? 1 + Math.floor(random() * 12);
  const grass =
    wish.grass ?? pick(HOSTS.filter(({ season }) => SUITS[region].includes(season))).slug;
  const [mean, half] = SOIL_WAVE[region];
  const soilTempF = Math.round(
    mean + half * Math.cos((2 * Math.PI * (month - WARMEST_MONTH)) / 12) + 6 * (random() - 0.5),
  );
  const weights = prior([{ species: grass, cover: 1 }], region, month, soilTempF).slice(
    0,
    causes.length,
  );
  let rest = random() * weights.reduce((sum, weight) => sum + weight, 0);
  const index = weights.findIndex((weight) => (rest -= weight) <= 0);
  const cause = causes[Math.max(0, index)]!;
  const truth: Record<string, boolean> = {};
  for (const { slug, base } of signs) truth[slug] = random() < (cause.signs[slug] ?? base);
  for (const [a, b] of contradictions) {
    // One zone cannot be both: the one that the cause makes likelier stays.
    if (truth[a] && truth[b]) {
      const weaker = lift(cause.signs, a) >= lift(cause.signs, b) ? b : a;
      truth[weaker] = false;
    }
  }
  return { seed, cause: cause.slug, region, month, grass, soilTempF, truth };
}

const lift = (listed: Readonly<Record<string, number>>, slug: string): number => {
  const base = signOf(slug)!.base;
  return (listed[slug] ?? base) / base;
};

/** What a diagnosis is worked out from once some signs of a case have been looked at. */
export const inputOf = (
  drawn: PracticeCase,
  answers: Readonly<Record<string, boolean>>,
): DiagnosisInput =>
  diagnosisInputSchema.parse({
    grass: [{ species: drawn.grass, cover: 1 }],
    zone: drawn.region,
    month: drawn.month,
    soilTempF: drawn.soilTempF,
    signs: answers,
  });

export interface Asked {
  sign: string;
  answer: boolean;
  seconds: number;
}

export interface AskingRun {
  asked: Asked[];
  /** Looking and tapping together. */
  seconds: number;
  /** A cause reached the bar, or an action did. */
  settled: boolean;
  top: string;
  p: number;
}

/** Limits of one visit: eight minutes or 25 answers (memory), or a cause at the bar of the verdict. */
export const askingLimits = {
  seconds: 480,
  answers: 25,
  settledAt: diagnosisModel.stop.top,
} as const;

/** What looking at a sign costs, s: the look itself, reading and tapping. */
export const lookSeconds = (slug: string): number =>
  (signOf(slug)?.seconds ?? 0) + diagnosisModel.tapSeconds;

/** Signs that can be answered within a visit, in the order of a fixed round: kerb first, tests last. */
const FIXED_ORDER = signs.filter(({ slug }) => !waitingSigns.has(slug)).map(({ slug }) => slug);

/**
 * Looks at a case until one cause stands at 80 % or a limit is reached.
 * @param order `gain`: what the diagnosis would ask next; `fixed`: the list from top to bottom
 */
export function askUntil(drawn: PracticeCase, order: 'gain' | 'fixed'): AskingRun {
  const answers: Record<string, boolean> = {};
  const asked: Asked[] = [];
  let seconds = 0;
  let found: Diagnosis = diagnose(inputOf(drawn, answers));
  const top = () => found.posterior.find(({ cause }) => cause !== 'unknown-other')!;
  while (
    top().p < askingLimits.settledAt &&
    seconds < askingLimits.seconds &&
    asked.length < askingLimits.answers
  ) {
    const next = order === 'gain' ? found.bestCheck?.sign : FIXED_ORDER[asked.length];
    if (!next) break;
    const cost = lookSeconds(next);
    answers[next] = drawn.truth[next]!;
    asked.push({ sign: next, answer: drawn.truth[next]!, seconds: cost });
    seconds += cost;
    found = diagnose(inputOf(drawn, answers));
  }
  const { cause, p } = top();
  return { asked, seconds, settled: p >= askingLimits.settledAt, top: cause, p };
}

/** What a decision costs, from best to worst. */
export type DecisionCost = 'right' | 'right-action' | 'delayed' | 'wasted' | 'harmful';

export interface Debrief {
  cost: DecisionCost;
  /** Probability of the true cause, and of the one decided on, from what the learner had seen. */
  truthP: number;
  decidedP: number | null;
  seconds: number;
  ideal: AskingRun;
}

/** Judges a learner's decision on a case; `null` is "cannot tell yet". */
export function debrief(
  drawn: PracticeCase,
  seen: readonly string[],
  decided: string | null,
): Debrief {
  const answers = Object.fromEntries(seen.map((slug) => [slug, drawn.truth[slug]!]));
  const { posterior } = diagnose(inputOf(drawn, answers));
  const pOf = (slug: string) => posterior.find(({ cause }) => cause === slug)?.p ?? 0;
  return {
    cost: costOf(drawn.cause, decided),
    truthP: pOf(drawn.cause),
    decidedP: decided === null ? null : pOf(decided),
    seconds: seen.reduce((sum, slug) => sum + lookSeconds(slug), 0),
    ideal: askUntil(drawn, 'gain'),
  };
}

function costOf(truth: string, decided: string | null): DecisionCost {
  if (decided === null) return 'delayed';
  if (decided === truth) return 'right';
  const [right, taken] = [causeOf(truth)!.action, causeOf(decided)?.action];
  if (taken === undefined) return 'wasted';
  if (taken === right) return 'right-action';
  const harms =
    actionRules[right].conflicts.includes(taken) || actionRules[taken].conflicts.includes(right);
  return harms ? 'harmful' : 'wasted';
}
