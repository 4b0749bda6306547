import { walkRules } from '../knowledge/programmes';
import type { NeedState } from '../needs/need';
import type { Reason } from '../needs/reason';
import type { CourseChoice, SeasonInput } from '../needs/seasonInput';
import { addDays, type LocalDate } from '../units';

/** Where a need stands that somebody chose to leave and look at. */
export interface LeftAlone {
  state: NeedState;
  reason: Reason;
  lookOn: LocalDate | null;
}

/**
 * Leaves a need and looks: gone is met, what is no worse is looked at again.
 * @returns `null` once it was seen to be worse: the choice is open again
 */
export function leftAlone(
  { looks }: Pick<SeasonInput, 'looks'>,
  { needId, on }: CourseChoice,
  subject: string,
): LeftAlone | null {
  const last = looks
    .filter(({ needId: id, date }) => id === needId && date > on)
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .pop();
  if (last?.seen === 'worse') return null;
  if (last?.seen === 'gone') {
    return { state: 'met', reason: { rule: 'left-gone', inputs: { subject } }, lookOn: null };
  }
  const lookOn = addDays(last?.date ?? on, walkRules.leftDays);
  return {
    state: 'waiting',
    reason: { rule: 'left-to-look', inputs: { subject, on: lookOn } },
    lookOn,
  };
}
