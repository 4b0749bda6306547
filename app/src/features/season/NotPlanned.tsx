import type { Lawn, Season } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { namesOfZones } from '@/features/record/zoneNames';
import { Card, Title, Words } from '@/ui';
import { reasonWords } from './reasonWords';

/** What is said of several zones in the same words, once with all of them. */
function alike<Row extends { zoneId: string }>(
  rows: readonly Row[],
  wordsOf: (row: Row) => string,
): [words: string, rows: Row[]][] {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const words = wordsOf(row);
    const group = groups.get(words) ?? [];
    if (!group.some(({ zoneId }) => zoneId === row.zoneId)) groups.set(words, [...group, row]);
  }
  return [...groups];
}

/** What nothing is done about, and what was left out, each with its reason. */
export function NotPlanned({
  lawn,
  unmet,
  leftOut,
}: {
  lawn: Lawn;
  unmet: readonly Season['unmet'][number][];
  leftOut: readonly Season['leftOut'][number][];
}) {
  const { t } = useTranslation();
  return (
    <>
      {unmet.length > 0 ? (
        <Card tone="panel">
          <Title>{t('season.unmet')}</Title>
          {alike(unmet, (entry) =>
            [t([`weed.${entry.weed}`, `cause.${entry.weed}`]), reasonWords(t, entry.reason)].join(
              '\n',
            ),
          ).map(([words, entries]) => {
            const [name, reason] = words.split('\n');
            return (
              <View key={words}>
                <Words weight="semi">{`${name} · ${namesOfZones(lawn, entries)}`}</Words>
                <Words tone="second">{reason}</Words>
              </View>
            );
          })}
        </Card>
      ) : null}
      {leftOut.length > 0 ? (
        <Card tone="panel">
          <Title>{t('season.leftOut')}</Title>
          {alike(leftOut, ({ reason }) => reasonWords(t, reason)).map(([words, entries]) => (
            <Words key={words} tone="second">
              {`${namesOfZones(lawn, entries)}: ${words}`}
            </Words>
          ))}
        </Card>
      ) : null}
    </>
  );
}
