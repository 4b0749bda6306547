import type { Pin } from '@alfombra/core';
import { Circle, G, Path, Rect } from 'react-native-svg';

const DYE: Record<string, string> = {
  wet: '#22406B',
  dry: '#8A5F00',
  mark: '#45382B',
  warn: '#8E2F22',
};

/** Shape first, dye second: a drop for wet, a crossed drop for dry, a square for a landmark. */
export function PinMark({ kind, x, y }: { kind: Pin['kind']; x: number; y: number }) {
  const group =
    kind.startsWith('wet-') || kind === 'irrigation-head'
      ? 'wet'
      : kind === 'dry-gap'
        ? 'dry'
        : kind === 'pet-door' || kind === 'snow-pile' || kind === 'hazard'
          ? 'warn'
          : 'mark';
  const ink = DYE[group] as string;
  return (
    <G x={x} y={y}>
      <Circle r={14} fill="#FBF8F1" stroke={ink} strokeWidth={2.5} />
      {kind === 'irrigation-head' ? (
        <Path
          d="M0 7V-1M-6-5C-4-1 4-1 6-5M-3-8C-2-5 2-5 3-8"
          stroke={ink}
          strokeWidth={2}
          fill="none"
        />
      ) : group === 'wet' ? (
        <Path d="M0-8C4-3 6 0 6 2.500A6 6 0 0 1-6 2.500C-6 0-4-3 0-8z" fill={ink} />
      ) : group === 'dry' ? (
        <Path
          d="M0-8C4-3 6 0 6 2.500A6 6 0 0 1-6 2.500C-6 0-4-3 0-8zM-8 8L8-8"
          stroke={ink}
          strokeWidth={2}
          fill="none"
        />
      ) : kind === 'pet-door' ? (
        <Path d="M-6 8V-8H4L6-6V8zM2 0v1" stroke={ink} strokeWidth={2} fill="none" />
      ) : kind === 'snow-pile' ? (
        <Path d="M-8 6L-3-3 0 1 3-5 8 6z" fill={ink} />
      ) : kind === 'hazard' ? (
        <Path d="M0-7V2M0 6v1" stroke={ink} strokeWidth={3.5} strokeLinecap="round" />
      ) : kind === 'tree' ? (
        <Path d="M0 8V2M0 2C-7 2-7-8 0-8S7 2 0 2z" stroke={ink} strokeWidth={2} fill="none" />
      ) : kind === 'rock' ? (
        <Path d="M-7 5L-4-4 2-6 7 1 5 6z" fill={ink} />
      ) : (
        <Rect x={-6} y={-6} width={12} height={12} fill={ink} />
      )}
    </G>
  );
}
