import {
  actionRules,
  causes,
  contradictions,
  diagnosisModel,
  sign,
  waitingSigns,
  type Action,
  type Posture,
} from '../knowledge';
import { answeredSigns } from './answeredSigns';
import type { DiagnosisInput } from './diagnosisInput';
import { groupEvidence, singleEvidence } from './evidence';
import { groupCount, signColumns } from './likelihood';
import { bestPair, type CausePair } from './pairs';
import { causeScore, entropyBits, softmax } from './posterior';
import { prior } from './prior';

/** Slug of "something that is not in the library". */
export const UNKNOWN_CAUSE = 'unknown-other';

export interface CauseProbability {
  cause: string;
  p: number;
  prior: number;
}

export interface NextCheck {
  sign: string;
  posture: Posture;
  /** Expected fall of the entropy over the causes, bits; may be slightly negative. */
  gainBits: number;
  seconds: number;
  /** Bits per second, reading and tapping included. */
  utility: number;
  /** Probability of a yes as things stand. */
  yes: number;
  /** Probability, over both answers, that the leading cause then stands at 80 % or more. */
  settles: number;
  /** The answer comes in days: homework, not the next thing to do. */
  waits: boolean;
}

export type VerdictKind = 'likely' | 'action-known' | 'pair' | 'cannot-tell' | 'split-zone';

export interface Diagnosis {
  /** Every named cause and `unknown-other`, likeliest first; sums to 1. */
  posterior: CauseProbability[];
  entropyBits: number;
  /** Worth asking, most worth per second first; homework and worthless signs left out. */
  nextChecks: NextCheck[];
  /** The one to do now, given where the technician stands. */
  bestCheck: NextCheck | null;
  homework: NextCheck | null;
  verdict: VerdictKind;
  /** Action that the causes still open agree on, when they do. */
  action: Action | null;
  pair: CausePair | null;
  /** Answers that cannot both be true of one zone. */
  contradictions: [string, string][];
  /** Number of signs that count. */
  answered: number;
}

const POSTURE_ORDER: readonly Posture[] = ['kerb', 'standing', 'kneeling', 'test', 'context'];

interface State {
  priors: number[];
  scores: Float64Array;
  evidence: Float64Array;
  /** Ratios per cause and group, shape (causes × groups). */
  ratios: (number[] | undefined)[];
}

function scoreCauses(
  input: Pick<DiagnosisInput, 'grass' | 'zone' | 'month' | 'soilTempF' | 'skill' | 'protection'>,
  known: ReadonlyMap<string, boolean>,
): State {
  const priors = prior(input.grass, input.zone, input.month, input.soilTempF, input.protection);
  const ratios = new Array<number[] | undefined>(causes.length * groupCount).fill(undefined);
  for (const column of signColumns(input.skill)) {
    const yes = known.get(column.sign.slug);
    if (yes === undefined) continue;
    for (const cell of column.cells) {
      const slot = cell.cause * groupCount + column.group;
      (ratios[slot] ??= []).push(yes ? cell.logYes : cell.logNo);
    }
  }
  const evidence = new Float64Array(causes.length + 1);
  ratios.forEach((list, slot) => {
    if (list) evidence[Math.floor(slot / groupCount)]! += groupEvidence(list);
  });
  const scores = new Float64Array(causes.length + 1);
  priors.forEach((p, index) => (scores[index] = causeScore(p, evidence[index]!)));
  return { priors, scores, evidence, ratios };
}

/** Sums over the causes from which the entropy of a trial answer follows without a full pass. */
interface Weights {
  /** Score that the weights are taken against, nats. */
  against: number;
  weight: Float64Array;
  sum: number;
  /** Σ weight × (score − against). */
  weighted: number;
  /** Causes, likeliest first. */
  ranking: number[];
}

function weigh(scores: Float64Array): Weights {
  const against = Math.max(...scores);
  const weight = scores.map((score) => Math.exp(score - against));
  let sum = 0;
  let weighted = 0;
  weight.forEach((w, index) => {
    sum += w;
    weighted += w * (scores[index]! - against);
  });
  const ranking = [...scores.keys()].sort((a, b) => scores[b]! - scores[a]!);
  return { against, weight, sum, weighted, ranking };
}

/**
 * Worth of every sign that is still open: both answers are tried in full (damping, limit and
 * shrinkage included). Only the causes that list a sign move, so only their weights are exchanged
 * in the sums; the rest of the library is not visited.
 */
function rankChecks(
  input: Pick<DiagnosisInput, 'skill'>,
  state: State,
  posterior: readonly number[],
  closed: (slug: string) => boolean,
): NextCheck[] {
  const { tau, tapSeconds, stop } = diagnosisModel;
  const { against, weight, sum, weighted, ranking } = weigh(state.scores);
  const now = entropyBits(posterior);
  const checks: NextCheck[] = [];
  for (const { sign: entry, group, cells, moves } of signColumns(input.skill)) {
    if (closed(entry.slug)) continue;
    const bestUnmoved = ranking.find((cause) => !moves.has(cause));
    let yes = entry.base;
    for (const cell of cells) yes += posterior[cell.cause]! * (cell.p - entry.base);
    let expected = 0;
    let settles = 0;
    for (const answer of [true, false]) {
      let trialSum = sum;
      let trialWeighted = weighted;
      let top = bestUnmoved === undefined ? 0 : weight[bestUnmoved]!;
      for (const cell of cells) {
        const before = state.ratios[cell.cause * groupCount + group];
        const ratio = answer ? cell.logYes : cell.logNo;
        const change = before
          ? groupEvidence([...before, ratio]) - groupEvidence(before)
          : singleEvidence(ratio);
        const was = state.scores[cell.cause]! - against;
        const is = was + tau * change;
        const w = Math.exp(is);
        trialSum += w - weight[cell.cause]!;
        trialWeighted += w * is - weight[cell.cause]! * was;
        if (w > top) top = w;
      }
      const share = answer ? yes : 1 - yes;
      expected += (share * (Math.log(trialSum) - trialWeighted / trialSum)) / Math.LN2;
      if (top / trialSum >= stop.top) settles += share;
    }
    const gainBits = now - expected;
    checks.push({
      sign: entry.slug,
      posture: entry.posture,
      gainBits,
      seconds: entry.seconds,
      utility: gainBits / (entry.seconds + tapSeconds),
      yes,
      settles,
      waits: waitingSigns.has(entry.slug),
    });
  }
  return checks.sort((a, b) => b.utility - a.utility);
}

/** The check to do now: stay in the posture unless another one is clearly worth the move. */
function bestCheckFrom(
  checks: readonly NextCheck[],
  posture: Posture | undefined,
): NextCheck | null {
  const offered = checks.filter(
    (check) => check.posture !== 'test' || check.gainBits >= diagnosisModel.testGainBits,
  );
  const best = offered[0] ?? checks[0] ?? null;
  if (!best || !posture) return best;
  const here = offered.find((check) => check.posture === posture || check.posture === 'context');
  return here && best.utility < diagnosisModel.postureFactor * here.utility ? here : best;
}

/** The poolable action that causes of at least 85 % together call for. */
function pooledAction(ranked: readonly CauseProbability[]): Action | null {
  const share = new Map<Action, number>();
  for (const { cause, p } of ranked) {
    const action = causes.find((entry) => entry.slug === cause)?.action;
    if (action && actionRules[action].poolable) share.set(action, (share.get(action) ?? 0) + p);
  }
  const [action, total] = [...share].sort((a, b) => b[1] - a[1])[0] ?? [null, 0];
  return total >= diagnosisModel.stop.actionShare ? action : null;
}

const actionOf = (slug: string): Action | undefined =>
  causes.find((entry) => entry.slug === slug)?.action;

/** True when the two leading causes lie close and the answer to one would harm the other. */
function leadersConflict(ranked: readonly CauseProbability[]): boolean {
  const [first, second] = ranked.filter(({ cause }) => cause !== UNKNOWN_CAUSE);
  if (!first || !second || first.p > 2 * second.p) return false;
  const a = actionOf(first.cause);
  const b = actionOf(second.cause);
  if (!a || !b) return false;
  return actionRules[a].conflicts.includes(b) || actionRules[b].conflicts.includes(a);
}

function judge(
  ranked: readonly CauseProbability[],
  pair: CausePair | null,
  contradicting: boolean,
): { verdict: VerdictKind; action: Action | null } {
  const { stop } = diagnosisModel;
  const named = ranked.filter(({ cause }) => cause !== UNKNOWN_CAUSE);
  const top = named[0];
  const second = named[1];
  const unknown = ranked.find(({ cause }) => cause === UNKNOWN_CAUSE)?.p ?? 0;
  const action = top ? (actionOf(top.cause) ?? null) : null;
  if (contradicting) return { verdict: 'split-zone', action: null };
  if (pair) return { verdict: 'pair', action };
  if (top && top.p >= stop.top && top.p >= stop.ratio * (second?.p ?? 0)) {
    return { verdict: 'likely', action };
  }
  const pooled = pooledAction(ranked);
  if (pooled) return { verdict: 'action-known', action: pooled };
  const cannot =
    !top || top.p < stop.cannotTellBelow || unknown > stop.unknownAbove || leadersConflict(ranked);
  return cannot ? { verdict: 'cannot-tell', action: null } : { verdict: 'likely', action };
}

/**
 * Works out what most likely damaged a patch and which check would tell most.
 * @param input one zone with one look; answers, site facts and field tests together
 * @param posture where the technician stands, so that the next check does not send them about
 * @returns posterior over all causes and `unknown-other`, checks in order of worth per second
 */
export function diagnose(input: DiagnosisInput, posture?: Posture): Diagnosis {
  const { known, unsure } = answeredSigns(input);
  const state = scoreCauses(input, known);
  const p = softmax(state.scores);
  const ranked: CauseProbability[] = p
    .map((value, index) => ({
      cause: causes[index]?.slug ?? UNKNOWN_CAUSE,
      p: value,
      prior: state.priors[index] as number,
    }))
    .sort((a, b) => b.p - a.p);
  const checks = rankChecks(input, state, p, (slug) => known.has(slug) || unsure.has(slug));
  const worthAsking = checks.filter(
    (check) => !check.waits && check.gainBits >= diagnosisModel.minimumGainBits,
  );
  const homework = checks
    .filter((check) => check.waits && check.gainBits >= diagnosisModel.testGainBits)
    .sort((a, b) => b.gainBits - a.gainBits)[0];
  const clashing = contradictions.filter(([a, b]) => known.get(a) && known.get(b));
  const pair = bestPair(state.priors, p, state.scores, known);
  return {
    posterior: ranked,
    entropyBits: entropyBits(p),
    nextChecks: worthAsking,
    bestCheck: bestCheckFrom(worthAsking, posture),
    homework: homework ?? null,
    ...judge(ranked, pair, clashing.length > 0),
    pair,
    contradictions: clashing.map(([a, b]) => [a, b]),
    answered: [...known.keys()].filter((slug) => sign(slug)).length,
  };
}

/** Every open sign with its raw worth, most worth per second first; for checks against references. */
export function rankAllChecks(input: DiagnosisInput): NextCheck[] {
  const { known, unsure } = answeredSigns(input);
  const state = scoreCauses(input, known);
  return rankChecks(
    input,
    state,
    softmax(state.scores),
    (slug) => known.has(slug) || unsure.has(slug),
  );
}

/** Postures in the order a technician takes them. */
export const postureOrder = POSTURE_ORDER;
