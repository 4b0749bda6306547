import { crossingWindows } from '../knowledge';
import { layoutCosts } from '../knowledge/layoutCosts';
import type { SoilCrossing, SoilSeason } from '../weather';
import { addDays, localDate, yearOf, type LocalDate } from '../units';

/** What opens a window, so that the strip can hang the step from it. */
export type WindowBasis =
  | {
      kind: 'soil';
      thresholdF: number;
      direction: 'rising' | 'falling';
      early: LocalDate;
      late: LocalDate;
      measured: boolean;
    }
  | { kind: 'air' }
  | { kind: 'calendar' };

/** When a step may be done: opens, the best day, closes. */
export interface StepWindow {
  opens: LocalDate;
  best: LocalDate;
  closes: LocalDate;
  basis: WindowBasis;
}

/** Soil temperatures that open a window, suit best and close it, and a calendar edge if there is one. */
export interface SoilWindowRule {
  direction: 'rising' | 'falling';
  opensF: number;
  bestF: number;
  closesF: number;
  /** month-day */
  notBefore?: string;
}

const seasonStart = (year: number, month: number, day: number): LocalDate =>
  localDate(`${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`);

/** Days that a window stays open when the soil never reaches its closing temperature. */
const LONGEST_OPEN_DAYS = 60;

const soilBasis = (crossing: SoilCrossing): WindowBasis => ({
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
 * the day before the last one. `null` when the soil never gets there in that year, or only before
 * the calendar edge.
 */
export function soilWindow(
  season: SoilSeason,
  { direction, opensF, bestF, closesF, notBefore }: SoilWindowRule,
  year: number,
): StepWindow | null {
  const opening = season.crossing(opensF, direction, year);
  const closing = season.crossing(closesF, direction, year);
  // Where soil is past the opening all the year but comes to the end of the window, it is open from the season's start.
  const crossed = opening ?? closing;
  if (!crossed) return null;
  const [month, day] = crossingWindows[direction].from;
  const begins = opening?.date ?? seasonStart(year, month, day);
  const opens = notBefore ? later(begins, localDate(`${year}-${notBefore}`)) : begins;
  const closes = closing ? addDays(closing.date, -1) : addDays(opens, LONGEST_OPEN_DAYS);
  if (closes < opens && opens > begins) return null;
  const last = later(closes, opens);
  const best = season.crossing(bestF, direction, year);
  return {
    opens,
    best: earlier(later(best?.date ?? opens, opens), last),
    closes: last,
    basis: soilBasis(crossed),
  };
}

/** Days in a row on which work may be done as it stands, its best one among them. */
export interface Span {
  from: LocalDate;
  to: LocalDate;
}

/**
 * The days around the best one of a window, in the same year and not before today, on which work still passes as it
 * stands.
 */
export function spanAround(
  { opens, best, closes }: Pick<StepWindow, 'opens' | 'best' | 'closes'>,
  today: LocalDate,
  passes: (date: LocalDate) => boolean,
): Span {
  const run = (step: 1 | -1, last: LocalDate): LocalDate => {
    let date = best;
    for (let days = 0; days < layoutCosts.mostDays; days += 1) {
      const next = addDays(date, step);
      const over = step > 0 ? next > last : next < last;
      if (over || yearOf(next) !== yearOf(best) || !passes(next)) break;
      date = next;
    }
    return date;
  };
  return { from: run(-1, later(opens, today)), to: run(1, closes) };
}
