import { zoneArea, type Zone } from '@alfombra/core';
import type { RateCard, RateCardRow, RateVerdict } from '@alfombra/core/planning';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { materialName } from '@/features/season/productWords';
import { reasonWords } from '@/features/season/reasonWords';
import { useProducts } from '@/features/shelf/useProducts';
import { Button, Card, Chip, Empty, Field, number, Title, Words } from '@/ui';
import { RateSheet } from './RateSheet';
import { movedWords, per1000Rate } from './rateWords';

const KINDS = ['herbicide', 'treatment', 'fertilizer', 'seed'] as const;
const GROUPS = { goes: ['rate', 'light'], hold: ['hold'], never: ['never'] } as const;
type Group = keyof typeof GROUPS;
/** Rows of a group that are shown before all are asked for. */
const FIRST: Record<Group, number> = { goes: 12, hold: 6, never: 4 };

/** What the rates stand on: grass, stage, soil, heat and water of the day. */
function Ground({ card, zone }: { card: RateCard; zone: Zone }) {
  const { t } = useTranslation();
  const soil =
    card.soilF === null
      ? t('rateCard.soil.unknown')
      : t(`rateCard.soil.${card.soilRising ? 'rising' : 'falling'}`, {
          value: number(card.soilF),
        });
  return (
    <Card tone="panel">
      <Words size="lead" weight="bold">
        {`${zone.name}: ${card.grasses.map((slug) => t(`grass.${slug}`)).join(', ')}, ${t(`rateCard.stage.${card.stage}`)}`}
      </Words>
      <Words tone="cool" weight="semi">
        {soil}
      </Words>
      <Words tone="second">
        {[
          t('rateCard.high', { value: number(card.airHighF) }),
          t(card.drought ? 'rateCard.dry' : 'rateCard.moist'),
          t('rateCard.growth', { value: number(card.growth * 100) }),
        ].join(' · ')}
      </Words>
    </Card>
  );
}

/** What may go comes first. */
const PLACE: Record<RateVerdict, number> = { rate: 0, light: 1, hold: 2, never: 3 };
const order = ({ verdict }: RateCardRow) => PLACE[verdict];

/** A zone's card: what its rates stand on, and every product by what may be done with it. */
export function RateRows({ card, zone }: { card: RateCard; zone: Zone }) {
  const { t } = useTranslation();
  const shelf = useProducts();
  const [kind, setKind] = useState<(typeof KINDS)[number]>('herbicide');
  const [stored, setStored] = useState(false);
  const [query, setQuery] = useState('');
  const [open, setOpen] = useState<RateCardRow | null>(null);
  const wanted = query.trim().toLowerCase();
  const nameOf = (row: RateCardRow) => materialName(t, row, shelf);
  const rows = card.rows
    .filter((row) => row.kind === kind && (!stored || row.inStore))
    .map((row) => ({ row, name: nameOf(row) }))
    .filter(({ name }) => name.toLowerCase().includes(wanted))
    .sort((a, b) => order(a.row) - order(b.row) || a.name.localeCompare(b.name));
  return (
    <>
      <Ground card={card} zone={zone} />
      <View className="flex-row flex-wrap gap-2" role="group" aria-label={t('rateCard.kind')}>
        {KINDS.map((slug) => (
          <Chip
            key={slug}
            label={t(slug === 'treatment' ? 'rateCard.treatments' : `shelf.kind.${slug}`)}
            chosen={slug === kind}
            onPress={() => setKind(slug)}
          />
        ))}
        <Chip label={t('rateCard.onlyStore')} chosen={stored} onPress={() => setStored(!stored)} />
      </View>
      <Field label={t('rateCard.search')} value={query} onChange={setQuery} />
      {rows.length === 0 ? <Empty title={t('rateCard.none')} /> : null}
      <View className="gap-5 lg:flex-row lg:items-start">
        {(Object.keys(GROUPS) as Group[]).map((group) => (
          <Section
            key={group}
            group={group}
            rows={rows.filter(({ row }) =>
              (GROUPS[group] as readonly string[]).includes(row.verdict),
            )}
            onOpen={setOpen}
          />
        ))}
      </View>
      <RateSheet
        row={open}
        name={open ? nameOf(open) : ''}
        areaFt2={zoneArea(zone)}
        onClose={() => setOpen(null)}
      />
    </>
  );
}

function Section({
  group,
  rows,
  onOpen,
}: {
  group: Group;
  rows: readonly { row: RateCardRow; name: string }[];
  onOpen: (row: RateCardRow) => void;
}) {
  const { t } = useTranslation();
  const [all, setAll] = useState(false);
  if (rows.length === 0) return null;
  const shown = all ? rows : rows.slice(0, FIRST[group]);
  return (
    <View className="lg:min-w-0 lg:flex-1">
      <Title>{t(`rateCard.group.${group}`)}</Title>
      {group === 'goes' ? (
        <Words size="note" tone="quiet">
          {t('rateCard.perThousand')}
        </Words>
      ) : null}
      <View role="list">
        {shown.map(({ row, name }) => (
          <View key={`${row.kind} ${row.slug}`} role="listitem">
            <RateLine row={row} name={name} onPress={() => onOpen(row)} />
          </View>
        ))}
      </View>
      {rows.length > FIRST[group] ? (
        <Button
          kind="quiet"
          label={all ? t('common.less') : t('rateCard.all', { count: rows.length })}
          onPress={() => setAll(!all)}
        />
      ) : null}
    </View>
  );
}

/** One product: its rate at the right, what decides under its name. */
function RateLine({ row, name, onPress }: { row: RateCardRow; name: string; onPress: () => void }) {
  const { t } = useTranslation();
  const per1000 = per1000Rate(t, row);
  const reason = row.reasons.find(({ rule }) => rule === row.rule) ?? {
    rule: row.rule,
    inputs: {},
  };
  const goes = row.verdict === 'rate' || row.verdict === 'light';
  return (
    <Pressable
      role="button"
      onPress={onPress}
      className="min-h-[58px] flex-row items-center gap-3 border-b border-line py-2"
    >
      <View className="min-w-0 flex-1">
        <Words weight="semi">{name}</Words>
        <Words size="note" tone="second">
          {reasonWords(t, reason)}
        </Words>
        {goes
          ? row.moved.map((figure) => (
              <Words key={figure.kind} size="note" tone="cool">
                {movedWords(t, figure)}
              </Words>
            ))
          : null}
      </View>
      <View className="items-end">
        {per1000 ? (
          <Words size="lead" weight="bold" tabular>
            {per1000}
          </Words>
        ) : null}
        <Words size="note" weight="semi" tone={goes ? 'good' : 'stop'}>
          {t(`rateCard.verdict.${row.verdict}`)}
        </Words>
      </View>
    </Pressable>
  );
}
