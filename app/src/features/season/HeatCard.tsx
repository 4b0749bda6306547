import {
  daysBetween,
  heatAhead,
  type Lawn,
  type LocalDate,
  type WeatherBundle,
} from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, number, shortDay, Title, Words } from '@/ui';

/** "Jul 10–12, Jul 15": days as runs. */
function runsOf(days: readonly LocalDate[]): string {
  const runs: LocalDate[][] = [];
  for (const day of days) {
    const run = runs.at(-1);
    if (run && daysBetween(run.at(-1)!, day) === 1) run.push(day);
    else runs.push([day]);
  }
  return runs
    .map((run) =>
      run.length === 1 ? shortDay(run[0]!) : `${shortDay(run[0]!)} – ${shortDay(run.at(-1)!)}`,
    )
    .join(', ');
}

/** What the heat of the days ahead holds, and why; nothing while it is mild. */
export function HeatCard({
  lawn,
  weather,
}: {
  lawn: Pick<Lawn, 'zones'>;
  weather: Pick<WeatherBundle, 'days' | 'forecast'>;
}) {
  const { t } = useTranslation();
  const held = heatAhead(lawn.zones, [...weather.days.slice(-1), ...weather.forecast]);
  if (held.length === 0) return null;
  return (
    <Card tone="caution" testID="heat-ahead">
      <Title>
        {t('heatAhead.title', { high: number(Math.max(...held.map(({ highF }) => highF))) })}
      </Title>
      {held.map(({ hold, lineF, days }) => (
        <View key={hold}>
          <Words weight="semi">{t(`heatAhead.${hold}`, { line: lineF })}</Words>
          <Words size="note" tone="second">
            {runsOf(days)}
          </Words>
        </View>
      ))}
    </Card>
  );
}
