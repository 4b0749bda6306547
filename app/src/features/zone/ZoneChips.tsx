import type { Zone } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Chip } from '@/ui';

/** The zones of a lawn, one of them at hand. */
export function ZoneChips({
  zones,
  zoneId,
  onChange,
}: {
  zones: readonly Zone[];
  zoneId: string;
  onChange: (zoneId: string) => void;
}) {
  const { t } = useTranslation();
  return (
    <View className="flex-row flex-wrap gap-2" role="group" aria-label={t('common.zone')}>
      {zones.map(({ id, name }) => (
        <Chip key={id} label={name} chosen={id === zoneId} onPress={() => onChange(id)} />
      ))}
    </View>
  );
}
