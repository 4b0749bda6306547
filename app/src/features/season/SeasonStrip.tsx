import { daysBetween, localDate, stripThresholds, type Step } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { knotDye, monthName, number, shortDay } from '@/ui';
import type { SoilView } from '@/workers/seasonView';
import { bandPath, curvePath, dayScale, PAD, valueScale } from './curvePaths';
import { stepName } from './stepName';

const CURVE_HEIGHT = 150;
const ROW_HEIGHT = 34;
/** Width of a bold letter of 14 px, about. */
const LETTER = 7.8;
/** Days either side over which the projected curve is drawn smooth. */
const SMOOTH_DAYS = 8;
/** The halo lies under the letters, so that lines behind do not cut them. */
const HALO = { paintOrder: 'stroke' };
const FACE = 'AtkinsonHyperlegibleNext_400Regular';
const BOLD = 'AtkinsonHyperlegibleNext_700Bold';

/**
 * The year of a lawn: the soil's curve with its band, the lines that weeds and products go by, and
 * the steps hanging from the day that opens them.
 */
export function SeasonStrip({ soil, steps }: { soil: SoilView; steps: readonly Step[] }) {
  const { t } = useTranslation();
  const [width, setWidth] = useState(0);
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
  const rows = steps.filter(({ window }) => window.opens.slice(0, 4) === year);
  const height = CURVE_HEIGHT + 22 + rows.length * ROW_HEIGHT;
  return (
    <View
      role="img"
      aria-label={t('strip.label', {
        now: now === null ? '?' : number(now, 1),
        date: shortDay(soil.today),
      })}
      className="w-full"
      style={{ height }}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
    >
      {width > 0 ? (
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
          <Path d={bandPath(lower, upper, measured, end, xi, y)} fill="var(--cool-tint)" />
          <Path
            d={curvePath(middle, measured, end, xi, y)}
            fill="none"
            stroke="var(--cool-line)"
            strokeWidth={2.5}
            strokeDasharray="2 5"
            strokeLinecap="round"
          />
          <Path
            d={curvePath(middle, 0, measured, xi, y)}
            fill="none"
            stroke="var(--cool)"
            strokeWidth={4}
            strokeLinejoin="round"
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
          {rows.map((step, index) => {
            const top = CURVE_HEIGHT + 24 + index * ROW_HEIGHT;
            const left = x(step.window.opens);
            const wide = Math.max(12, x(step.window.closes) - left);
            const name = stepName(t, step);
            const long = name.length * LETTER;
            const side =
              left + wide + 6 + long < width
                ? { x: left + wide + 6, anchor: 'start' as const }
                : left - 6 - long > 0
                  ? { x: left - 6, anchor: 'end' as const }
                  : { x: width - 2, anchor: 'end' as const };
            const hangs = step.window.basis.kind === 'soil';
            const index0 = daysBetween(soil.start, step.window.opens);
            const from = hangs ? middle[index0] : null;
            return (
              <G key={step.id}>
                {from !== null && from !== undefined ? (
                  <Line
                    x1={left}
                    x2={left}
                    y1={y(from)}
                    y2={top}
                    stroke={knotDye[step.kind]}
                    strokeOpacity={0.45}
                    strokeWidth={1.5}
                  />
                ) : null}
                <Rect x={left} y={top} width={wide} height={24} rx={5} fill={knotDye[step.kind]} />
                <Text
                  x={side.x}
                  y={top + 17}
                  textAnchor={side.anchor}
                  fontSize={14}
                  fontFamily={BOLD}
                  fill="var(--ink)"
                  stroke="var(--raised)"
                  strokeWidth={4}
                  strokeLinejoin="round"
                  {...HALO}
                >
                  {name}
                </Text>
              </G>
            );
          })}
        </Svg>
      ) : null}
    </View>
  );
}
