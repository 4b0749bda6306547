import { handWorkCloses, subjectOfWork, type HandWork, type Lawn } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, fullDay, LinkButton, Title, Words } from '@/ui';

/** Where each piece of work is done in the app; what is lifted out is done on the lawn alone. */
function placeOf({ kind, need, zoneId }: HandWork): { label: string; path: string } | null {
  switch (kind) {
    case 'pull':
      return null;
    case 'measure':
      return { label: 'findOut.toPlan', path: 'plan' };
    case 'sample':
      return { label: 'findOut.toSample', path: 'readings' };
    case 'count':
      return { label: 'findOut.toCount', path: `zone/${zoneId}` };
    case 'name':
      return {
        label: 'findOut.toKey',
        path: subjectOfWork(need) === 'grass' ? `zone/${zoneId}` : 'key',
      };
  }
}

/** What has to be named, counted, measured, sampled or lifted out; nothing where there is none. */
export function FindOutCard({
  lawn,
  work,
  today,
}: {
  lawn: Lawn;
  work: readonly HandWork[];
  today: string;
}) {
  const { t } = useTranslation();
  if (work.length === 0) return null;
  const zoneName = (id: string) => lawn.zones.find((zone) => zone.id === id)?.name ?? '';
  return (
    <Card tone="caution">
      <Title>{t('findOut.title')}</Title>
      {work.map((one) => {
        const { id, need, kind, zoneId, opens } = one;
        const subject = subjectOfWork(need);
        const what = t([`plan.category.${subject}`, `weed.${subject}`], '').toLowerCase();
        const words =
          kind === 'name' && subject === 'grass'
            ? t('findOut.grass')
            : t(`findOut.${kind}`, { what });
        const date = fullDay(handWorkCloses({ opens }));
        const place = placeOf(one);
        return (
          <View key={id} className="flex-row flex-wrap items-center gap-3">
            <View className="min-w-0 flex-1">
              <Words weight="semi">{`${words} · ${zoneName(zoneId)}`}</Words>
              <Words size="note" tone="second">
                {opens > today
                  ? t('findOut.between', { from: fullDay(opens), date })
                  : t('findOut.by', { date })}
              </Words>
            </View>
            {place ? (
              <LinkButton
                kind="plain"
                label={t(place.label)}
                href={`/lawns/${lawn.id}/${place.path}`}
              />
            ) : null}
          </View>
        );
      })}
    </Card>
  );
}
