import type { LookAnswer } from '@alfombra/core';
import Svg, { G, Path, Rect } from 'react-native-svg';

/** Plants in the picture of each answer. */
const PLANTS: Record<LookAnswer['seen'], number> = { gone: 0, fewer: 1, same: 3, worse: 6 };
const PLACES = [
  [44, 19],
  [16, 12],
  [72, 12],
  [25, 29],
  [60, 30],
  [78, 29],
] as const;

/** A strip of turf with as many weeds as an answer means: none, one of three, the same three, twice as many. */
export function SeenPicture({ seen }: { seen: LookAnswer['seen'] }) {
  return (
    <Svg width={88} height={40} viewBox="0 0 88 40" aria-hidden>
      <Rect x={0.5} y={0.5} width={87} height={39} rx={4} fill="#2F7F6D" />
      {[-8, 12, 32, 52, 72].map((x) => (
        <Path key={x} d={`M${x} 40L${x + 21} 0h10L${x + 10} 40z`} fill="#1F5B4E" opacity={0.45} />
      ))}
      {PLACES.slice(0, PLANTS[seen]).map(([x, y]) => (
        <G key={x} transform={`translate(${x} ${y})`}>
          <Path
            d="M0 0C-9-4-9-8-3-7 0-6 0-2 0 0M0 0C9-4 9-8 3-7 0-6 0-2 0 0M0 0C-9 4-9 8-3 7 0 6 0 2 0 0M0 0C9 4 9 8 3 7 0 6 0 2 0 0"
            fill="#F6E4B4"
            stroke="#241C15"
            strokeWidth={1.2}
          />
        </G>
      ))}
    </Svg>
  );
}
