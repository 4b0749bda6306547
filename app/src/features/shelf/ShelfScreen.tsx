import { fertilizers, herbicides, seedMix, treatments, type ShelfLabel } from '@alfombra/core';
import { labelOddities, unitPrice } from '@alfombra/core/judging';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { useFailureWords } from '@/api/useFailureWords';
import { saveFile } from '@/features/plan/saveFile';
import { FileButton } from '@/features/property/FileButton';
import { exchange } from '@/features/property/useExchange';
import {
  Button,
  Card,
  Chip,
  Choices,
  Empty,
  Failed,
  Field,
  LinkButton,
  ListRow,
  Loading,
  money,
  number,
  Screen,
  Segmented,
  Tag,
  Words,
} from '@/ui';
import { ProductSheet } from './ProductSheet';
import { entryName, seedEntries, type LibraryEntry } from './seedEntries';
import { RulesPanel } from './RulesPanel';
import { useShelf } from './useShelf';

const VIEWS = ['own', 'library', 'rules'] as const;
const KINDS = ['herbicide', 'insecticide', 'fungicide', 'other', 'fertilizer', 'seed'] as const;
type Kind = (typeof KINDS)[number];

function entriesOf(kind: Kind): LibraryEntry[] {
  const of = (wanted: (own: string) => boolean) =>
    treatments
      .filter((entry) => wanted(entry.kind))
      .map(({ slug }): LibraryEntry => ({ kind: 'treatment', slug }));
  switch (kind) {
    case 'herbicide':
      return herbicides.map(({ slug }) => ({ kind: 'herbicide', slug }));
    case 'insecticide':
      return of((own) => ['insecticide', 'biological', 'nematicide'].includes(own));
    case 'fungicide':
      return of((own) => own === 'fungicide');
    case 'other':
      return of((own) => ['growth-regulator', 'wetting-agent'].includes(own));
    case 'fertilizer':
      return fertilizers.map(({ slug }) => ({ kind: 'fertilizer', slug }));
    case 'seed':
      return seedEntries();
  }
}

/** The company's own labels and stock, and the library that they stand on. */
export function ShelfScreen() {
  const { t } = useTranslation();
  const shelf = useShelf();
  const [view, setView] = useState<(typeof VIEWS)[number]>('own');
  return (
    <Screen title={t('shelf.title')} lead={t('shelf.lead')} dye="indigo" back="/guide">
      <Segmented
        value={view}
        options={VIEWS.map((value) => ({ value, label: t(`shelf.view.${value}`) }))}
        onChange={setView}
      >
        {!shelf.ready ? (
          <Loading />
        ) : view === 'own' ? (
          <Own shelf={shelf} />
        ) : view === 'rules' ? (
          <RulesPanel shelf={shelf} />
        ) : (
          <Library />
        )}
      </Segmented>
    </Screen>
  );
}

function Own({ shelf }: { shelf: ReturnType<typeof useShelf> }) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const [said, setSaid] = useState<string[]>([]);
  const take = async (text: string, name: string) => {
    const { parseLabelCsv, parseLabelJson } = await exchange();
    const json = name.toLowerCase().endsWith('.json') || text.trimStart().startsWith('[');
    const { labels, errors } = json ? parseLabelJson(text) : parseLabelCsv(text, uuid);
    setSaid([
      t('shelf.taken', { count: errors.length > 0 ? 0 : labels.length }),
      ...errors.map(({ row, column, message }) =>
        t('import.errorAt', { row, column: column ?? '', message }),
      ),
    ]);
    if (errors.length === 0 && labels.length > 0) shelf.takeIn(labels);
  };
  const save = async (kind: 'csv' | 'json') => {
    const { writeLabelCsv, writeLabelJson } = await exchange();
    saveFile(
      `shelf.${kind}`,
      kind === 'csv' ? 'text/csv' : 'application/json',
      kind === 'csv' ? writeLabelCsv(shelf.labels) : writeLabelJson(shelf.labels),
    );
  };
  const sorted = [...shelf.labels].sort((a, b) => a.name.localeCompare(b.name));
  return (
    <>
      {shelf.error ? <Failed message={words(shelf.error)} /> : null}
      {shelf.mayChange ? (
        <LinkButton label={t('shelf.add')} href="/guide/label/new" testID="add-label" />
      ) : (
        <Words tone="second">{t('shelf.ownerOnly')}</Words>
      )}
      {sorted.length === 0 ? <Empty title={t('shelf.empty')} lead={t('shelf.emptyLead')} /> : null}
      <View className="gap-3 lg:flex-row lg:flex-wrap">
        {sorted.map((label) => (
          <View key={label.id} className="lg:w-[49%]">
            <ListRow
              title={label.name}
              lines={linesOf(t, label)}
              href={`/guide/label/${label.id}`}
              aside={
                <View className="items-end gap-1">
                  <Tag
                    label={t('shelf.packages', { value: number(label.packages, 1) })}
                    tone={label.packages > 0 ? 'good' : 'caution'}
                  />
                  {labelOddities(label).length > 0 ? (
                    <Tag
                      label={t('shelf.odd', { count: labelOddities(label).length })}
                      tone="caution"
                    />
                  ) : null}
                </View>
              }
            />
          </View>
        ))}
      </View>
      {shelf.mayChange ? (
        <Card tone="panel">
          <Choices
            label={t('shelf.planFrom')}
            value={shelf.onlyShelf ? 'shelf' : 'library'}
            options={['library', 'shelf'] as const}
            nameOf={(option) => t(`shelf.from.${option}`)}
            onChange={(option) => shelf.setOnlyShelf(option === 'shelf')}
          />
          <FileButton
            label={t('shelf.import')}
            accept=".csv,.json,text/csv,application/json"
            onText={(text, name) => void take(text, name)}
          />
          {said.map((line) => (
            <Words key={line} role="status" size="note">
              {line}
            </Words>
          ))}
          <View className="flex-row gap-2">
            {(['csv', 'json'] as const).map((kind) => (
              <View key={kind} className="flex-1">
                <Button
                  kind="plain"
                  label={t(`shelf.export.${kind}`)}
                  disabled={shelf.labels.length === 0}
                  onPress={() => void save(kind)}
                />
              </View>
            ))}
          </View>
        </Card>
      ) : null}
    </>
  );
}

function linesOf(t: ReturnType<typeof useTranslation>['t'], label: ShelfLabel): string[] {
  const price = unitPrice(label);
  return [
    label.base ? entryName(t, label.base) : t('shelf.noBase'),
    [
      t('shelf.rate', {
        low: label.lowPerAcre === null ? '' : `${number(label.lowPerAcre, 2)}–`,
        high: number(label.highPerAcre, 2),
        unit: t(`unit.${label.unit}`),
      }),
      price === null
        ? null
        : t('shelf.price', { value: money(price), unit: t(`unit.${label.unit}`) }),
      label.inUse ? null : t('shelf.notInUse'),
    ]
      .filter(Boolean)
      .join(' · '),
  ];
}

function Library() {
  const { t } = useTranslation();
  const [kind, setKind] = useState<Kind>('herbicide');
  const [query, setQuery] = useState('');
  const [open, setOpen] = useState<LibraryEntry | null>(null);
  const wanted = query.trim().toLowerCase();
  const rows = entriesOf(kind)
    .map((entry) => ({ ...entry, name: entryName(t, entry) }))
    .filter(({ name }) => name.toLowerCase().includes(wanted))
    .sort((a, b) => a.name.localeCompare(b.name));
  return (
    <>
      <Words tone="caution" weight="semi">
        {t('shelf.typical')}
      </Words>
      <Field label={t('shelf.search')} value={query} onChange={setQuery} testID="shelf-search" />
      <View className="flex-row flex-wrap gap-2">
        {KINDS.map((slug) => (
          <Chip
            key={slug}
            label={t(`shelf.kind.${slug}`)}
            chosen={slug === kind}
            onPress={() => setKind(slug)}
          />
        ))}
      </View>
      {rows.length === 0 ? <Empty title={t('shelf.none')} /> : null}
      <View className="gap-3 lg:flex-row lg:flex-wrap">
        {rows.map((entry) => (
          <View key={entry.slug} className="lg:w-[49%]">
            <ListRow
              title={entry.name}
              lines={[groupLine(t, entry)]}
              onPress={() => setOpen(entry)}
              testID={`product-${entry.slug}`}
            />
          </View>
        ))}
      </View>
      <ProductSheet entry={open} onClose={() => setOpen(null)} />
    </>
  );
}

function groupLine(
  t: ReturnType<typeof useTranslation>['t'],
  { kind, slug }: LibraryEntry,
): string {
  if (kind === 'seed') {
    const mix = seedMix(slug);
    return mix ? t(`shelf.seedUse.${mix.use}`) : t('shelf.pureSeed');
  }
  if (kind === 'fertilizer') return t('shelf.kind.fertilizer');
  const group =
    kind === 'herbicide'
      ? [...new Set(herbicides.find((entry) => entry.slug === slug)?.hrac)].join(', ')
      : treatments.find((entry) => entry.slug === slug)?.group;
  return t('shelf.group', { group: group ?? '' });
}
