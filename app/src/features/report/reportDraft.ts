import {
  addDays,
  areaInterval,
  findingsOf,
  gradeSchema,
  standSeason,
  weed,
  type Lawn,
  type LocalDate,
  type Visit,
} from '@alfombra/core';
import type { TFunction } from 'i18next';
import { v7 as uuid } from 'uuid';
import { z } from 'zod';
import { number } from '@/ui';

export const GRADES = gradeSchema.options;
type Grade = (typeof GRADES)[number];
const LINK_DAYS = 30;
/** Difficulty, 1 to 5, from which a weed is called hard, and only held back. */
const HARD_FROM = 3;
const SUPPRESS_FROM = 5;

interface DraftFinding {
  id: string;
  grade: Grade;
  words: string;
}

/** What was found, a line each, in the customer's language. */
export function autoFindings(
  lawn: Lawn,
  visits: readonly Visit[],
  t: TFunction,
  language: 'en' | 'es',
): DraftFinding[] {
  const line = (key: string, values: object) => t(key, { lng: language, ...values });
  const findings: DraftFinding[] = [];
  const add = (grade: Grade, words: string) => findings.push({ id: uuid(), grade, words });
  const found = findingsOf(visits, lawn);
  for (const zone of lawn.zones) {
    const cover = zone.stand
      .filter(({ species }) => zone.desired.includes(species))
      .reduce((sum, entry) => sum + entry.cover, 0);
    if (cover >= 0.8) {
      add('good', line('share.auto.thick', { zone: zone.name, share: Math.round(cover * 100) }));
    } else if (zone.stand.length > 0) {
      add(
        cover >= 0.5 ? 'easy' : 'hard',
        line('share.auto.thin', { zone: zone.name, share: Math.round(cover * 100) }),
      );
    }
    const finding = found.find(({ zoneId }) => zoneId === zone.id);
    for (const { cause, patchId } of finding?.damages ?? []) {
      if (!cause) continue;
      const patch = lawn.patches.find(({ id }) => id === patchId);
      const values = { zone: zone.name, cause: t(`cause.${cause}`).toLowerCase() };
      add(
        'easy',
        patch
          ? line('share.auto.patchCause', {
              ...values,
              number: patch.number,
              size: line('share.auto.size', {
                length: number(patch.lengthFt, 1),
                width: number(patch.widthFt, 1),
              }),
              shape: line(`share.auto.shape.${patch.shape}`, {}),
              since: line(`share.auto.since.${patch.since}`, {}),
            })
          : line('share.auto.cause', values),
      );
    }
    for (const { weed: slug, growing } of finding?.weeds ?? []) {
      if (!growing) continue;
      const difficulty = weed(slug)?.difficulty ?? HARD_FROM;
      add(
        difficulty >= SUPPRESS_FROM ? 'suppress' : difficulty > HARD_FROM ? 'hard' : 'easy',
        line('share.auto.weed', { zone: zone.name, weed: t(`weed.${slug}`).toLowerCase() }),
      );
    }
  }
  return findings;
}

/** What had to be assumed, so that the customer can put it right. */
export function assumptionsOf(lawn: Lawn, t: TFunction, language: 'en' | 'es'): string[] {
  const line = (key: string, values: object = {}) => t(key, { lng: language, ...values });
  return [
    ...lawn.zones.flatMap((zone) => {
      const assumed = zone.edges.filter((state) => state === 'assumed').length;
      const { low, high } = areaInterval(zone);
      return [
        ...(assumed > 0
          ? [
              line('share.auto.edges', {
                zone: zone.name,
                count: assumed,
                low: number(low),
                high: number(high),
              }),
            ]
          : []),
        ...(zone.site.irrigated === null
          ? [line('share.auto.irrigation', { zone: zone.name })]
          : []),
      ];
    }),
    ...(lawn.property.waters === 'unknown' ? [line('share.auto.waters')] : []),
    ...(lawn.zones.some((zone) => standSeason(zone) === 'warm')
      ? [line('share.auto.dormant')]
      : []),
  ];
}

/** The form of a report; `today` is the first day its link may end on. */
export const reportFormSchema = (today: LocalDate) =>
  z.object({
    language: z.enum(['en', 'es']),
    findings: z.array(
      z.object({
        id: z.string(),
        grade: gradeSchema,
        words: z.string().trim().max(400, 'property.tooLong'),
      }),
    ),
    note: z.string().trim().max(2000, 'property.tooLong'),
    promised: z.string().trim().max(500, 'property.tooLong'),
    expiresOn: z
      .string()
      .refine((day) => day >= today, 'share.badDay')
      .transform((day) => day as LocalDate),
  });
export type ReportDraft = z.input<ReturnType<typeof reportFormSchema>>;

export const reportDraft = ({
  lawn,
  visits,
  visit,
  today,
  language,
  t,
}: {
  lawn: Lawn;
  visits: readonly Visit[];
  visit: Visit | null;
  today: LocalDate;
  language: 'en' | 'es';
  t: TFunction;
}): ReportDraft => ({
  language,
  findings: autoFindings(lawn, visits, t, language),
  note: visit?.note ?? '',
  promised: visit?.promised ?? '',
  expiresOn: addDays(today, LINK_DAYS),
});
