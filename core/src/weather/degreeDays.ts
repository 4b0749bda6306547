import type { DegreeDayMethod, DegreeDayModel } from '../knowledge/degreeDayModels';
import { addDays, daysBetween, localDate, type LocalDate } from '../units';

/** °F-days of one day above a base by the mean of high and low, never below 0. */
export const averageDegreeDay = (highF: number, lowF: number, baseF: number): number =>
  Math.max(0, (highF + lowF) / 2 - baseF);

/** The same with both ends clipped to the base and an upper cutoff. */
export const modifiedDegreeDay = (
  highF: number,
  lowF: number,
  baseF: number,
  upperF: number,
): number => Math.max(0, (Math.min(highF, upperF) + Math.max(lowF, baseF)) / 2 - baseF);

/**
 * °F-days of one day above a base by a sine through high and low.
 * Source: Baskerville & Emin 1969, Ecology 50:514-517.
 */
export function sineDegreeDay(highF: number, lowF: number, baseF: number): number {
  if (highF <= baseF) return 0;
  const mean = (highF + lowF) / 2;
  if (lowF >= baseF) return mean - baseF;
  const half = (highF - lowF) / 2;
  const angle = Math.asin((baseF - mean) / half);
  return ((mean - baseF) * (Math.PI / 2 - angle) + half * Math.cos(angle)) / Math.PI;
}

export type Cutoff = 'horizontal' | 'intermediate' | 'vertical';

/**
 * Sine degree-day with an upper threshold, °F-days, never below 0.
 * Source of the three cutoffs: Zalom and others 1983, degree-day leaflet (from memory).
 */
export function sineDegreeDayCut(
  highF: number,
  lowF: number,
  baseF: number,
  upperF: number,
  cutoff: Cutoff,
): number {
  const low = sineDegreeDay(highF, lowF, baseF);
  const above = sineDegreeDay(highF, lowF, upperF);
  if (cutoff === 'horizontal') return Math.max(0, low - above);
  if (cutoff === 'intermediate') return Math.max(0, low - 2 * above);
  if (lowF >= upperF) return 0;
  if (highF <= upperF) return low;
  const angle = Math.asin((upperF - (highF + lowF) / 2) / ((highF - lowF) / 2));
  const share = (Math.PI / 2 - angle) / Math.PI;
  return Math.max(0, low - above - (upperF - baseF) * share);
}

const dayOf: Record<DegreeDayMethod, (highF: number, lowF: number, baseF: number) => number> = {
  'single-average': averageDegreeDay,
  'single-sine': sineDegreeDay,
};

/** Where a heat sum stands and when it enters and leaves its window. */
export interface DegreeDaySum {
  slug: string;
  sumFDays: number;
  opens: LocalDate | null;
  closes: LocalDate | null;
}

/**
 * Heat sum of a model over a year's days.
 * @param start day of index 0 of the series
 * @param highF,lowF air per day, shape (n), measured and then expected
 * @param today day on which the sum is read
 * @returns `null` when the series begins after the model's start date
 */
export function degreeDaySum(
  model: DegreeDayModel,
  start: LocalDate,
  highF: readonly number[],
  lowF: readonly number[],
  today: LocalDate,
): DegreeDaySum | null {
  const from = daysBetween(start, localDate(`${today.slice(0, 4)}-${model.from}`));
  if (from < 0) return null;
  const last = daysBetween(start, localDate(`${today.slice(0, 4)}-12-31`));
  const now = daysBetween(start, today);
  const [first, end] = model.windowFDays;
  let sum = 0;
  const result: DegreeDaySum = { slug: model.slug, sumFDays: 0, opens: null, closes: null };
  for (let index = from; index <= last && index < highF.length; index += 1) {
    sum += dayOf[model.method](highF[index] as number, lowF[index] as number, model.baseF);
    if (index <= now) result.sumFDays = sum;
    if (result.opens === null && sum >= first) result.opens = addDays(start, index);
    if (result.closes === null && sum >= end) result.closes = addDays(start, index);
  }
  return result;
}
