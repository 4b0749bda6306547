import {
  daysBetween,
  needOfWork,
  type Lawn,
  type LocalDate,
  type LookAnswer,
  type Season,
} from '@alfombra/core';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { Button, Card, Failed, fullDay, Title, Words } from '@/ui';
import { needName, zoneOf } from './decisions';
import { reasonWords } from './reasonWords';
import { stepName } from './stepName';

/** Days for which an answer stays in sight; it counts for as long as its need goes on. */
const SHOWN_DAYS = 21;

/** What follows from an answer: the next piece of work, or how the need stands. */
function follows(t: TFunction, season: Season, { needId }: LookAnswer): string {
  const next = season.steps.find(({ serves }) =>
    serves.some((work) => needOfWork(work) === needId),
  );
  if (next) {
    return t('looks.next', { what: stepName(t, next), date: fullDay(next.window.best) });
  }
  const need = season.needs.find(({ id }) => id === needId);
  if (need?.reason) return reasonWords(t, need.reason);
  return t(need?.state === 'met' || !need ? 'looks.met' : 'looks.nothing');
}

/** What was seen at returns of late, each with what follows, to be taken back; nothing where there was none. */
export function SeenCard({
  lawn,
  season,
  zoneIds,
  today,
}: {
  lawn: Lawn;
  season: Season;
  zoneIds: ReadonlySet<string>;
  today: LocalDate;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  const seen = Object.entries(lawn.looks)
    .filter(
      ([, { needId, date }]) =>
        date <= today && daysBetween(date, today) <= SHOWN_DAYS && zoneIds.has(zoneOf(needId)),
    )
    .sort(([, a], [, b]) => (a.date < b.date ? 1 : -1));
  if (seen.length === 0) return null;
  const zoneName = (id: string) => lawn.zones.find((zone) => zone.id === id)?.name ?? '';
  return (
    <Card tone="panel">
      <Title>{t('looks.title')}</Title>
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      {seen.map(([key, look]) => (
        <View key={key} className="flex-row flex-wrap items-center gap-3">
          <View className="min-w-0 flex-1">
            <Words weight="semi">
              {`${needName(t, look.needId)} · ${zoneName(zoneOf(look.needId))}`}
            </Words>
            <Words tone="second">
              {t('looks.answered', {
                seen: t(`looks.seen.${look.seen}`),
                date: fullDay(look.date),
              })}
            </Words>
            <Words>{follows(t, season, look)}</Words>
          </View>
          <Button
            kind="plain"
            label={t('decided.takeBack')}
            onPress={() => {
              const { [key]: _taken, ...looks } = lawn.looks;
              putLawn.mutate({ ...lawn, looks });
            }}
          />
        </View>
      ))}
    </Card>
  );
}
