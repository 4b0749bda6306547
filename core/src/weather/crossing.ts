/**
 * First index at which a five-day mean reaches a threshold and holds it for `confirmDays` days in a
 * row, within `[from, to]`. A series that ends before the crossing is confirmed has none.
 * @param means shape (n), `null` where there is no mean yet
 * @param direction `rising`: at or above; `falling`: at or below, counted only after a day above
 * @returns index of the first day, or `null`
 */
export function crossing(
  means: readonly (number | null)[],
  thresholdF: number,
  direction: 'rising' | 'falling',
  { from = 0, to = means.length - 1, confirmDays = 3 } = {},
): number | null {
  const reached = (value: number | null | undefined): boolean =>
    value !== null &&
    value !== undefined &&
    (direction === 'rising' ? value >= thresholdF : value <= thresholdF);
  let run = 0;
  for (let index = from; index <= Math.min(to + confirmDays - 1, means.length - 1); index += 1) {
    run = reached(means[index]) ? run + 1 : 0;
    if (run === confirmDays) {
      const first = index - confirmDays + 1;
      return first <= to ? first : null;
    }
  }
  return null;
}
