import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Defs, Line, Pattern, Rect } from 'react-native-svg';

const HEIGHT = 16;
const FILL = ['#D9A21B', '#8FB0DC', '#BFDCD2'] as const;

/** A hatched bar of a probability, 0-1; rank chooses the dye, the hatching says it is an estimate. */
export function ProbabilityBar({
  value,
  rank,
  on = 'sheet',
}: {
  value: number;
  rank: number;
  /** What it lies on: the dark sheet or paper. */
  on?: 'sheet' | 'paper';
}) {
  const [width, setWidth] = useState(0);
  const id = `hatch-${rank}`;
  return (
    <View
      aria-hidden
      className={`h-[16px] flex-1 overflow-hidden rounded ${on === 'sheet' ? 'bg-sheet-line' : 'bg-panel'}`}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
    >
      <Svg width={width} height={HEIGHT}>
        <Defs>
          <Pattern
            id={id}
            width={8}
            height={8}
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(28)"
          >
            <Rect width={8} height={8} fill={FILL[rank] ?? FILL[2]} />
            <Line
              x1={1}
              y1={0}
              x2={1}
              y2={8}
              stroke="#241C15"
              strokeOpacity={0.28}
              strokeWidth={2}
            />
          </Pattern>
        </Defs>
        <Rect width={Math.max(3, value * width)} height={HEIGHT} fill={`url(#${id})`} />
      </Svg>
    </View>
  );
}
