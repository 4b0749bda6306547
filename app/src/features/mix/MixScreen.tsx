import type { LawnSummary } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useLawns } from '@/api/queries';
import { CalculatorList } from '@/features/calculators/CalculatorList';
import { Button, KnotGlyph, ListRow, Screen, shortDay, Tag, Title, VirtualList, Words } from '@/ui';

/** Mixes shown before all are asked for. */
const FIRST = 4;

/** About what a mix takes in the list. */
const ROW_PX = 86;

interface DueMix {
  lawn: LawnSummary;
  step: LawnSummary['due'][number];
}

const drawMix = (mix: DueMix) => <MixRow {...mix} />;

function MixRow({ lawn, step }: DueMix) {
  const { t } = useTranslation();
  return (
    <ListRow
      title={lawn.name}
      lines={[`${t(`kind.${step.kind}`)} · ${step.zone}`]}
      href={`/lawns/${lawn.id}/mix/${encodeURIComponent(step.stepId)}`}
      aside={
        <View className="items-end gap-1">
          <KnotGlyph kind={step.kind} />
          <Tag label={t('today.closesSoon', { date: shortDay(step.closes) })} />
        </View>
      }
    />
  );
}

/** Mixes that are due, the card of any mix, and every calculation of the field. */
export function MixScreen() {
  const { t } = useTranslation();
  const lawns = useLawns();
  const [all, setAll] = useState(false);
  const due = (lawns.data ?? [])
    .flatMap((lawn) =>
      lawn.due
        .filter(({ kind }) => kind === 'prevent' || kind === 'control')
        .map((step) => ({ lawn, step })),
    )
    .sort((a, b) => (a.step.closes < b.step.closes ? -1 : 1));
  return (
    <Screen title={t('places.mix')} dye="indigo">
      <Title>{t('mix.planned')}</Title>
      {due.length === 0 ? <Words tone="second">{t('mix.nonePlanned')}</Words> : null}
      {all ? (
        <VirtualList items={due} keyOf={({ step }) => step.stepId} estimate={ROW_PX}>
          {drawMix}
        </VirtualList>
      ) : (
        <View className="gap-3 lg:flex-row lg:flex-wrap">
          {due.slice(0, FIRST).map((mix) => (
            <View key={mix.step.stepId} className="lg:w-[49%]">
              <MixRow {...mix} />
            </View>
          ))}
        </View>
      )}
      {due.length > FIRST ? (
        <Button
          kind="quiet"
          label={all ? t('common.less') : t('calcUi.allDue', { count: due.length })}
          onPress={() => setAll(!all)}
        />
      ) : null}
      <Title>{t('calcUi.title')}</Title>
      <ListRow
        title={t('mix.calculator')}
        lines={[t('mix.calculatorLead')]}
        href="/mix/card"
        testID="to-mix-card"
      />
      <ListRow
        title={t('rateCard.openMix')}
        lines={[t('rateCard.openMixLead')]}
        href="/mix/rates"
      />
      <CalculatorList />
    </Screen>
  );
}
