/**
 * Trailing five-day mean, the reading that thresholds are written for.
 * @param values one a day, shape (n)
 * @returns shape (n); the first four days have no mean and are `null`
 */
export function fiveDayMean(values: readonly number[]): (number | null)[] {
  const means: (number | null)[] = [];
  let sum = 0;
  values.forEach((value, index) => {
    sum += value;
    if (index >= 5) sum -= values[index - 5] as number;
    means.push(index >= 4 ? sum / 5 : null);
  });
  return means;
}
