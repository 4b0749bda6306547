import { causes } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, Field, Words } from '@/ui';
import { CauseOption } from './CauseOption';

const GROUPS = [...new Set(causes.map(({ group }) => group))];

/**
 * Every cause that is not among the likely ones: by its group, or by a word of its name. Stands in the same
 * group of choices as they do.
 */
export function CauseSearch({
  chosen,
  without,
}: {
  chosen: string | null;
  without: readonly string[];
}) {
  const { t } = useTranslation();
  const [query, setQuery] = useState('');
  const [open, setOpen] = useState<string | null>(null);
  const wanted = query.trim().toLowerCase();
  const rest = causes
    .filter(({ slug }) => !without.includes(slug))
    .map(({ slug, group }) => ({ slug, group, name: t(`cause.${slug}`) }))
    .sort((a, b) => a.name.localeCompare(b.name));
  const shown = (group: string) =>
    rest.filter((entry) =>
      wanted === ''
        ? entry.group === group && (open === group || entry.slug === chosen)
        : entry.group === group && entry.name.toLowerCase().includes(wanted),
    );
  const none = wanted !== '' && GROUPS.every((group) => shown(group).length === 0);
  return (
    <View className="gap-2">
      <Field label={t('decide.other')} value={query} onChange={setQuery} />
      {none ? <Words tone="second">{t('decide.noCause', { query: query.trim() })}</Words> : null}
      {GROUPS.map((group) => {
        const found = shown(group);
        const size = rest.filter((entry) => entry.group === group).length;
        const name = t(`causeGroup.${group}`);
        if (wanted !== '' && found.length === 0) return null;
        return (
          <View key={group} className="gap-2">
            {wanted === '' ? (
              <Button
                kind="plain"
                label={`${name} (${size})`}
                onPress={() => setOpen(open === group ? null : group)}
              />
            ) : (
              <Words size="note" weight="semi" tone="second">
                {name}
              </Words>
            )}
            {found.map(({ slug, name: label }) => (
              <CauseOption key={slug} value={slug} label={label} chosen={slug === chosen} />
            ))}
          </View>
        );
      })}
    </View>
  );
}
