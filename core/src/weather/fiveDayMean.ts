/**
 * Trailing five-day mean, the reading that thresholds are written for.
 * @param values one a day, shape (n)
 * @returns shape (n); the first four days have no mean and are `null`
 */
export function fiveDayMean(values: ArrayLike<number>): (number | null)[] {
  const means = new Array<number | null>(values.length);
  let sum = 0;
  for (let index = 0; index < values.length; index += 1) {
    sum += values[index]!;
    if (index >= 5) sum -= values[index - 5]!;
    means[index] = index >= 4 ? sum / 5 : null;
  }
  return means;
}
