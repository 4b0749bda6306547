import { daysBetween, type LocalDate, type Step } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Circle, Line, Rect, Text } from 'react-native-svg';
import { knotDye, longDay, monthName, number } from '@/ui';
import { dayScale, PAD, valueScale } from './curvePaths';
import { MeasuredCurve } from './MeasuredCurve';
import { useDayDrag } from './useDayDrag';
import { YEAR_CURVES, type YearCurve } from './yearCurves';
import type { YearView } from '@/workers/yearView';

const HEIGHT = 190;
const BASE = 160;
/** The finger covers what it points at: the day's figure stands above the curve. */
const HALO = { paintOrder: 'stroke' };
const FACE = 'AtkinsonHyperlegibleNext_400Regular';
const BOLD = 'AtkinsonHyperlegibleNext_700Bold';
/**
 * One curve of the year with its band, and a day that is dragged along it by thumb, mouse or arrow
 * keys. A slider to whoever does not see it.
 */
export function YearChart({
  year,
  curve,
  day,
  steps,
  onDay,
}: {
  year: YearView;
  curve: YearCurve;
  /** Index of the day read. */
  day: number;
  steps: readonly Step[];
  onDay: (day: number) => void;
}) {
  const { t } = useTranslation();
  const [width, setWidth] = useState(0);
  const last = year.days.length - 1;
  const first = year.days[0]!.date;
  const { values, low, high, lines, unit, digits, from, to } = YEAR_CURVES[curve](year);
  const x = dayScale(last, width);
  const y = valueScale(from, to, 22, BASE - 6);
  const measured = year.measuredDays - 1;
  const read = year.days[day]!;
  const value = values[day] ?? null;
  const handlers = useDayDrag({ day, last, pad: PAD, onDay });
  const onRight = x(day) < width * 0.6;
  return (
    <View
      role="slider"
      aria-label={t('year.slider', { curve: t(`year.curve.${curve}`) })}
      aria-valuemin={0}
      aria-valuemax={last}
      aria-valuenow={day}
      aria-valuetext={`${longDay(read.date)}: ${value === null ? '–' : `${number(value, digits)} ${unit}`}`}
      testID="year-chart"
      style={[{ height: HEIGHT }, { touchAction: 'pan-y', cursor: 'ew-resize' } as object]}
      className="w-full select-none"
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      {...handlers}
    >
      {width > 0 ? (
        <Svg width={width} height={HEIGHT}>
          {steps.map(({ id, kind, window }) => {
            const opens = daysBetween(first as LocalDate, window.opens);
            const closes = daysBetween(first as LocalDate, window.closes);
            return opens > last || closes < 0 ? null : (
              <Rect
                key={id}
                x={x(Math.max(0, opens))}
                y={BASE - 4}
                width={Math.max(4, x(Math.min(last, closes)) - x(Math.max(0, opens)))}
                height={8}
                rx={3}
                fill={knotDye[kind]}
                fillOpacity={0.85}
              />
            );
          })}
          {lines.map((line) => (
            <Line
              key={line}
              x1={PAD}
              x2={width - PAD}
              y1={y(line)}
              y2={y(line)}
              stroke="var(--thread)"
              strokeDasharray="4 4"
            />
          ))}
          <MeasuredCurve
            values={values}
            low={low ?? []}
            high={high ?? []}
            measured={measured}
            last={last}
            x={x}
            y={y}
          />
          {lines.map((line) => (
            <Text
              key={line}
              x={width - PAD}
              // The lower of two close lines has its figure below it.
              y={
                y(line) + (lines.some((other) => other > line && y(line) - y(other) < 18) ? 15 : -4)
              }
              textAnchor="end"
              fontSize={14}
              fontFamily={BOLD}
              fill="var(--quiet)"
              stroke="var(--raised)"
              strokeWidth={4}
              {...HALO}
            >
              {`${number(line, digits)}${unit}`}
            </Text>
          ))}
          {[1, 3, 5, 7, 9, 11].map((month) => (
            <Text
              key={month}
              x={x(Math.round(((month - 1) / 12) * last))}
              y={HEIGHT - 8}
              fontSize={14}
              fontFamily={FACE}
              fill="var(--quiet)"
            >
              {monthName(month)}
            </Text>
          ))}
          <Line
            x1={x(measured)}
            x2={x(measured)}
            y1={BASE - 8}
            y2={BASE + 8}
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <Line x1={x(day)} x2={x(day)} y1={4} y2={BASE} stroke="var(--ink)" strokeWidth={2} />
          {value !== null ? (
            <>
              <Circle
                cx={x(day)}
                cy={y(value)}
                r={8}
                fill="var(--raised)"
                stroke="var(--ink)"
                strokeWidth={3}
              />
              <Text
                x={x(day) + (onRight ? 10 : -10)}
                y={16}
                textAnchor={onRight ? 'start' : 'end'}
                fontSize={16}
                fontFamily={BOLD}
                fill="var(--ink)"
                stroke="var(--raised)"
                strokeWidth={5}
                {...HALO}
              >
                {`${number(value, digits)} ${unit}`}
              </Text>
            </>
          ) : null}
        </Svg>
      ) : null}
    </View>
  );
}
