import {
  doneWork,
  totalOf,
  type ApplicationRecord,
  type Lawn,
  type Shelf,
  type Visit,
} from '@alfombra/core';
import type { TFunction } from 'i18next';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Findings } from '@/features/record/Findings';
import { namesOfZones, saidOf } from '@/features/record/zoneNames';
import { materialName } from '@/features/season/productWords';
import { useProducts } from '@/features/shelf/useProducts';
import { Card, fullDay, ListRow, number, Sheet, Tag, Title, Words } from '@/ui';

type Past =
  | { kind: 'visit'; date: string; visit: Visit }
  /** One piece of work, a record for each of its zones. */
  | { kind: 'work'; date: string; work: readonly ApplicationRecord[] };

/** Visits and work of a lawn, the latest first. */
export const historyOf = (
  visits: readonly Visit[],
  records: readonly ApplicationRecord[],
): Past[] =>
  [
    ...visits.map((visit): Past => ({ kind: 'visit', date: visit.date, visit })),
    ...doneWork(records).map((work): Past => ({ kind: 'work', date: work[0]!.date, work })),
  ].sort((a, b) => (a.date < b.date ? 1 : -1));

/** A piece of work in a line. */
export const workWords = (
  t: TFunction,
  lawn: Lawn,
  work: readonly ApplicationRecord[],
  shelf: Shelf,
): string =>
  t('lawn.recordOn', {
    date: fullDay(work[0]!.date),
    what: `${work[0]!.materials
      .map((material) => materialName(t, material, shelf))
      .join(' + ')} · ${namesOfZones(lawn, work)}`,
  });

/** What was here and what was done; a visit opens its report, a record everything that was written down. */
export function HistoryCard({ lawn, history }: { lawn: Lawn; history: readonly Past[] }) {
  const { t } = useTranslation();
  const shelf = useProducts();
  const [opened, setOpened] = useState<readonly ApplicationRecord[] | null>(null);
  if (history.length === 0) return null;
  return (
    <Card>
      <Title>{t('lawn.history')}</Title>
      {history.map((past) =>
        past.kind === 'visit' ? (
          <ListRow
            key={past.visit.id}
            title={t('lawn.visitOn', { date: fullDay(past.date) })}
            lines={[past.visit.note, past.visit.promised].filter(Boolean)}
            href={`/lawns/${lawn.id}/report?visit=${past.visit.id}`}
          />
        ) : (
          <ListRow
            key={past.work[0]!.id}
            title={workWords(t, lawn, past.work, shelf)}
            lines={[]}
            onPress={() => setOpened(past.work)}
            aside={
              past.work.some(({ findings }) =>
                findings.some(({ severity }) => severity === 'exceeds'),
              ) ? (
                <Tag label={t('lawn.overLimit')} tone="stop" />
              ) : undefined
            }
          />
        ),
      )}
      <Sheet
        open={opened !== null}
        title={opened ? fullDay(opened[0]!.date) : ''}
        onClose={() => setOpened(null)}
      >
        {opened ? <RecordPaper lawn={lawn} work={opened} /> : null}
      </Sheet>
    </Card>
  );
}

const AMOUNT_DIGITS = 3;

/** Everything that was written down of one piece of work; the ground and the amounts are those of all its zones. */
function RecordPaper({ lawn, work }: { lawn: Lawn; work: readonly ApplicationRecord[] }) {
  const { t } = useTranslation();
  const shelf = useProducts();
  const record = { ...work[0]!, ...totalOf(work) };
  const rows: [string, string][] = [
    [t('record.zone'), namesOfZones(lawn, work)],
    [t('record.area'), t('common.ft2', { value: number(record.areaFt2) })],
    ...record.materials.map((material): [string, string] => [
      materialName(t, material, shelf),
      `${number(material.amount, AMOUNT_DIGITS)} ${t(`unit.${material.unit}`)}`,
    ]),
    ...(record.carrierGal === null
      ? []
      : [
          [t('record.water'), `${number(record.carrierGal, 2)} ${t('mix.gal')}`] as [
            string,
            string,
          ],
        ]),
    [`${t('record.start')} – ${t('record.end')}`, `${record.start} – ${record.end}`],
    [t('record.air'), `${number(record.weather.airF)} °F`],
    [
      t('record.wind'),
      `${number(record.weather.windMph)} mph, ${t(`record.winds.${record.weather.windFrom}`)}`,
    ],
    [t('record.sky'), t(`record.skies.${record.weather.sky}`)],
    [
      t('record.applicator'),
      [
        record.applicator,
        record.applicatorKind === 'member' ? '' : t(`record.stranger.${record.applicatorKind}`),
      ]
        .filter(Boolean)
        .join(', '),
    ],
    ...(record.licence ? [[t('record.licence'), record.licence] as [string, string]] : []),
    ...(record.enteredBy
      ? [[t('record.enteredBy'), record.enteredBy.name] as [string, string]]
      : []),
    ...(record.note ? [[t('record.note'), record.note] as [string, string]] : []),
  ];
  return (
    <>
      {rows.map(([name, value]) => (
        <View key={name} className="flex-row gap-3">
          <Words tone="second" className="flex-1">
            {name}
          </Words>
          <Words weight="semi" className="flex-1">
            {value}
          </Words>
        </View>
      ))}
      <Findings findings={saidOf(work.map(({ findings }) => findings))} />
    </>
  );
}
