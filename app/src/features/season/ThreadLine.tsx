import type { LocalDate } from '@alfombra/core';
import type { Thread } from '@alfombra/core/planning';
import { G, Line } from 'react-native-svg';
import { knotDye } from '@/ui';
import { KNOT, KNOT_BELOW } from './threadName';

const STROKE = 7;

/** The thread of a need: from its first work to its last, and as long as what was laid holds; fading at its end. */
export function ThreadLine({
  thread: { knots, holds },
  top,
  x,
}: {
  thread: Pick<Thread, 'knots' | 'holds'>;
  top: number;
  x: (day: LocalDate) => number;
}) {
  const middle = top + KNOT_BELOW + KNOT / 2;
  const [first, last] = [knots[0], knots.at(-1)];
  if (!first || !last) return null;
  // What comes back to be looked at takes its dye from the work before it.
  const dye = knotDye[knots.find(({ kind }) => kind !== 'look-again')?.kind ?? first.kind];
  const piece = (from: LocalDate, to: LocalDate, dash?: string) => (
    <Line
      key={`${from}${to}${dash ?? ''}`}
      x1={x(from)}
      x2={x(to)}
      y1={middle}
      y2={middle}
      stroke={dye}
      strokeOpacity={0.5}
      strokeWidth={STROKE}
      {...(dash ? { strokeDasharray: dash } : {})}
    />
  );
  return (
    <G>
      {holds.length > 0
        ? holds.flatMap(({ from, until, fadesTo }) => [
            piece(from, until),
            piece(until, fadesTo, '5 3'),
          ])
        : piece(first.date, last.date)}
    </G>
  );
}
