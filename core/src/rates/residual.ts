/**
 * Share of its first effect that a pre-emergent keeps after some weeks: whole to the short end of its
 * residual, half at the long end, nothing at one and a half times it (modelling choice, common
 * practice).
 * @param weeks since it was watered in, 0 or more
 */
export function residualShare(weeks: number, [short, long]: readonly [number, number]): number {
  if (weeks <= short) return 1;
  if (weeks <= long) return 1 - (0.5 * (weeks - short)) / (long - short);
  return Math.max(0, 0.5 * (1 - (weeks - long) / (0.5 * long)));
}

/** Mean of {@link residualShare} over the first `weeks` weeks, by whole weeks. */
export function meanResidual(weeks: number, range: readonly [number, number]): number {
  let sum = 0;
  for (let week = 0; week < weeks; week += 1) sum += residualShare(week + 0.5, range);
  return weeks > 0 ? sum / weeks : 1;
}
