import type { Lawn } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Chip, number, Words } from '@/ui';

/** The zones of a job, each with its ground, to be left out or taken in again; nothing where it has one. */
export function ZonesCard({
  lawn,
  lines,
  without,
  onChange,
}: {
  lawn: Pick<Lawn, 'zones'>;
  lines: readonly { zoneId: string; areaFt2: number }[];
  without: readonly string[];
  onChange: (without: string[]) => void;
}) {
  const { t } = useTranslation();
  if (lines.length < 2) return null;
  const inside = lines.filter(({ zoneId }) => !without.includes(zoneId));
  const toggle = (zoneId: string) => {
    if (without.includes(zoneId)) onChange(without.filter((id) => id !== zoneId));
    // The last one cannot be left out: then there is no job.
    else if (inside.length > 1) onChange([...without, zoneId]);
  };
  return (
    <Card testID="job-zones">
      <Words weight="bold">
        {t('job.zones', {
          count: inside.length,
          area: number(inside.reduce((sum, { areaFt2 }) => sum + areaFt2, 0)),
        })}
      </Words>
      <Words size="note" tone="second">
        {t('job.leaveOut')}
      </Words>
      <View className="flex-row flex-wrap gap-2">
        {lines.map(({ zoneId, areaFt2 }) => (
          <Chip
            key={zoneId}
            label={t('job.zone', {
              name: lawn.zones.find(({ id }) => id === zoneId)?.name ?? '',
              area: number(areaFt2),
            })}
            chosen={!without.includes(zoneId)}
            onPress={() => toggle(zoneId)}
          />
        ))}
      </View>
    </Card>
  );
}
