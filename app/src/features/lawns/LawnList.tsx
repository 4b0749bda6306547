import type { LawnSummary } from '@alfombra/core';
import type { TFunction } from 'i18next';
import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useLawns } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import {
  Button,
  Chip,
  Empty,
  Failed,
  Field,
  KnotGlyph,
  LinkButton,
  ListRow,
  VirtualList,
  Loading,
  number,
  percent,
  Screen,
  shortDay,
} from '@/ui';
import { indexLawns, searchLawns } from './searchLawns';
import { useMiniSearch } from './useMiniSearch';

/** About what a lawn takes in the list. */
const ROW_PX = 108;

function dueLine(t: TFunction, lawn: LawnSummary): string {
  if (lawn.fault) return t('lawns.fault', { why: lawn.fault });
  const first = [...lawn.due].sort((a, b) => (a.closes < b.closes ? -1 : 1))[0];
  if (first) {
    const line = t('lawns.dueUntil', {
      what: t(`kind.${first.kind}`),
      date: shortDay(first.closes),
    });
    return lawn.due.length > 1
      ? `${line}, ${t('lawns.andMore', { count: lawn.due.length - 1 })}`
      : line;
  }
  return lawn.next
    ? t('lawns.next', { what: t(`kind.${lawn.next.kind}`), date: shortDay(lawn.next.opens) })
    : t('lawns.nothingDue');
}

/** All lawns with grass, area, last visit and what is due. */
export function LawnList({
  chosenId,
  side = false,
}: {
  chosenId: string | null;
  /** Beside a lawn in a wide window. */
  side?: boolean;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const lawns = useLawns();
  const [query, setQuery] = useState('');
  const [archived, setArchived] = useState(false);
  const shown = useMemo(
    () => (lawns.data ?? []).filter((lawn) => lawn.archived === archived),
    [lawns.data, archived],
  );
  const anyArchived = (lawns.data ?? []).some((lawn) => lawn.archived);
  // The engine comes with the first letter that is typed; the letters never wait for what they find.
  const engine = useMiniSearch(query !== '');
  const index = useMemo(() => (engine ? indexLawns(shown, engine) : null), [engine, shown]);
  const wanted = useDeferredValue(query);
  const found = useMemo(
    () => (index ? searchLawns(shown, wanted, index) : shown),
    [index, shown, wanted],
  );
  const row = useCallback(
    (lawn: LawnSummary) => (
      <ListRow
        testID={`lawn-${lawn.name}`}
        title={lawn.name}
        chosen={lawn.id === chosenId}
        lines={[
          lawn.grasses
            .slice(0, 2)
            .map(({ species, cover }) => `${t(`grass.${species}`)} ${percent(cover)}`)
            .join(' · '),
          `${t('common.ft2', { value: number(lawn.areaFt2) })} · ${
            lawn.lastVisit
              ? t('lawns.lastVisit', { date: shortDay(lawn.lastVisit) })
              : t('lawns.noVisit')
          }`,
          dueLine(t, lawn),
        ]}
        href={`/lawns/${lawn.id}`}
        aside={
          lawn.due.length > 0 ? (
            <View className="flex-row gap-1">
              {[...new Set(lawn.due.map(({ kind }) => kind))].slice(0, 3).map((kind) => (
                <KnotGlyph key={kind} kind={kind} size={26} />
              ))}
            </View>
          ) : null
        }
      />
    ),
    [t, chosenId],
  );
  return (
    <Screen
      title={t('lawns.title')}
      side={side}
      lead={lawns.data ? t('lawns.count', { count: shown.length }) : undefined}
    >
      <Field label={t('lawns.search')} value={query} onChange={setQuery} testID="search" />
      <View className="flex-row flex-wrap gap-2">
        <LinkButton kind="plain" label={t('lawns.add')} href="/lawns/new" testID="add-property" />
        <LinkButton kind="plain" label={t('lawns.import')} href="/lawns/import" testID="import" />
        {anyArchived ? (
          <Chip
            label={t('lawns.archived')}
            chosen={archived}
            onPress={() => setArchived(!archived)}
          />
        ) : null}
      </View>
      {lawns.error && !lawns.data ? (
        <Failed message={words(lawns.error)} onRetry={() => void lawns.refetch()} />
      ) : !lawns.data ? (
        <Loading what={t('lawns.working')} />
      ) : found.length === 0 ? (
        <View className="items-center gap-3">
          <Empty title={t('lawns.nothingFound', { query })} />
          <Button kind="plain" label={t('lawns.clearSearch')} onPress={() => setQuery('')} />
        </View>
      ) : (
        <VirtualList items={found} keyOf={({ id }) => id} estimate={ROW_PX}>
          {row}
        </VirtualList>
      )}
    </Screen>
  );
}
