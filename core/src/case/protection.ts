import { cause as causeOf } from '../knowledge';
import { LIBRARY } from '../products';
import { addDays, daysBetween, localDate, yearOf, type LocalDate } from '../units';
import type { Application } from '../rates';
import type { Look } from '../contract/visit';

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
        const product =
          material.kind === 'treatment' ? LIBRARY.treatment(material.slug) : undefined;
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

/** Causes by zone that have lapsed: what the season prevents without being asked. */
export const lapsedByZone = (
  zones: readonly { id: string }[],
  records: readonly Application[],
  earlier: readonly { cause: string; on: LocalDate }[],
  today: LocalDate,
): Map<string, string[]> =>
  new Map(
    zones.map(({ id }) => [
      id,
      Object.entries(protectionOf(id, records, earlier, today)).flatMap(([slug, state]) =>
        state === 'lapsed' ? [slug] : [],
      ),
    ]),
  );

/** Causes that visits confirmed, with their day. */
export const decidedIn = (
  visits: readonly { date: LocalDate; looks: readonly Look[] }[],
): { cause: string; on: LocalDate }[] =>
  visits.flatMap(({ date, looks }) =>
    looks.flatMap(({ decision }) =>
      decision && decision.kind !== 'cannot-tell' && decision.cause
        ? [{ cause: decision.cause, on: date }]
        : [],
    ),
  );
