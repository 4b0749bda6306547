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

/**
 * Causes by zone that were found, or prevented, here in this year and the three before: what the season keeps from
 * coming back without being asked, whatever was done against it this time.
 */
export const historyByZone = (
  zones: readonly { id: string }[],
  records: readonly Application[],
  earlier: readonly { zoneId: string; cause: string; on: LocalDate }[],
  today: LocalDate,
): Map<string, string[]> => {
  const recent = (on: LocalDate) => on <= today && yearOf(today) - yearOf(on) <= HISTORY_YEARS;
  const found = earlier.filter(({ on }) => recent(on));
  return new Map(
    zones.map(({ id }) => {
      const prevented = records
        .filter(({ zoneId, date }) => zoneId === id && recent(localDate(date)))
        .flatMap(({ materials, targets = [] }) =>
          materials.flatMap(({ kind, slug }) => {
            const product = kind === 'treatment' ? LIBRARY.treatment(slug) : undefined;
            if (!product || product.preventive === 0) return [];
            const meant = product.targets.filter((cause) => targets.includes(cause));
            // Where nobody said what for, it was for what the product is usually bought for.
            return meant.length > 0 ? meant : product.targets.slice(0, 1);
          }),
        );
      return [
        id,
        [
          ...new Set([
            ...found.filter(({ zoneId }) => zoneId === id).map(({ cause }) => cause),
            ...prevented,
          ]),
        ].filter((cause) => {
          const group = causeOf(cause)?.group;
          return group === 'insect' || group === 'disease';
        }),
      ];
    }),
  );
};

/** Causes that visits confirmed, with their zone and day. */
export const decidedIn = (
  visits: readonly { date: LocalDate; looks: readonly Look[] }[],
): { zoneId: string; cause: string; on: LocalDate }[] =>
  visits.flatMap(({ date, looks }) =>
    looks.flatMap(({ zoneId, decision }) =>
      decision && decision.kind !== 'cannot-tell' && decision.cause
        ? [{ zoneId, cause: decision.cause, on: date }]
        : [],
    ),
  );
