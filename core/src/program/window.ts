import type { SoilCrossing, SoilSeason } from '../weather';
import { addDays, type LocalDate } from '../units';

/** What opens a window, so that the strip can hang the step from it. */
export type WindowBasis =
  | { kind: 'soil'; thresholdF: number; direction: 'rising' | 'falling'; early: LocalDate; late: LocalDate; measured: boolean }
  | { kind: 'air' }
  | { kind: 'calendar' };

/** When a step may be done: opens, the best day, closes. */
export interface StepWindow {
  opens: LocalDate;
  best: LocalDate;
  closes: LocalDate;
  basis: WindowBasis;
}

export const soilBasis = (crossing: SoilCrossing): WindowBasis => ({
  kind: 'soil',
  thresholdF: crossing.thresholdF,
  direction: crossing.direction,
  early: crossing.early,
  late: crossing.late,
  measured: crossing.measured,
});

export const earlier = (a: LocalDate, b: LocalDate): LocalDate => (a <= b ? a : b);
export const later = (a: LocalDate, b: LocalDate): LocalDate => (a >= b ? a : b);

/**
 * A window between three soil temperatures: it opens and is best when they are passed and closes on
 * the day before the last one. `null` when the soil never gets there in that year.
 */
export function soilWindow(
  season: SoilSeason,
  { direction, opensF, bestF, closesF }: { direction: 'rising' | 'falling'; opensF: number; bestF: number; closesF: number },
  year: number,
): StepWindow | null {
  const opens = season.crossing(opensF, direction, year);
  const closing = season.crossing(closesF, direction, year);
  if (!opens) return null;
  const best = season.crossing(bestF, direction, year);
  const closes = closing ? addDays(closing.date, -1) : addDays(opens.date, 60);
  const last = later(closes, opens.date);
  return {
    opens: opens.date,
    best: earlier(later(best?.date ?? opens.date, opens.date), last),
    closes: last,
    basis: soilBasis(opens),
  };
}
