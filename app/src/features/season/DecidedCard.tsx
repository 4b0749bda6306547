import type { Lawn, LocalDate, Season, Step } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { Button, Card, Failed, fullDay, Title, Words } from '@/ui';
import { binds, needIdOf, needName, together, without, zoneOf } from './decisions';
import { reasonWords } from './reasonWords';

/** What somebody decided about these zones, each to be taken back; nothing where nobody did. */
export function DecidedCard({
  lawn,
  jobs,
  unheld,
  zoneIds,
  today,
}: {
  lawn: Lawn;
  /** What of the plan stands where it was set is taken back as one, over all its zones. */
  jobs: readonly Pick<Step, 'id' | 'serves'>[];
  /** What of it the plan cannot hold, and why. */
  unheld: Season['unheld'];
  zoneIds: ReadonlySet<string>;
  today: LocalDate;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  const decided = Object.entries(lawn.decisions).filter(
    ([, one]) => binds(one, today) && zoneIds.has(zoneOf(needIdOf(one))),
  );
  if (decided.length === 0) return null;
  const zoneName = (id: string) => lawn.zones.find((zone) => zone.id === id)?.name ?? '';
  return (
    <Card tone="panel">
      <Title>{t('decided.byHand')}</Title>
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      {together(decided, jobs).map((group) => {
        const [key, one] = group[0]!;
        const needIds = [...new Set(group.map(([, each]) => needIdOf(each)))];
        const names = [...new Set(needIds.map((id) => needName(t, id)))].join(', ');
        const zones = [...new Set(needIds.map((id) => zoneName(zoneOf(id))))].join(', ');
        return (
          <View key={key} className="flex-row flex-wrap items-center gap-3">
            <View className="min-w-0 flex-1">
              <Words weight="semi">{`${names} · ${zones}`}</Words>
              <Words tone="second">
                {one.kind === 'pin'
                  ? one.date
                    ? t('decided.pin', { date: fullDay(one.date) })
                    : t('decided.mix')
                  : one.kind === 'course'
                    ? t('decided.course', { way: t(`decided.way.${one.course}`) })
                    : one.until
                      ? t('decided.until', { date: fullDay(one.until) })
                      : t('decided.forGood')}
              </Words>
              {unheld
                .filter(({ needId }) => needIds.includes(needId))
                .map(({ reason }) => (
                  <Words key={reason.rule} size="note" tone="caution">
                    {reasonWords(t, reason)}
                  </Words>
                ))}
            </View>
            <Button
              kind="plain"
              label={t('decided.takeBack')}
              onPress={() =>
                putLawn.mutate({
                  ...lawn,
                  decisions: without(
                    lawn.decisions,
                    group.map(([each]) => each),
                  ),
                })
              }
            />
          </View>
        );
      })}
    </Card>
  );
}
