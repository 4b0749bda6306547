import type { Zone } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { percent, Tag, Words } from '@/ui';

/** The grasses of a zone by the ground they cover, and what they leave. */
export function StandRows({ zone }: { zone: Zone }) {
  const { t } = useTranslation();
  const covered = zone.stand.reduce((sum, share) => sum + share.cover, 0);
  const rows = [
    ...zone.stand.map((share) => ({
      key: share.species,
      name: t(`grass.${share.species}`),
      cover: share.cover,
      wanted: zone.desired.includes(share.species),
      bare: false,
    })),
    {
      key: 'bare',
      name: t('lawn.bare'),
      cover: Math.max(0, 1 - covered),
      wanted: true,
      bare: true,
    },
  ];
  return (
    <View className="gap-2">
      {rows.map((row) => (
        <View key={row.key} className="gap-1">
          <View className="flex-row items-center gap-2">
            <Words weight={row.bare ? 'regular' : 'semi'} className="flex-1">
              {row.name}
            </Words>
            {row.wanted ? null : <Tag label={t('lawn.unwanted')} tone="stop" />}
            <Words tabular weight="semi">
              {t('common.percent', { value: percent(row.cover) })}
            </Words>
          </View>
          <View aria-hidden className="h-[8px] overflow-hidden rounded bg-panel">
            <View
              style={{ width: `${row.cover * 100}%` }}
              className={`h-full ${row.bare ? 'bg-thread' : row.wanted ? 'bg-[#2F7F6D]' : 'bg-[#B9472F]'}`}
            />
          </View>
        </View>
      ))}
    </View>
  );
}
