import { cause as causeOf, HOST_SLUGS, sign } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { SignPictogram } from '@/features/walk/SignPictogram';
import { Card, Empty, monthName, number, Screen, Tag, Title, Words } from '@/ui';

/** Signs shown: those that lift the odds most. */
const SIGNS_SHOWN = 12;

/** One cause: when and where it shows, on which grass, and the signs that tell it. */
export function CauseScreen({ slug }: { slug: string }) {
  const { t } = useTranslation();
  const entry = causeOf(slug);
  const back = '/guide';
  if (!entry) {
    return (
      <Screen title={t('guide.title')} back={back}>
        <Empty title={t('guide.none', { query: slug })} />
      </Screen>
    );
  }
  const telling = Object.entries(entry.signs)
    .map(([key, p]) => ({ key, p, base: sign(key)?.base ?? 1 }))
    .sort((a, b) => b.p / b.base - a.p / a.base)
    .slice(0, SIGNS_SHOWN);
  const hosts = HOST_SLUGS.filter((host) => entry.host[host] >= 2);
  return (
    <Screen title={t(`cause.${slug}`)} lead={t(`guide.group.${entry.group}`)} back={back}>
      <Card>
        <Words weight="bold">{`${t('guide.asks')}: ${t(`action.${entry.action}`)}`}</Words>
        <Words>{`${t('guide.severity')}: ${t(`guide.severities.${entry.severity}`)}`}</Words>
        <Words>{`${t('guide.soil')}: ${entry.soilF[0]}–${entry.soilF[1]} °F`}</Words>
        <View className="gap-0.5">
          <Words weight="semi">{t('guide.months')}</Words>
          {(['north', 'transition', 'south'] as const).map((region) => {
            const months = entry.months[region];
            return (
              <Words key={region} tone="second">
                {`${t(`lawns.region.${region}`)}: ${months ? `${monthName(months[0])} – ${monthName(months[1])}` : t('guide.notHere')}`}
              </Words>
            );
          })}
        </View>
        <View className="gap-2">
          <Words weight="semi">{t('guide.hosts')}</Words>
          <View className="flex-row flex-wrap gap-2">
            {hosts.map((host) => (
              <Tag key={host} label={t(`grass.${host}`)} tone="good" />
            ))}
          </View>
        </View>
      </Card>
      <Card>
        <Title>{t('guide.signs')}</Title>
        {telling.map(({ key, p, base }) => (
          <View key={key} className="flex-row items-center gap-3">
            <SignPictogram slug={key} size={40} />
            <View className="min-w-0 flex-1">
              <Words weight="semi">{t(`sign.${key}.label`)}</Words>
              <Words size="note" tone="second">
                {t('guide.signRow', { p: number(p * 100), base: number(base * 100) })}
              </Words>
            </View>
          </View>
        ))}
        <Words size="note" tone="quiet">
          {t('guide.source')}
        </Words>
      </Card>
    </Screen>
  );
}
