import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useCompany, useLawn } from '@/api/queries';
import { ZoneChips } from '@/features/zone/ZoneChips';
import { Loading, Screen, Words } from '@/ui';
import { PhCard } from './PhCard';
import { SamplesCard } from './SamplesCard';
import { TemperatureCard } from './TemperatureCard';

/** Soil temperature, pH spots and soil samples of a lawn. */
export function ReadingsScreen({ lawnId }: { lawnId: string }) {
  const { t } = useTranslation();
  const lawn = useLawn(lawnId).data;
  const company = useCompany(lawn?.property.timeZone).data;
  const [zoneId, setZoneId] = useState<string | null>(null);
  const back = `/lawns/${lawnId}/visit`;
  const zone = lawn?.zones.find(({ id }) => id === zoneId) ?? lawn?.zones[0];
  if (!lawn || !company || !zone) {
    return (
      <Screen title={t('readings.title')} back={back}>
        {lawn && company ? <Words>{t('plan.zoneFirst')}</Words> : <Loading />}
      </Screen>
    );
  }
  return (
    <Screen title={t('readings.title')} lead={lawn.name} subject={lawn.name} back={back}>
      <ZoneChips zones={lawn.zones} zoneId={zone.id} onChange={setZoneId} />
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="gap-4 lg:flex-1">
          <TemperatureCard key={zone.id} lawn={lawn} zone={zone} today={company.today} />
          <PhCard key={`ph-${zone.id}`} lawn={lawn} zone={zone} today={company.today} />
        </View>
        <View className="gap-4 lg:flex-1">
          <SamplesCard key={`bags-${zone.id}`} lawn={lawn} zoneId={zone.id} today={company.today} />
        </View>
      </View>
    </Screen>
  );
}
