import { cause as causeOf, treatment } from '../knowledge';
import { addDays, daysBetween, localDate, yearOf, type LocalDate } from '../units';
import type { Application } from '../rates';

/** What was done here against a cause: it still holds, or it was needed before and is missing. */
export type Protection = 'covered' | 'lapsed';

/** A year and some weeks: prevention comes round with the season, not to the day. */
const LAPSED_AFTER_DAYS = 330;
const HISTORY_YEARS = 3;

/**
 * Causes of a zone with prevention that still holds, and causes that were found or prevented here in
 * the last three years and have had none since the last season.
 * @param earlier causes that were confirmed on the lawn, with their day
 */
export function protectionOf(
  zoneId: string,
  records: readonly Application[],
  earlier: readonly { cause: string; on: LocalDate }[],
  today: LocalDate,
): Record<string, Protection> {
  const uses = records
    .filter((record) => record.zoneId === zoneId && record.date <= today)
    .flatMap((record) =>
      record.materials.flatMap((material) => {
        const product = material.kind === 'treatment' ? treatment(material.slug) : undefined;
        return product && product.preventive > 0
          ? product.targets.map((target) => ({
              target,
              on: localDate(record.date),
              until: addDays(localDate(record.date), product.residualDays ?? 0),
            }))
          : [];
      }),
    );
  const protection: Record<string, Protection> = {};
  const recent = (on: LocalDate) =>
    yearOf(today) - yearOf(on) <= HISTORY_YEARS && yearOf(on) < yearOf(today);
  for (const { cause, on } of earlier) {
    const group = causeOf(cause)?.group;
    if (recent(on) && (group === 'insect' || group === 'disease')) protection[cause] = 'lapsed';
  }
  for (const { target, on } of uses) if (recent(on)) protection[target] = 'lapsed';
  for (const { target, on, until } of uses) {
    if (until >= today) protection[target] = 'covered';
    else if (daysBetween(on, today) < LAPSED_AFTER_DAYS && protection[target] === 'lapsed') {
      delete protection[target];
    }
  }
  return protection;
}
