import { sideName, type QuestionSubject, type Zone } from '@alfombra/core';
import type { TFunction } from 'i18next';

/** A question as it is put to the customer. */
export function questionWords(
  t: TFunction,
  subject: QuestionSubject,
  zones: readonly Pick<Zone, 'id' | 'name' | 'outline'>[],
): string {
  const zone = 'zoneId' in subject ? zones.find(({ id }) => id === subject.zoneId) : undefined;
  return t(`report.question.${subject.kind}`, {
    zone: zone?.name ?? '',
    side: subject.kind === 'edge' ? sideName(subject.edge, zone?.outline.length ?? 4) : '',
    text: subject.kind === 'other' ? subject.text : '',
  });
}
