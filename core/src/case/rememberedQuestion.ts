import { seasonRequestSchema, type Policy, type SeasonRequest } from '../needs/seasonInput';
import type { LocalDate } from '../units';
import type { PlannerQuestion } from './lawnQuestion';

const restSchema = seasonRequestSchema.omit({ today: true, policy: true });

/** A question about a lawn but for its day, its weather and its company: small enough to be remembered, plain data. */
export interface RememberedQuestion extends Omit<SeasonRequest, 'today' | 'policy'> {
  readings: PlannerQuestion['readings'];
  records: PlannerQuestion['records'];
  history: [string, string[]][];
}

/** What is remembered of a question. */
export function remembered({
  request: { today: _today, policy: _policy, ...rest },
  readings,
  records,
  history,
}: PlannerQuestion): RememberedQuestion {
  return { ...rest, readings, records, history: [...history] };
}

/** A remembered question as it is put now: an older planner's may lack fields; `null` where it cannot be read. */
export function understood({
  readings,
  records,
  history,
  ...rest
}: RememberedQuestion): RememberedQuestion | null {
  const { success, data } = restSchema.safeParse(rest);
  return success ? { ...data, readings, records, history } : null;
}

/** A remembered question on another day, by the rules of then. */
export const askedOn = (
  { readings, records, history, ...rest }: RememberedQuestion,
  { today, policy }: { today: LocalDate; policy: Policy },
): PlannerQuestion => ({
  request: { ...rest, today, policy },
  readings,
  records,
  history: new Map(history),
});
