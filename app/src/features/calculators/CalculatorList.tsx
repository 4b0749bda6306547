import { CALCULATOR_GROUPS, calculators, type CalculatorGroup } from '@alfombra/core/calculating';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Chip, Empty, Field, ListRow } from '@/ui';

/** Every calculation, by what is in the hand; found by its words too. */
export function CalculatorList() {
  const { t } = useTranslation();
  const [query, setQuery] = useState('');
  const [group, setGroup] = useState<CalculatorGroup | null>(null);
  const wanted = query.trim().toLowerCase();
  const rows = calculators
    .map(({ slug, group: own }) => ({
      slug,
      own,
      title: t(`calculator.${slug}.title`),
      lead: t(`calculator.${slug}.lead`),
    }))
    .filter(({ own }) => group === null || own === group)
    .filter(({ title, lead }) => `${title} ${lead}`.toLowerCase().includes(wanted));
  return (
    <View className="gap-3">
      <Field label={t('calcUi.search')} value={query} onChange={setQuery} testID="calc-search" />
      <View className="flex-row flex-wrap gap-2">
        <Chip label={t('common.all')} chosen={group === null} onPress={() => setGroup(null)} />
        {CALCULATOR_GROUPS.map((slug) => (
          <Chip
            key={slug}
            label={t(`calculator.group.${slug}`)}
            chosen={slug === group}
            onPress={() => setGroup(slug)}
          />
        ))}
      </View>
      {rows.length === 0 ? <Empty title={t('calcUi.none')} /> : null}
      <View className="gap-3 lg:flex-row lg:flex-wrap">
        {rows.map(({ slug, title, lead }) => (
          <View key={slug} className="lg:w-[49%]">
            <ListRow title={title} lines={[lead]} href={`/mix/${slug}`} testID={`to-${slug}`} />
          </View>
        ))}
      </View>
    </View>
  );
}
