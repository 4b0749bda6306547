import { zoneArea, type Clash } from '@alfombra/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Chip, Empty, Screen, Title, Words } from '@/ui';
import { ClashCard } from './ClashCard';
import { reasonWords } from './reasonWords';
import { SeasonPending } from './SeasonPending';
import { areaDoubt } from './productWords';
import { StepCard } from './StepCard';
import { useLawnSeason } from './useLawnSeason';

/** Clashes that are the same question in several zones, together. */
function sameClashes(clashes: readonly Clash[]): Clash[][] {
  const groups = new Map<string, Clash[]>();
  for (const clash of clashes) {
    const products = clash.prevent.products.map(({ herbicide }) => herbicide).join();
    const key = [clash.prevent.group, clash.seed.species, clash.choice, products].join('|');
    groups.set(key, [...(groups.get(key) ?? []), clash]);
  }
  return [...groups.values()];
}

/** The steps of one lawn's year, with the clashes to settle on top. */
export function LawnSeasonScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const router = useRouter();
  const { question, view, error, retry } = useLawnSeason(lawnId);
  const [picked, setPicked] = useState<string | null | undefined>(undefined);
  const onBack = () => router.push(`/lawns/${lawnId}`);
  if (!question || !view) {
    return (
      <SeasonPending title={t('season.title')} onBack={onBack} error={error} onRetry={retry} />
    );
  }
  const { lawn } = question;
  // The largest zone first: all zones at once is a long page.
  const largest = [...lawn.zones].sort((a, b) => zoneArea(b) - zoneArea(a))[0]!.id;
  const zoneId = picked === undefined ? largest : picked;
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
        <Chip label={t('common.all')} chosen={zoneId === null} onPress={() => setPicked(null)} />
        {lawn.zones.map((zone) => (
          <Chip
            key={zone.id}
            label={zone.name}
            chosen={zone.id === zoneId}
            onPress={() => setPicked(zone.id)}
          />
        ))}
      </View>
      {sameClashes(clashes).map((group) => (
        <ClashCard key={group[0]!.id} clashes={group} lawn={lawn} />
      ))}
      {steps.length === 0 && clashes.length === 0 ? (
        <Empty title={t('season.empty')} lead={t('season.emptyLead')} />
      ) : null}
      {steps.map((step) => (
        <StepCard
          key={step.id}
          step={step}
          lawnId={lawnId}
          zoneName={zoneName(step.zoneId)}
          doubt={areaDoubt(question.lawn.zones.find(({ id }) => id === step.zoneId))}
        />
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
