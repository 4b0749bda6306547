import type { StepKind } from '@alfombra/core';
import Svg, { Circle, Ellipse, Path, Rect } from 'react-native-svg';

/** Dye of a step's knot and of its band on the strip. */
export const knotDye: Record<StepKind, string> = {
  prevent: 'var(--knot-prevent)',
  control: 'var(--knot-control)',
  protect: 'var(--knot-protect)',
  feed: 'var(--knot-feed)',
  seed: 'var(--knot-seed)',
  'look-again': 'var(--knot-look)',
};

/** The knot of a step: shape first, dye second. */
export function KnotGlyph({ kind, size = 28 }: { kind: StepKind; size?: number }) {
  const ink = kind === 'feed' ? '#241C15' : '#FFFFFF';
  return (
    <Svg width={size} height={size} viewBox="0 0 28 28" aria-hidden>
      <Rect x={1} y={1} width={26} height={26} rx={6} fill={knotDye[kind]} />
      {kind === 'prevent' ? (
        <Path d="M8 7h3v14H8zM12.5 7h3v14h-3zM17 7h3v14h-3z" fill={ink} />
      ) : kind === 'control' ? (
        <Path d="M14 6c3.6 4.6 5 7 5 9.6a5 5 0 0 1-10 0C9 13 10.400 10.600 14 6z" fill={ink} />
      ) : kind === 'protect' ? (
        <Path
          d="M14 5.500l8 3v5.500c0 4.500-3.200 7.400-8 9-4.800-1.600-8-4.500-8-9V8.500z"
          fill="none"
          stroke={ink}
          strokeWidth={2.2}
          strokeLinejoin="round"
        />
      ) : kind === 'feed' ? (
        <>
          <Ellipse cx={8.5} cy={18} rx={3.1} ry={1.9} fill={ink} transform="rotate(-40 8.5 18)" />
          <Ellipse cx={14} cy={14} rx={3.1} ry={1.9} fill={ink} transform="rotate(-40 14 14)" />
          <Ellipse cx={19.5} cy={10} rx={3.1} ry={1.9} fill={ink} transform="rotate(-40 19.5 10)" />
        </>
      ) : kind === 'seed' ? (
        <Path
          d="M14 22V13M14 14c-5 .2-6.600-2.800-6.400-6 4.400-.2 6.400 2 6.400 6zm0 2c0-3.600 2-5.600 6.400-5.400.2 3.600-1.900 5.600-6.400 5.400z"
          fill="none"
          stroke={ink}
          strokeWidth={2}
          strokeLinejoin="round"
          strokeLinecap="round"
        />
      ) : (
        <>
          <Path
            d="M5 14c4.500-6.600 13.500-6.600 18 0-4.500 6.600-13.500 6.600-18 0z"
            fill="none"
            stroke={ink}
            strokeWidth={2}
          />
          <Circle cx={14} cy={14} r={3} fill={ink} />
        </>
      )}
    </Svg>
  );
}
