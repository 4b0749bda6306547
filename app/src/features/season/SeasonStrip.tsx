import { daysBetween, localDate } from '@alfombra/core';
import type { Thread } from '@alfombra/core/planning';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { number, shortDay, Words } from '@/ui';
import type { SoilView } from '@/workers/seasonView';
import { PAD } from './curvePaths';
import { JobKnot, type KnotHand } from './JobKnot';
import { SoilCurve } from './SoilCurve';
import { KNOT_BELOW, threadName, threadTop } from './threadName';

/**
 * The year of a lawn: the soil's curve with its band, the lines that weeds and products go by, and each need as a
 * thread under it, from its first work to the day that it holds to.
 * @param hand by which knots are picked and moved; without it the strip is a picture
 */
export function SeasonStrip({
  soil,
  threads,
  hand,
}: {
  soil: SoilView;
  threads: readonly Thread[];
  hand?: KnotHand;
}) {
  const { t } = useTranslation();
  const [width, setWidth] = useState(0);
  const year = soil.today.slice(0, 4);
  const first = localDate(`${year}-01-01`);
  const days = daysBetween(first, localDate(`${year}-12-31`));
  const now = soil.meanF[soil.measuredDays - 1] ?? null;
  const rows = useMemo(
    () => threads.filter(({ knots }) => knots.some(({ date }) => date.slice(0, 4) === year)),
    [threads, year],
  );
  const height = threadTop(rows.length);
  return (
    <View
      role={hand ? 'group' : 'img'}
      aria-label={t('strip.label', {
        now: now === null ? '?' : number(now, 1),
        date: shortDay(soil.today),
      })}
      className="relative w-full"
      style={{ height }}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
    >
      {width > 0 ? <SoilCurve soil={soil} rows={rows} width={width} height={height} /> : null}
      {width > 0
        ? rows.map((row, index) => (
            <View
              key={row.id}
              className="pointer-events-none absolute flex-row"
              style={{ left: PAD, right: PAD, top: threadTop(index) }}
            >
              <Words
                size="note"
                weight="semi"
                tone="second"
                numberOfLines={1}
                className={`pr-1 ${hand ? 'bg-ground' : 'bg-raised'}`}
              >
                {threadName(t, row)}
              </Words>
            </View>
          ))
        : null}
      {width > 0
        ? rows.flatMap((row, index) =>
            row.knots
              .filter(({ date }) => date.slice(0, 4) === year)
              .map((knot) => (
                <JobKnot
                  key={`${row.id} ${knot.id}`}
                  knot={knot}
                  name={threadName(t, row)}
                  top={threadTop(index) + KNOT_BELOW}
                  days={days}
                  width={width}
                  first={first}
                  {...(hand ? { hand } : {})}
                />
              )),
          )
        : null}
    </View>
  );
}
