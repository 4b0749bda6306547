import { causes, grasses, weeds } from '@alfombra/core';
import { lookAlikes } from '@alfombra/core/key';
import { fieldTestCards } from '@alfombra/core/walking';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePlantName } from '@/features/key/usePlantName';
import { Chip, Empty, Field, LinkButton, ListRow, number, Screen, Segmented } from '@/ui';
import { pairSlug } from './pairSlug';

const VIEWS = ['causes', 'plants', 'pairs', 'tests'] as const;
type GuideView = (typeof VIEWS)[number];

interface Entry {
  key: string;
  title: string;
  line: string;
  /** Further words that a search may find it by. */
  also: string;
  group: string;
  groupLabel: string;
  path: string;
}

/** Everything the library knows, by kind: causes of damage, plants, look-alikes, field tests. */
function useEntries(view: GuideView): Entry[] {
  const { t } = useTranslation();
  const nameOf = usePlantName();
  if (view === 'causes') {
    return causes.map(({ slug, group, action }) => ({
      key: slug,
      title: t(`cause.${slug}`),
      line: `${t(`guide.group.${group}`)} · ${t(`action.${action}`)}`,
      also: '',
      group,
      groupLabel: t(`guide.group.${group}`),
      path: `/guide/${slug}`,
    }));
  }
  if (view === 'plants') {
    const turf = grasses.map(({ slug, latin, season }) => ({
      key: slug,
      title: nameOf(slug),
      line: `${t(`guide.season.${season}`)} · ${latin}`,
      also: latin,
      group: 'turf',
      groupLabel: t('guide.plantGroup.turf'),
      path: `/guide/plant/${slug}`,
    }));
    const known = new Set(turf.map(({ key }) => key));
    return [
      ...turf,
      ...weeds
        .filter(({ slug }) => !known.has(slug as (typeof grasses)[number]['slug']))
        .map(({ slug, latin, category, lifeCycle }) => ({
          key: slug,
          title: nameOf(slug),
          line: `${t(`guide.plantGroup.${category}`)} · ${t(`key.state.${lifeCycle}`)}`,
          also: latin,
          group: category,
          groupLabel: t(`guide.plantGroup.${category}`),
          path: `/guide/plant/${slug}`,
        })),
    ];
  }
  if (view === 'tests') {
    return fieldTestCards.map(({ slug, seconds, waitDays }) => ({
      key: slug,
      title: t(`fieldTest.${slug}.name`),
      line: [
        t('walk.minutes', { value: number(Math.max(1, seconds / 60)) }),
        waitDays ? t('fieldUi.waitDays', { low: waitDays[0], high: waitDays[1] }) : null,
      ]
        .filter(Boolean)
        .join(' · '),
      also: (t(`fieldTest.${slug}.kit`, { returnObjects: true }) as string[]).join(' '),
      group: 'tests',
      groupLabel: '',
      path: `/guide/test/${slug}`,
    }));
  }
  return lookAlikes.map(({ a, b, characters }) => ({
    key: pairSlug(a, b),
    title: t('key.pair', { a: nameOf(a), b: nameOf(b) }),
    line: characters.map((slug) => t(`key.character.${slug}`)).join(', '),
    also: '',
    group: 'pairs',
    groupLabel: '',
    path: `/guide/pair/${pairSlug(a, b)}`,
  }));
}

/** The library: causes, plants, look-alikes and field tests, each to be read on its own. */
export function GuideScreen() {
  const { t } = useTranslation();
  const router = useRouter();
  const params = useLocalSearchParams<{ view?: string }>();
  const view = VIEWS.find((slug) => slug === params.view) ?? 'causes';
  const [query, setQuery] = useState('');
  const [group, setGroup] = useState<string | null>(null);
  const entries = useEntries(view);
  const groups = [...new Map(entries.map((entry) => [entry.group, entry.groupLabel]))];
  const wanted = query.trim().toLowerCase();
  const found = entries
    .filter((entry) => group === null || entry.group === group)
    .filter(({ title, also }) => `${title} ${also}`.toLowerCase().includes(wanted))
    .sort((a, b) => a.title.localeCompare(b.title));
  return (
    <Screen title={t('guide.title')} lead={t(`guide.lead.${view}`, { count: found.length })}>
      <Segmented
        value={view}
        options={VIEWS.map((slug) => ({ value: slug, label: t(`guide.view.${slug}`) }))}
        onChange={(slug) => {
          setGroup(null);
          router.setParams({ view: slug });
        }}
      >
        {view === 'causes' ? (
          <View className="flex-row gap-2">
            <View className="flex-1">
              <LinkButton
                kind="plain"
                label={t('guide.practice')}
                href="/guide/practice"
                testID="to-practice"
              />
            </View>
            <View className="flex-1">
              <LinkButton
                kind="plain"
                label={t('shelf.title')}
                href="/guide/shelf"
                testID="to-shelf"
              />
            </View>
          </View>
        ) : null}
        <Field label={t(`guide.search.${view}`)} value={query} onChange={setQuery} />
        {groups.length > 1 ? (
          <View className="flex-row flex-wrap gap-2">
            <Chip label={t('common.all')} chosen={group === null} onPress={() => setGroup(null)} />
            {groups.map(([slug, label]) => (
              <Chip
                key={slug}
                label={label}
                chosen={group === slug}
                onPress={() => setGroup(slug)}
              />
            ))}
          </View>
        ) : null}
        {found.length === 0 ? <Empty title={t('guide.none', { query })} /> : null}
        <View className="gap-3 lg:flex-row lg:flex-wrap">
          {found.map(({ key, title, line, path }) => (
            <View key={key} className="lg:w-[49%]">
              <ListRow title={title} lines={[line]} href={path} />
            </View>
          ))}
        </View>
      </Segmented>
    </Screen>
  );
}
