import type { LocalDate } from '../units';
import type { Reason } from './reason';
import type { NotHere } from './seasonInput';

/** Kind, subject and place of a need: the same in every cycle. */
const purposeOf = (needId: string): string => needId.split(':').slice(0, 3).join(':');

/**
 * Why a need is not met here, because somebody said so; `null` where nobody did, or the day has come. Said for good it
 * holds for every cycle, with a day for the one that it names.
 */
export function notHere(
  { decisions, today }: { decisions: readonly NotHere[]; today: LocalDate },
  needId: string,
): Reason | null {
  const said = decisions.find(({ needId: id, until }) =>
    until === undefined ? purposeOf(id) === purposeOf(needId) : id === needId && today <= until,
  );
  if (!said) return null;
  return said.until === undefined
    ? { rule: 'not-here', inputs: {} }
    : { rule: 'not-here-until', inputs: { until: said.until } };
}
