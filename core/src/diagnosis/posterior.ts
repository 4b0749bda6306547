import { diagnosisModel } from '../knowledge';

/** Probabilities from log scores, shape (n); sums to 1. */
export function softmax(scores: ArrayLike<number>): number[] {
  let top = -Infinity;
  for (let i = 0; i < scores.length; i += 1) top = Math.max(top, scores[i] as number);
  const weights = new Array<number>(scores.length);
  let sum = 0;
  for (let i = 0; i < scores.length; i += 1) {
    const weight = Math.exp((scores[i] as number) - top);
    weights[i] = weight;
    sum += weight;
  }
  for (let i = 0; i < weights.length; i += 1) weights[i]! /= sum;
  return weights;
}

/** Entropy of a distribution, bits. */
export function entropyBits(p: ArrayLike<number>): number {
  let bits = 0;
  for (let i = 0; i < p.length; i += 1) {
    const value = p[i] as number;
    if (value > 0) bits -= value * Math.log2(value);
  }
  return bits;
}

/** Score of a cause: log prior plus shrunken evidence. */
export const causeScore = (prior: number, evidence: number): number =>
  Math.log(prior) + diagnosisModel.tau * evidence;
