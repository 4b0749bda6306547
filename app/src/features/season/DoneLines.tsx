import {
  doneWork,
  localDate,
  type ApplicationRecord,
  type Lawn,
  type StepKind,
} from '@alfombra/core';
import type { Thread } from '@alfombra/core/planning';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { namesOfZones } from '@/features/record/zoneNames';
import { useProducts } from '@/features/shelf/useProducts';
import { Button, KnotGlyph, shortDay, Words } from '@/ui';
import { materialName } from './productWords';

/** What is put down, as a knot of the strip. */
const KINDS: Readonly<Record<string, StepKind>> = {
  herbicide: 'control',
  treatment: 'protect',
  fertilizer: 'feed',
  amendment: 'feed',
  seed: 'seed',
  plugs: 'seed',
};

/** What was done this year, with the day to which it still holds; unfolded on a word. */
export function DoneLines({
  lawn,
  records,
  threads,
  today,
}: {
  lawn: Lawn;
  records: readonly ApplicationRecord[];
  threads: readonly Thread[];
  today: string;
}) {
  const { t } = useTranslation();
  const shelf = useProducts();
  const [shown, setShown] = useState(false);
  const works = doneWork(
    records
      .filter(({ date }) => date.slice(0, 4) === today.slice(0, 4) && date <= today)
      .sort((a, b) => (a.date < b.date ? -1 : 1)),
  );
  if (works.length === 0) return null;
  const knotOf = (work: readonly ApplicationRecord[]) =>
    threads
      .flatMap(({ knots }) => knots)
      .find(({ recordIds }) => work.some(({ id }) => recordIds?.includes(id)));
  return (
    <View>
      <Button
        kind="plain"
        label={t('threads.doneBefore', { count: works.length })}
        onPress={() => setShown(!shown)}
      />
      {(shown ? works : []).map((work) => {
        const record = work[0]!;
        const date = localDate(record.date);
        const knot = knotOf(work);
        const until = knot?.holdsUntil;
        return (
          <View
            key={record.id}
            className="min-h-[58px] flex-row items-center gap-3 border-b border-line py-2"
          >
            <Words size="note" weight="bold" tone="quiet" tabular className="w-[52px]">
              {shortDay(date)}
            </Words>
            <View className="opacity-50">
              <KnotGlyph
                kind={knot?.kind ?? KINDS[record.materials[0]?.kind ?? ''] ?? 'look-again'}
              />
            </View>
            <View className="min-w-0 flex-1">
              <Words weight="semi" tone="second">
                {record.materials.map((material) => materialName(t, material, shelf)).join(', ')}
              </Words>
              <Words size="note" tone="quiet">
                {[
                  namesOfZones(lawn, work),
                  ...(until && until >= today
                    ? [t('threads.holds', { date: shortDay(until) })]
                    : []),
                ].join(' · ')}
              </Words>
            </View>
            <Words size="note" tone="quiet">
              {t('threads.done')}
            </Words>
          </View>
        );
      })}
    </View>
  );
}
