import { daysBetween, localDate, stripThresholds } from '@alfombra/core';
import type { Thread } from '@alfombra/core/planning';
import { memo } from 'react';
import Svg, { Circle, G, Line, Text } from 'react-native-svg';
import { monthName } from '@/ui';
import type { SoilView } from '@/workers/seasonView';
import { dayScale, PAD, valueScale } from './curvePaths';
import { MeasuredCurve } from './MeasuredCurve';
import { ThreadLine } from './ThreadLine';
import { CURVE_HEIGHT, threadTop } from './threadName';

/** Days either side over which the projected curve is drawn smooth. */
const SMOOTH_DAYS = 8;
/** The halo lies under the letters, so that lines behind do not cut them. */
const HALO = { paintOrder: 'stroke' };
const FACE = 'AtkinsonHyperlegibleNext_400Regular';
const BOLD = 'AtkinsonHyperlegibleNext_700Bold';

/** The soil of a year with its band, the lines that are gone by, today, and the threads; drawn once for all moves of a knot. */
export const SoilCurve = memo(function SoilCurve({
  soil,
  rows,
  width,
  height,
}: {
  soil: SoilView;
  rows: readonly Thread[];
  width: number;
  height: number;
}) {
  const year = soil.today.slice(0, 4);
  const first = localDate(`${year}-01-01`);
  const days = daysBetween(first, localDate(`${year}-12-31`));
  const place = dayScale(days, width);
  const x = (day: string) => place(daysBetween(first, localDate(day)));
  const skipped = daysBetween(first, soil.start);
  const xi = (index: number) => place(index + skipped);

  const shown = soil.meanF.slice(0, days + 1 - skipped);
  const known = [
    ...shown,
    ...soil.lowF.slice(0, shown.length),
    ...soil.highF.slice(0, shown.length),
  ].filter((value): value is number => value !== null);
  const low = Math.min(30, ...known) - 2;
  const high = Math.max(80, ...known) + 2;
  const y = valueScale(low, high, 8, CURVE_HEIGHT - 8);

  // The middle of forty simulated years still wobbles from day to day; the eye wants the season.
  const smooth = (values: readonly (number | null)[]) =>
    values.map((value, index) => {
      const reach = Math.min(SMOOTH_DAYS, index - soil.measuredDays, values.length - 1 - index);
      if (value === null || reach <= 0) return value;
      const around = values.slice(index - reach, index + reach + 1);
      return around.reduce<number>((sum, v) => sum + (v ?? value), 0) / around.length;
    });
  const middle = smooth(shown);
  const upper = smooth(soil.highF.slice(0, shown.length));
  const lower = smooth(soil.lowF.slice(0, shown.length));

  const measured = soil.measuredDays - 1;
  const end = shown.length - 1;
  const now = soil.meanF[soil.measuredDays - 1] ?? null;
  return (
    <Svg width={width} height={height}>
      {stripThresholds.map(({ slug, valueF }) => (
        <G key={slug}>
          <Line
            x1={PAD}
            x2={width - PAD}
            y1={y(valueF)}
            y2={y(valueF)}
            stroke="var(--thread)"
            strokeDasharray="4 4"
          />
        </G>
      ))}
      <MeasuredCurve
        values={middle}
        low={lower}
        high={upper}
        measured={measured}
        last={end}
        x={xi}
        y={y}
      />
      {stripThresholds.map(({ slug, valueF }, index) => (
        <Text
          key={slug}
          x={width - PAD}
          y={y(valueF) + (index === 0 ? 15 : -4)}
          textAnchor="end"
          fontSize={14}
          fontFamily={BOLD}
          fill="var(--quiet)"
          stroke="var(--raised)"
          strokeWidth={4}
          strokeLinejoin="round"
          {...HALO}
        >
          {`${valueF}°`}
        </Text>
      ))}
      {[1, 3, 5, 7, 9, 11].map((month) => (
        <Text
          key={month}
          x={x(`${year}-${String(month).padStart(2, '0')}-01`)}
          y={CURVE_HEIGHT + 14}
          fontSize={14}
          fontFamily={FACE}
          fill="var(--quiet)"
        >
          {monthName(month)}
        </Text>
      ))}
      <Line
        x1={x(soil.today)}
        x2={x(soil.today)}
        y1={0}
        y2={height}
        stroke="var(--ink)"
        strokeWidth={2}
      />
      {now !== null ? (
        <Circle
          cx={x(soil.today)}
          cy={y(now)}
          r={6}
          fill="var(--raised)"
          stroke="var(--cool)"
          strokeWidth={3}
        />
      ) : null}
      {rows.map((row, index) => (
        <ThreadLine key={row.id} thread={row} top={threadTop(index)} x={x} />
      ))}
    </Svg>
  );
});
