import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useFailureWords } from '@/api/useFailureWords';
import { Card, Chip, Empty, Failed, Loading, Screen, Title, Words } from '@/ui';
import { ClashCard } from './ClashCard';
import { reasonWords } from './reasonWords';
import { StepCard } from './StepCard';
import { useLawnSeason } from './useLawnSeason';

/** The steps of one lawn's year, with the clashes to settle on top. */
export function LawnSeasonScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const router = useRouter();
  const words = useFailureWords();
  const { question, view, error, retry } = useLawnSeason(lawnId);
  const [zoneId, setZoneId] = useState<string | null>(null);
  const onBack = () => router.push(`/lawns/${lawnId}`);
  if (!question || !view) {
    return (
      <Screen title={t('season.title')} onBack={onBack}>
        {error ? (
          <Failed message={words(error)} onRetry={retry} />
        ) : (
          <Loading what={t('season.working')} />
        )}
      </Screen>
    );
  }
  const { lawn } = question;
  const inZone = <Row extends { zoneId: string }>(rows: readonly Row[]) =>
    zoneId === null ? rows : rows.filter((row) => row.zoneId === zoneId);
  const zoneName = (id: string) => lawn.zones.find((zone) => zone.id === id)?.name ?? '';
  const steps = inZone(view.season.steps);
  const clashes = inZone(view.season.clashes);
  const leftOut = inZone(view.season.leftOut);
  const unmet = inZone(view.season.unmet);
  return (
    <Screen title={t('season.lawnTitle', { name: lawn.name })} onBack={onBack}>
      <View className="flex-row flex-wrap gap-2">
        <Chip label={t('common.all')} chosen={zoneId === null} onPress={() => setZoneId(null)} />
        {lawn.zones.map((zone) => (
          <Chip
            key={zone.id}
            label={zone.name}
            chosen={zone.id === zoneId}
            onPress={() => setZoneId(zone.id)}
          />
        ))}
      </View>
      {clashes.map((clash) => (
        <ClashCard key={clash.id} clash={clash} lawn={lawn} />
      ))}
      {steps.length === 0 && clashes.length === 0 ? (
        <Empty title={t('season.empty')} lead={t('season.emptyLead')} />
      ) : null}
      {steps.map((step) => (
        <StepCard key={step.id} step={step} lawnId={lawnId} zoneName={zoneName(step.zoneId)} />
      ))}
      {unmet.length > 0 ? (
        <Card tone="panel">
          <Title>{t('season.unmet')}</Title>
          {unmet.map((entry) => (
            <View key={`${entry.zoneId}-${entry.weed}-${entry.reason.rule}`}>
              <Words weight="semi">{`${t(`weed.${entry.weed}`)} · ${zoneName(entry.zoneId)}`}</Words>
              <Words tone="second">{reasonWords(t, entry.reason)}</Words>
            </View>
          ))}
        </Card>
      ) : null}
      {leftOut.length > 0 ? (
        <Card tone="panel">
          <Title>{t('season.leftOut')}</Title>
          {leftOut.map((entry, index) => (
            <Words key={`${entry.zoneId}-${entry.reason.rule}-${index}`} tone="second">
              {`${zoneName(entry.zoneId)}: ${reasonWords(t, entry.reason)}`}
            </Words>
          ))}
        </Card>
      ) : null}
    </Screen>
  );
}
