import { causes, diagnosisModel, linkedPairs, sign } from '../knowledge';
import { groupEvidence } from './evidence';
import { logRatio } from './likelihood';
import { causeScore } from './posterior';

export interface CausePair {
  causes: [string, string];
  linked: boolean;
  /** nats by which the pair beats the best single cause, net of what is asked of it. */
  marginNats: number;
  /** Yes-signs that the best single cause leaves unexplained. */
  unexplained: string[];
}

const LEFT_OVER_FACTOR = 1.5;
const EXPLAINS_FACTOR = 4;
const WORTH_CONSIDERING = 0.001;
const CANDIDATES = 8;

/** P(sign | both causes): either may show it; the leak counts once. */
function pairProbability(a: number, b: number, base: number): number {
  if (a >= base && b >= base)
    return 1 - (1 - base) * ((1 - a) / (1 - base)) * ((1 - b) / (1 - base));
  if (a > base) return a;
  if (b > base) return b;
  return Math.min(a, b);
}

function pairEvidence(a: number, b: number, known: ReadonlyMap<string, boolean>): number {
  const groups = new Map<string, number[]>();
  for (const [slug, yes] of known) {
    const entry = sign(slug);
    const inA = causes[a]?.signs[slug];
    const inB = causes[b]?.signs[slug];
    if (!entry || (inA === undefined && inB === undefined)) continue;
    const p = pairProbability(inA ?? entry.base, inB ?? entry.base, entry.base);
    const list = groups.get(entry.group) ?? [];
    list.push(logRatio(p, entry.base, yes));
    groups.set(entry.group, list);
  }
  return [...groups.values()].reduce((sum, ratios) => sum + groupEvidence(ratios), 0);
}

const isLinked = (a: string, b: string): boolean =>
  linkedPairs.some(([x, y]) => (x === a && y === b) || (x === b && y === a));

/**
 * Looks whether two causes together explain the signs better than the best one alone. No
 * probability is given for a pair, only the margin.
 * @param priors shape (causes + 1)
 * @param posterior shape (causes + 1)
 * @param scores shape (causes + 1), the single-cause scores
 * @returns the accepted pair with the largest margin, or `null`
 */
export function bestPair(
  priors: readonly number[],
  posterior: readonly number[],
  scores: ArrayLike<number>,
  known: ReadonlyMap<string, boolean>,
): CausePair | null {
  const ranked = causes.map((_, index) => index).sort((a, b) => posterior[b]! - posterior[a]!);
  const top = ranked[0] as number;
  const yesSigns = [...known].filter(([, yes]) => yes).map(([slug]) => slug);
  const unexplained = yesSigns.filter((slug) => {
    const base = sign(slug)?.base;
    if (base === undefined) return false;
    return (causes[top]?.signs[slug] ?? base) <= LEFT_OVER_FACTOR * base;
  });
  const explainable = unexplained.filter((slug) => {
    const base = sign(slug)?.base as number;
    return causes.some(
      (cause, index) =>
        index !== top &&
        (cause.signs[slug] ?? base) >= EXPLAINS_FACTOR * base &&
        Math.max(posterior[index]!, priors[index]!) >= WORTH_CONSIDERING,
    );
  });
  if (explainable.length === 0) return null;

  const candidates = new Set(ranked.slice(0, CANDIDATES));
  for (const slug of unexplained) {
    let best = -1;
    let bestValue = 0;
    causes.forEach((cause, index) => {
      const value = priors[index]! * (cause.signs[slug] ?? (sign(slug)?.base as number));
      if (value > bestValue) {
        best = index;
        bestValue = value;
      }
    });
    if (best >= 0) candidates.add(best);
  }

  const single = scores[top] as number;
  let winner: CausePair | null = null;
  const list = [...candidates];
  for (let i = 0; i < list.length; i += 1) {
    for (let j = i + 1; j < list.length; j += 1) {
      const a = list[i] as number;
      const b = list[j] as number;
      const names: [string, string] = [causes[a]!.slug, causes[b]!.slug];
      const linked = isLinked(...names);
      const pairPrior = linked
        ? diagnosisModel.linkedPairPrior * Math.max(priors[a]!, priors[b]!)
        : diagnosisModel.unlinkedPairPrior * priors[a]! * priors[b]!;
      const score = causeScore(pairPrior, pairEvidence(a, b, known));
      const margin = score - single - (linked ? 0 : diagnosisModel.unlinkedMargin);
      if (margin >= 0 && (!winner || margin > winner.marginNats)) {
        winner = { causes: names, linked, marginNats: margin, unexplained };
      }
    }
  }
  return winner;
}
