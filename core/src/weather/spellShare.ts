import type { PastYear } from './dailyWeather';

/** Days over which a spell of warm or cold weather is measured, and those it takes to fade. */
export const SPELL_DAYS = 30;
export const SPELL_FADES_DAYS = 45;

/**
 * Share of a spell taken to last where nothing is known of the place, and how many years of the
 * place's own weather outweigh it. Fitted to two cities of four years each (vega-datasets).
 */
const PRIOR_SHARE = 0.35;
const PRIOR_YEARS = 6;
/** What is left of the lasting share, on average, over the month after the spell. */
const KEPT = (SPELL_FADES_DAYS / SPELL_DAYS) * (1 - Math.exp(-SPELL_DAYS / SPELL_FADES_DAYS));

/**
 * How much of a month's departure from normal is still there when the weather of the day is
 * forgotten: the slope of the next month's departure on the last one's, over the years that have
 * been, drawn to what is usual where they are few.
 * @param past departures of each year, °F, shape (366) each
 * @returns share of the spell from 0 to 1
 */
export function spellShare(past: readonly PastYear[]): number {
  let together = 0;
  let alone = 0;
  for (const { anomalyF } of past) {
    let before = 0;
    for (let from = 0; from + SPELL_DAYS <= anomalyF.length; from += SPELL_DAYS) {
      let month = 0;
      for (let day = from; day < from + SPELL_DAYS; day += 1) month += anomalyF[day]!;
      month /= SPELL_DAYS;
      together += before * month;
      alone += before * before * KEPT;
      before = month;
    }
  }
  if (alone === 0) return PRIOR_SHARE;
  const weight = PRIOR_YEARS / (PRIOR_YEARS + past.length);
  const own = Math.min(1, Math.max(0, together / alone));
  return weight * PRIOR_SHARE + (1 - weight) * own;
}
