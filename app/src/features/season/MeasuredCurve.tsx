import { Path } from 'react-native-svg';
import { bandPath, curvePath } from './curvePaths';

type Values = readonly (number | null | undefined)[];

/** A curve of a year: measured thick, what is projected dotted with its band. */
export function MeasuredCurve({
  values,
  low,
  high,
  measured,
  last,
  x,
  y,
}: {
  values: Values;
  low: Values;
  high: Values;
  /** Index of the last day that is measured, and of the last that is shown. */
  measured: number;
  last: number;
  x: (index: number) => number;
  y: (value: number) => number;
}) {
  return (
    <>
      <Path d={bandPath(low, high, measured, last, x, y)} fill="var(--cool-tint)" />
      <Path
        d={curvePath(values, measured, last, x, y)}
        fill="none"
        stroke="var(--cool-line)"
        strokeWidth={2.5}
        strokeDasharray="2 5"
        strokeLinecap="round"
      />
      <Path
        d={curvePath(values, 0, measured, x, y)}
        fill="none"
        stroke="var(--cool)"
        strokeWidth={4}
        strokeLinejoin="round"
      />
    </>
  );
}
