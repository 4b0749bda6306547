import { View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';

const TALL = 26;
const MIDDLE = TALL / 2;
/** Room at both ends for the knot, % of the width. */
const ENDS = 3;

/** Heat that has gathered, as a thread: spun so far, on to the stitches between which it is time, a knot where it is now. */
export function HeatThread({
  sumFDays,
  windowFDays: [from, to],
}: {
  sumFDays: number;
  windowFDays: readonly [number, number];
}) {
  const at = (value: number) =>
    `${ENDS + (100 - 2 * ENDS) * Math.max(0, Math.min(1, value / to))}%`;
  const piece = (a: number, b: number, stroke: string, width: number, dash?: string) => (
    <Line
      x1={at(a)}
      x2={at(b)}
      y1={MIDDLE}
      y2={MIDDLE}
      stroke={stroke}
      strokeWidth={width}
      {...(dash ? { strokeDasharray: dash } : {})}
    />
  );
  return (
    <View aria-hidden>
      <Svg width="100%" height={TALL}>
        {piece(0, from, 'var(--thread)', 2)}
        {piece(from, to, 'var(--weld)', 4, '5 4')}
        {piece(0, sumFDays, 'var(--weld)', 6)}
        {[from, to].map((edge) => (
          <Line
            key={edge}
            x1={at(edge)}
            x2={at(edge)}
            y1={3}
            y2={TALL - 3}
            stroke="var(--second)"
            strokeWidth={2}
          />
        ))}
        <Circle
          cx={at(sumFDays)}
          cy={MIDDLE}
          r={7}
          fill="var(--raised)"
          stroke="var(--ink)"
          strokeWidth={3}
        />
      </Svg>
    </View>
  );
}
