import { causes } from '@alfombra/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Chip, Empty, Field, ListRow, Screen } from '@/ui';

const GROUPS = [...new Set(causes.map(({ group }) => group))];

/** The library: every cause of damage, by kind or by name. */
export function GuideScreen() {
  const { t } = useTranslation();
  const router = useRouter();
  const [query, setQuery] = useState('');
  const [group, setGroup] = useState<string | null>(null);
  const wanted = query.trim().toLowerCase();
  const found = causes
    .filter((cause) => group === null || cause.group === group)
    .filter(({ slug }) => t(`cause.${slug}`).toLowerCase().includes(wanted))
    .sort((a, b) => t(`cause.${a.slug}`).localeCompare(t(`cause.${b.slug}`)));
  return (
    <Screen title={t('guide.title')} lead={t('guide.lead', { count: found.length })}>
      <Field label={t('guide.search')} value={query} onChange={setQuery} />
      <View className="flex-row flex-wrap gap-2">
        <Chip label={t('common.all')} chosen={group === null} onPress={() => setGroup(null)} />
        {GROUPS.map((slug) => (
          <Chip
            key={slug}
            label={t(`guide.group.${slug}`)}
            chosen={group === slug}
            onPress={() => setGroup(slug)}
          />
        ))}
      </View>
      {found.length === 0 ? <Empty title={t('guide.none', { query })} /> : null}
      <View className="gap-3 lg:flex-row lg:flex-wrap">
        {found.map((cause) => (
          <View key={cause.slug} className="lg:w-[49%]">
            <ListRow
              title={t(`cause.${cause.slug}`)}
              lines={[`${t(`guide.group.${cause.group}`)} · ${t(`action.${cause.action}`)}`]}
              onPress={() => router.push(`/guide/${cause.slug}`)}
            />
          </View>
        ))}
      </View>
    </Screen>
  );
}
