import { daysBetween, localDate, type LocalDate } from '@alfombra/core';
import type { Risk } from '@alfombra/core/planning';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Line, Rect, Text } from 'react-native-svg';
import { longDay, number } from '@/ui';
import { dayScale, PAD } from './curvePaths';
import { useDayDrag } from './useDayDrag';
import type { YearView } from '@/workers/yearView';

const LANE = 30;
const LANES = ['rain', 'dry', 'risk'] as const;
/** Rain that fills its lane, in. */
const FULL_RAIN_IN = 1.2;
const HALO = { paintOrder: 'stroke' };
const BOLD = 'AtkinsonHyperlegibleNext_700Bold';
const RISK = { low: 0, watch: 0.55, warn: 1 } as const;
const RISK_FILL = { low: 'none', watch: '#D9A62E', warn: '#B9472F' } as const;

/**
 * Rain, the soil's want of water and the risk of the coming days under the season strip, and a day
 * that is dragged along all of it. It lies over the strip, whose width and padding it shares.
 */
export function StripReader({
  year,
  risks,
  day,
  onDay,
}: {
  year: YearView;
  risks: readonly Risk[];
  /** Index of the day read. */
  day: number;
  onDay: (day: number) => void;
}) {
  const { t } = useTranslation();
  const [width, setWidth] = useState(0);
  const first = year.days[0]!.date;
  const last = daysBetween(first, localDate(`${first.slice(0, 4)}-12-31`));
  const handlers = useDayDrag({
    day,
    last: Math.min(last, year.days.length - 1),
    pad: PAD,
    onDay,
  });
  const x = dayScale(last, width);
  const wide = Math.max(1, (width - 2 * PAD) / last);
  const read = year.days[Math.min(day, year.days.length - 1)]!;
  const worst = new Map<string, keyof typeof RISK>();
  for (const risk of risks) {
    for (const { date, class: state } of risk.days) {
      if (RISK[state] > RISK[worst.get(date) ?? 'low']) worst.set(date, state);
    }
  }
  const foot = (lane: (typeof LANES)[number]) => (LANES.indexOf(lane) + 1) * LANE - 3;
  const tall = LANE - 8;
  return (
    <>
      <View
        aria-hidden
        style={{ height: LANES.length * LANE }}
        className="w-full"
        onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      >
        {width > 0 ? (
          <Svg width={width} height={LANES.length * LANE}>
            {LANES.map((lane) => (
              <Line
                key={lane}
                x1={PAD}
                x2={width - PAD}
                y1={foot(lane)}
                y2={foot(lane)}
                stroke="var(--thread)"
              />
            ))}
            {year.days.map(({ date, rainIn, deficitIn, measured }, index) => {
              const rain = Math.min(1, rainIn / FULL_RAIN_IN) * tall;
              const dry = Math.min(1, deficitIn / year.totalIn) * tall;
              const suffers = deficitIn > year.readilyIn;
              const state = worst.get(date);
              return [
                rain > 0.5 ? (
                  <Rect
                    key={`rain-${date}`}
                    x={x(index)}
                    y={foot('rain') - rain}
                    width={wide}
                    height={rain}
                    fill="var(--cool)"
                    fillOpacity={measured ? 1 : 0.45}
                  />
                ) : null,
                dry > 0.5 ? (
                  <Rect
                    key={`dry-${date}`}
                    x={x(index)}
                    y={foot('dry') - dry}
                    width={wide}
                    height={dry}
                    fill={suffers ? '#B9472F' : '#D9A62E'}
                    fillOpacity={measured ? 1 : 0.45}
                  />
                ) : null,
                state ? (
                  <Rect
                    key={`risk-${date}`}
                    x={x(index)}
                    y={foot('risk') - RISK[state] * tall}
                    width={Math.max(2, wide)}
                    height={RISK[state] * tall}
                    fill={RISK_FILL[state]}
                  />
                ) : null,
              ];
            })}
            {LANES.map((lane) => (
              <Text
                key={lane}
                x={width - PAD}
                y={foot(lane) - 6}
                textAnchor="end"
                fontSize={14}
                fontFamily={BOLD}
                fill="var(--quiet)"
                stroke="var(--raised)"
                strokeWidth={4}
                {...HALO}
              >
                {t(`year.lane.${lane}`)}
              </Text>
            ))}
          </Svg>
        ) : null}
      </View>
      <View
        role="slider"
        aria-label={t('year.stripSlider')}
        aria-valuemin={0}
        aria-valuemax={last}
        aria-valuenow={day}
        aria-valuetext={`${longDay(read.date as LocalDate)}: ${read.soilF === null ? '–' : `${number(read.soilF, 0)} °F`}`}
        testID="strip-reader"
        className="absolute inset-0 select-none"
        style={[{ touchAction: 'pan-y', cursor: 'ew-resize' } as object]}
        {...handlers}
      >
        {width > 0 ? (
          <View
            className="absolute bottom-0 top-0 w-[3px] rounded-sm bg-ink"
            style={{ left: x(day) - 1.5 }}
          />
        ) : null}
      </View>
    </>
  );
}
