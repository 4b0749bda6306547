/** P(X ≤ k) for X ~ Poisson(mean). */
function poissonAtMost(k: number, mean: number): number {
  let term = Math.exp(-mean);
  let sum = term;
  for (let i = 1; i <= k; i += 1) {
    term *= mean / i;
    sum += term;
  }
  return sum;
}

function bisect(rises: (mean: number) => boolean, high: number): number {
  let low = 0;
  let top = high;
  for (let step = 0; step < 60; step += 1) {
    const middle = (low + top) / 2;
    if (rises(middle)) top = middle;
    else low = middle;
  }
  return (low + top) / 2;
}

/**
 * Exact central interval of a Poisson mean from one total count (Garwood 1936, Biometrika 28).
 * @param total counted insects, 0 or more
 * @param confidence 0-1, 0.9 unless given
 * @returns limits of the expected total
 */
export function poissonInterval(total: number, confidence = 0.9): [low: number, high: number] {
  const tail = (1 - confidence) / 2;
  const top = total + 10 * Math.sqrt(total + 1) + 10;
  const low = total === 0 ? 0 : bisect((mean) => 1 - poissonAtMost(total - 1, mean) >= tail, top);
  return [low, bisect((mean) => poissonAtMost(total, mean) <= tail, top)];
}
