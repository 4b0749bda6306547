import type { Step } from '../courses/step';
import { applicationsOf } from '../courses/applicationsOf';
import { splitRules } from '../knowledge/programmes';
import type { Shelf } from '../products';
import { residualShare, type Material } from '../rates';
import { addDays, type LocalDate } from '../units';

/** From when until when what was laid keeps off what it is laid against, and when no more than half of it is left. */
export interface Hold {
  from: LocalDate;
  until: LocalDate;
  fadesTo: LocalDate;
}

/** No residual is looked for longer. */
const MOST_WEEKS = 60;

/** Days until a herbicide's residual is worn to a share of it. */
function daysTo(share: number, range: readonly [number, number]): number {
  let week = 0;
  while (week < MOST_WEEKS && residualShare(week + 1, range) > share) week += 1;
  return week * 7;
}

/** What of some materials lasts in the soil or on the plant; `undefined` where nothing does. */
export function holdOf(
  materials: readonly Pick<Material, 'kind' | 'slug'>[],
  from: LocalDate,
  shelf: Shelf,
): Hold | undefined {
  const days = materials.flatMap(({ kind, slug }): [number, number][] => {
    if (kind === 'treatment') {
      const lasts = shelf.treatment(slug)?.residualDays;
      return lasts ? [[lasts, lasts]] : [];
    }
    const range = kind === 'herbicide' ? shelf.herbicide(slug)?.residualWeeks : undefined;
    return range ? [[daysTo(splitRules.holdsAt, range), daysTo(splitRules.overAt, range)]] : [];
  });
  if (days.length === 0) return undefined;
  const longest = (which: 0 | 1) => Math.max(...days.map((pair) => pair[which]));
  return { from, until: addDays(from, longest(0)), fadesTo: addDays(from, longest(1)) };
}

/** What a step lays against what is not there yet; `undefined` for work that does not last. */
export const holdOfStep = (step: Step, shelf: Shelf): Hold | undefined =>
  step.kind === 'prevent' || (step.kind === 'protect' && step.mode === 'preventive')
    ? holdOf(applicationsOf(step)[0]?.materials ?? [], step.window.best, shelf)
    : undefined;
