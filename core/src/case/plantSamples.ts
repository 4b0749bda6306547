import type { VisitBody } from '../contract/visit';

/** Looks that could not tell and whose sample is still out, the oldest first. */
export const samplesOut = <Row extends Pick<VisitBody, 'date' | 'looks'>>(
  visits: readonly Row[],
): { visit: Row; look: number; sentOn: string; to: string }[] =>
  visits
    .flatMap((visit) =>
      visit.looks.flatMap(({ decision }, look) =>
        decision?.kind === 'cannot-tell' && decision.sample
          ? [{ visit, look, ...decision.sample }]
          : [],
      ),
    )
    .sort((a, b) => (a.sentOn < b.sentOn ? -1 : 1));

/** A visit in which the laboratory has answered for one look. */
export const withLaboratoryResult = <Row extends Pick<VisitBody, 'looks'>>(
  visit: Row,
  look: number,
  found: string,
): Row => ({
  ...visit,
  looks: visit.looks.map((entry, index) =>
    index === look
      ? {
          ...entry,
          decision: {
            kind: 'cause' as const,
            cause: found,
            option: null,
            by: 'laboratory' as const,
            lookAgainOn: null,
          },
        }
      : entry,
  ),
});
