import type { Point } from '@alfombra/core';
import type { Plan } from '@/state/planStore';

/** Kinds of marks that can be moved on the plan. */
export type MarkKind = 'pin' | 'line' | 'patch';

/** A place of a mark that a finger can take hold of; `point` counts along a line. */
export interface MarkGrip {
  kind: MarkKind;
  id: string;
  point: number;
  at: Point;
}

type Marks = Pick<Plan, 'pins' | 'lines' | 'weedPatches'>;

/** Every place of the marks of some kinds that can be taken hold of. */
export function markGrips(marks: Marks, kinds: readonly MarkKind[]): MarkGrip[] {
  return [
    ...(kinds.includes('pin')
      ? marks.pins.map(({ id, at }): MarkGrip => ({ kind: 'pin', id, point: 0, at }))
      : []),
    ...(kinds.includes('line')
      ? marks.lines.flatMap(({ id, points }) =>
          points.map((at, point): MarkGrip => ({ kind: 'line', id, point, at })),
        )
      : []),
    ...(kinds.includes('patch')
      ? marks.weedPatches.map(({ id, centre }): MarkGrip => ({
          kind: 'patch',
          id,
          point: 0,
          at: centre,
        }))
      : []),
  ];
}

/** The marks with one grip moved to a place; the same lists where nothing moved. */
export function moveMark(marks: Marks, { kind, id, point, at }: MarkGrip): Marks {
  const replace = <Mark extends { id: string }>(
    list: readonly Mark[],
    moved: (mark: Mark) => Mark,
  ) => list.map((mark) => (mark.id === id ? moved(mark) : mark));
  return {
    pins: kind === 'pin' ? replace(marks.pins, (pin) => ({ ...pin, at })) : marks.pins,
    lines:
      kind === 'line'
        ? replace(marks.lines, (line) => ({
            ...line,
            points: line.points.map((place, index) => (index === point ? at : place)),
          }))
        : marks.lines,
    weedPatches:
      kind === 'patch'
        ? replace(marks.weedPatches, (patch) => ({ ...patch, centre: at }))
        : marks.weedPatches,
  };
}
