import { diagnosisModel } from '../knowledge';

const { damping, groupLimit } = diagnosisModel;

/** What one sign alone says, nats: its ratio within the group's limit. */
export const singleEvidence = (ratio: number): number =>
  Math.max(-groupLimit, Math.min(groupLimit, ratio));

/** One side of a group: ratios of one sign by size, each next one damped, the sum limited. */
function dampedSum(ratios: readonly number[]): number {
  if (ratios.length === 1) return singleEvidence(ratios[0] as number);
  const bySize = [...ratios].sort((a, b) => Math.abs(b) - Math.abs(a));
  let weight = 1;
  let sum = 0;
  for (const ratio of bySize) {
    sum += weight * ratio;
    weight *= damping;
  }
  return Math.max(-groupLimit, Math.min(groupLimit, sum));
}

/**
 * What the signs of one correlation group say about one cause, nats. Agreeing signs are damped
 * apart from disagreeing ones, so a new agreeing answer moves the sum its own way only.
 */
export function groupEvidence(ratios: readonly number[]): number {
  if (ratios.length === 0) return 0;
  const positive = ratios.filter((ratio) => ratio > 0);
  const negative = ratios.filter((ratio) => ratio < 0);
  return (
    (positive.length > 0 ? dampedSum(positive) : 0) +
    (negative.length > 0 ? dampedSum(negative) : 0)
  );
}

/**
 * How a group's evidence splits over its signs: each ratio's damped share, scaled when the group's
 * limit bites. The shares add up to {@link groupEvidence}.
 * @param ratios shape (n)
 * @returns shape (n), same order
 */
export function evidenceShares(ratios: readonly number[]): number[] {
  const shares = ratios.map(() => 0);
  for (const side of [1, -1]) {
    const indexes = ratios
      .map((ratio, index) => ({ ratio, index }))
      .filter(({ ratio }) => ratio * side > 0)
      .sort((a, b) => Math.abs(b.ratio) - Math.abs(a.ratio));
    let weight = 1;
    let sum = 0;
    for (const { ratio, index } of indexes) {
      shares[index] = weight * ratio;
      sum += weight * ratio;
      weight *= damping;
    }
    const limited = Math.max(-groupLimit, Math.min(groupLimit, sum));
    if (limited !== sum) for (const { index } of indexes) shares[index]! *= limited / sum;
  }
  return shares;
}
