import { handWorkCloses, subjectOfWork, type HandWork, type Lawn } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, fullDay, LinkButton, Title, Words } from '@/ui';

/** What has to be named, counted or lifted out before anything else is planned for it; nothing where there is none. */
export function FindOutCard({ lawn, work }: { lawn: Lawn; work: readonly HandWork[] }) {
  const { t } = useTranslation();
  if (work.length === 0) return null;
  const zoneName = (id: string) => lawn.zones.find((zone) => zone.id === id)?.name ?? '';
  return (
    <Card tone="caution">
      <Title>{t('findOut.title')}</Title>
      {work.map(({ id, need, kind, zoneId, opens }) => {
        const subject = subjectOfWork(need);
        const isGrass = kind === 'name' && subject === 'grass';
        const what = t([`plan.category.${subject}`, `weed.${subject}`]).toLowerCase();
        const words = isGrass
          ? t('findOut.grass')
          : kind === 'count'
            ? t('findOut.count')
            : t(`findOut.${kind}`, { what });
        return (
          <View key={id} className="flex-row flex-wrap items-center gap-3">
            <View className="min-w-0 flex-1">
              <Words weight="semi">{`${words} · ${zoneName(zoneId)}`}</Words>
              <Words size="note" tone="second">
                {t('findOut.by', { date: fullDay(handWorkCloses({ opens })) })}
              </Words>
            </View>
            {kind === 'pull' ? null : (
              <LinkButton
                kind="plain"
                label={t(kind === 'count' ? 'findOut.toCount' : 'findOut.toKey')}
                href={`/lawns/${lawn.id}/${kind === 'name' && !isGrass ? 'key' : `zone/${zoneId}`}`}
              />
            )}
          </View>
        );
      })}
    </Card>
  );
}
