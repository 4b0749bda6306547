import { mainGrass } from '@alfombra/core';
import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useLawns } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { SeasonPending } from '@/features/season/SeasonPending';
import { useLawnSeason } from '@/features/season/useLawnSeason';
import { Chip, Empty, Failed, LinkButton, Loading, Screen, SelectField } from '@/ui';
import { RateRows } from './RateRows';
import { useRateCard } from './useRateCard';

/** Rates of every product on the turf of one zone, from the place that asked. */
export function RateCardScreen({ lawnId, zoneId }: { lawnId: string; zoneId: string | null }) {
  return <Rates key={lawnId} lawnId={lawnId} zoneId={zoneId} back={`/lawns/${lawnId}`} />;
}

/** The same from the mixing place, where a lawn is picked first. */
export function AnyRateCardScreen() {
  const { t } = useTranslation();
  const lawns = useLawns().data ?? [];
  const [picked, setPicked] = useState<string | null>(null);
  const lawnId = picked ?? lawns[0]?.id;
  if (lawnId === undefined) {
    return (
      <Screen title={t('rateCard.openMix')} dye="indigo" back="/mix">
        <Loading />
      </Screen>
    );
  }
  return (
    <Rates
      key={lawnId}
      lawnId={lawnId}
      zoneId={null}
      back="/mix"
      pick={
        <SelectField
          label={t('rateCard.lawn')}
          value={lawnId}
          options={lawns.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setPicked}
        />
      }
    />
  );
}

function Rates({
  lawnId,
  zoneId,
  back,
  pick,
}: {
  lawnId: string;
  zoneId: string | null;
  back: string;
  pick?: ReactNode;
}) {
  const { t } = useTranslation();
  const season = useLawnSeason(lawnId);
  const { question, view, error, retry } = season;
  const zones = question?.lawn.zones ?? [];
  const [picked, setPicked] = useState(zoneId);
  const zone = zones.find(({ id }) => id === picked) ?? zones[0];
  const { data: card, error: failure } = useRateCard(season, zone?.id ?? null);
  const words = useFailureWords();
  const title = t(pick ? 'rateCard.openMix' : 'rateCard.title');
  if (!question || (!view && zones.length > 0)) {
    return <SeasonPending title={title} back={back} error={error} onRetry={retry} />;
  }
  return (
    <Screen
      title={title}
      lead={question.lawn.name}
      subject={pick ? undefined : question.lawn.name}
      dye="indigo"
      back={back}
    >
      {pick}
      {zones.length > 1 ? (
        <View className="flex-row flex-wrap gap-2" role="group" aria-label={t('rateCard.zone')}>
          {zones.map(({ id, name }) => (
            <Chip key={id} label={name} chosen={id === zone?.id} onPress={() => setPicked(id)} />
          ))}
        </View>
      ) : null}
      {!zone ? (
        <Empty title={t('lawn.unmeasured')} lead={t('lawn.unmeasuredLead')} />
      ) : mainGrass(zone) === null ? (
        <>
          <Empty title={t('rateCard.unnamed')} lead={t('rateCard.unnamedLead')} />
          <LinkButton label={t('rateCard.nameIt')} href={`/lawns/${lawnId}/zone/${zone.id}`} wide />
        </>
      ) : card ? (
        <RateRows card={card} zone={zone} />
      ) : failure ? (
        <Failed message={words(failure)} />
      ) : (
        <Loading />
      )}
    </Screen>
  );
}
