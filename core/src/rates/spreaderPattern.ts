import { patternCvPct } from '../knowledge/amendments';

export interface PatternSwath {
  /** Distance between passes, ft, and how uneven the ground is then, %. */
  swathFt: number;
  cvPct: number;
}

/**
 * How even a spreader throws at each distance between passes, driven back and forth the same way
 * round, from pans across one pass.
 * @param caught amounts in the pans from left to right, the middle one under the spreader
 * @param spacingFt between pans
 * @returns one row a swath, rising
 */
export function patternSwaths(caught: readonly number[], spacingFt: number): PatternSwath[] {
  const middle = (caught.length - 1) / 2;
  const rows: PatternSwath[] = [];
  for (let step = 2; step * spacingFt <= (caught.length - 1) * spacingFt; step += 1) {
    if (step * 2 < caught.length / 2) continue;
    const deposits = Array.from({ length: step }, (_, place) => {
      let sum = 0;
      for (let pass = -caught.length; pass <= caught.length; pass += 1) {
        sum += caught[place + pass * step + Math.floor(middle)] ?? 0;
      }
      return sum;
    });
    const mean = deposits.reduce((a, b) => a + b, 0) / step;
    const variance = deposits.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (step - 1);
    rows.push({ swathFt: step * spacingFt, cvPct: (100 * Math.sqrt(variance)) / mean });
  }
  return rows;
}

/** The widest swath up to which the pattern is even; `null` when none is. */
export function effectiveSwath(rows: readonly PatternSwath[]): number | null {
  let widest: number | null = null;
  for (const { swathFt, cvPct } of rows) {
    if (cvPct > patternCvPct) break;
    widest = swathFt;
  }
  return widest;
}
