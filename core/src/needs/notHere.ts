import type { LocalDate } from '../units';
import type { Reason } from './reason';
import type { Decided, NotHere } from './seasonInput';

/** Kind, subject and place of a need: the same in every cycle. */
export const purposeOf = (needId: string): string => needId.split(':').slice(0, 3).join(':');

/**
 * Why a need is not met here, because somebody said so; `null` where nobody did, or the day has come. Said for good it
 * holds for every cycle and outranks a day; with a day it holds for the one that it names, and the latest day counts.
 */
export function notHere(
  { decisions, today }: { decisions: readonly Decided[]; today: LocalDate },
  needId: string,
): Reason | null {
  const said = decisions.filter((one): one is NotHere => one.kind === 'not-here');
  if (said.some((one) => !one.until && purposeOf(one.needId) === purposeOf(needId))) {
    return { rule: 'not-here', inputs: {} };
  }
  const until = said
    .flatMap((one) => (one.needId === needId && one.until ? [one.until] : []))
    .sort()
    .pop();
  return until && today <= until ? { rule: 'not-here-until', inputs: { until } } : null;
}
