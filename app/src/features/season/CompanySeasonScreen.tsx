import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useLawns } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { Empty, Failed, KnotGlyph, ListRow, Loading, Screen, shortDay, Tag, Title } from '@/ui';

/** All lawns: what is open by the day it closes, then what comes next. */
export function CompanySeasonScreen() {
  const { t } = useTranslation();
  const router = useRouter();
  const words = useFailureWords();
  const lawns = useLawns();
  const open = (lawns.data ?? [])
    .flatMap((lawn) => lawn.due.map((step) => ({ lawn, step })))
    .sort((a, b) => (a.step.closes < b.step.closes ? -1 : 1));
  const next = (lawns.data ?? [])
    .flatMap((lawn) => (lawn.next ? [{ lawn, next: lawn.next }] : []))
    .sort((a, b) => (a.next.opens < b.next.opens ? -1 : 1));
  return (
    <Screen title={t('season.title')} lead={t('season.company')}>
      {lawns.error && !lawns.data ? (
        <Failed message={words(lawns.error)} onRetry={() => void lawns.refetch()} />
      ) : !lawns.data ? (
        <Loading />
      ) : open.length + next.length === 0 ? (
        <Empty title={t('season.empty')} lead={t('season.emptyLead')} />
      ) : (
        <>
          <Title>{t('today.due')}</Title>
          <View className="gap-3">
            {open.map(({ lawn, step }) => (
              <ListRow
                key={`${lawn.id}-${step.stepId}`}
                title={lawn.name}
                lines={[`${t(`kind.${step.kind}`)} · ${step.zone}`]}
                onPress={() => router.push(`/lawns/${lawn.id}/season`)}
                aside={
                  <View className="flex-row items-center gap-2">
                    <Tag label={t('today.closesSoon', { date: shortDay(step.closes) })} />
                    <KnotGlyph kind={step.kind} />
                  </View>
                }
              />
            ))}
          </View>
          <Title>{t('season.next')}</Title>
          <View className="gap-3">
            {next.map(({ lawn, next: step }) => (
              <ListRow
                key={lawn.id}
                title={lawn.name}
                lines={[t(`kind.${step.kind}`)]}
                onPress={() => router.push(`/lawns/${lawn.id}/season`)}
                aside={
                  <View className="flex-row items-center gap-2">
                    <Tag label={t('season.upcoming', { date: shortDay(step.opens) })} />
                    <KnotGlyph kind={step.kind} />
                  </View>
                }
              />
            ))}
          </View>
        </>
      )}
    </Screen>
  );
}
