import { pacesToFeet, type Point } from '@alfombra/core';
import { tapeOutline, tapeProblems, type TapeFigure } from '@alfombra/core/measuring';
import { z } from 'zod';
import { separate, typedNumber, type NumberText } from '@/ui';

export const TAPE_FIELDS = {
  rectangle: ['length', 'width'],
  triangle: ['a', 'b', 'c'],
  trapezoid: ['long', 'short', 'height'],
  circle: ['radius'],
  segment: ['chord', 'depth'],
  offsets: ['step'],
} as const satisfies Record<TapeFigure['kind'], readonly string[]>;
export const TAPE_KINDS = Object.keys(TAPE_FIELDS) as TapeFigure['kind'][];

/** Lengths as they are typed, by name; each figure reads its own. */
export interface TapeDraft {
  kind: TapeFigure['kind'];
  rule: 'trapezoid' | 'simpson';
  text: Record<string, NumberText>;
}

export const emptyTape = (): TapeDraft => ({
  kind: 'rectangle',
  rule: 'trapezoid',
  text: Object.fromEntries(
    [...Object.values(TAPE_FIELDS).flat(), 'offsets'].map((field) => [field, '' as const]),
  ),
});

/** Under which the lengths of a new shape are kept while they are typed. */
export const tapeKey = (lawnId: string, what: 'zone' | 'cutout', way: 'tape' | 'pace'): string =>
  `tape:${lawnId}:${what}:${way}`;

/** A technician's own paces over a known length; `null`: the tape is read. */
export type Pace = { paces: NumberText; feet: NumberText } | null;

/** Whether paces can be turned into feet. */
export const goodPace = (pace: Pace): boolean =>
  pace === null || ((typedNumber(pace.paces) ?? 0) > 0 && (typedNumber(pace.feet) ?? 0) > 0);

/** The figure in feet; a length that cannot be read is NaN. */
export function figureOf(
  { kind, rule, text }: TapeDraft,
  toFeet: (length: number) => number,
  pace: Pace,
): TapeFigure {
  const feet = (value: NumberText | undefined): number => {
    const typed = typedNumber(value ?? '');
    if (typed === null || !goodPace(pace)) return Number.NaN;
    return pace
      ? pacesToFeet(typed, {
          paces: typedNumber(pace.paces) as number,
          feet: typedNumber(pace.feet) as number,
        })
      : toFeet(typed);
  };
  return {
    kind,
    ...Object.fromEntries(TAPE_FIELDS[kind].map((field) => [field, feet(text[field])])),
    ...(kind === 'offsets' ? { rule, offsets: separate(text.offsets ?? '').map(feet) } : {}),
  } as TapeFigure;
}

/** The form of a taped or paced figure: read, it is an outline. */
export const tapeFormSchema = (toFeet: (length: number) => number, pace: Pace) =>
  z.custom<TapeDraft>().transform((draft, context): Point[] => {
    const figure = figureOf(draft, toFeet, pace);
    const problems = tapeProblems(figure);
    for (const { field, problem } of problems) {
      context.addIssue({
        code: 'custom',
        path: ['text', field],
        message: `plan.problem.${problem}`,
      });
    }
    return problems.length > 0 ? z.NEVER : tapeOutline(figure);
  });
