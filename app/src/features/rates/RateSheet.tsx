import type { RateCardRow } from '@alfombra/core/planning';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useProducts } from '@/features/shelf/useProducts';
import { reasonWords } from '@/features/season/reasonWords';
import { fullDay, LinkButton, number, Sheet, Words } from '@/ui';
import { labelRange, movedWords, per1000Rate, totalWords } from './rateWords';

/** Everything about one product on one zone: the rate, what decides, and what the soil moves. */
export function RateSheet({
  row,
  name,
  areaFt2,
  onClose,
}: {
  row: RateCardRow | null;
  name: string;
  areaFt2: number;
  onClose: () => void;
}) {
  return (
    <Sheet open={row !== null} title={name} onClose={onClose}>
      {row ? <Body row={row} areaFt2={areaFt2} /> : null}
    </Sheet>
  );
}

function Line({ label, value }: { label: string; value: string }) {
  return (
    <View className="flex-row flex-wrap items-baseline justify-between gap-x-4 border-b border-line py-2">
      <Words tone="second">{label}</Words>
      <Words weight="bold" tabular>
        {value}
      </Words>
    </View>
  );
}

function Body({ row, areaFt2 }: { row: RateCardRow; areaFt2: number }) {
  const { t } = useTranslation();
  const per1000 = per1000Rate(t, row);
  const total = totalWords(t, row, areaFt2);
  // The card of any mix is one of a tank: granules are in none.
  const product = useProducts().herbicide(row.slug);
  const sprayed =
    row.kind === 'herbicide' && product?.form !== 'granule' && product?.form !== 'tank-mix';
  const reasons = row.reasons.length > 0 ? row.reasons : [{ rule: row.rule, inputs: {} }];
  return (
    <View className="gap-3">
      <Words
        size="figure"
        weight="bold"
        tone={row.verdict === 'never' || row.verdict === 'hold' ? 'stop' : 'good'}
        tabular
      >
        {per1000 ?? t(`rateCard.verdict.${row.verdict}`)}
      </Words>
      {per1000 ? (
        <Words tone="second">
          {`${t('rateCard.perThousand')} · ${t(`rateCard.verdict.${row.verdict}`)}`}
        </Words>
      ) : null}
      <View>
        <Line label={t('rateCard.label')} value={labelRange(t, row)} />
        {total ? (
          <Line label={t('rateCard.total', { area: number(areaFt2) })} value={total} />
        ) : null}
        {row.until ? (
          <Line
            label={t('rateCard.verdict.hold')}
            value={t('rateCard.until', { date: fullDay(row.until) })}
          />
        ) : null}
      </View>
      <View className="gap-1">
        <Words weight="semi">{t('rateCard.decides')}</Words>
        {reasons.map((reason, index) => (
          <Words key={`${reason.rule}-${index}`}>{reasonWords(t, reason)}</Words>
        ))}
      </View>
      {row.moved.map((figure) => (
        <View key={figure.kind} className="gap-1">
          <Words weight="semi" tone="cool">
            {movedWords(t, figure)}
          </Words>
          <Words size="note" tone="quiet">
            {t(`rateCard.movedHow.${figure.kind}`)}
          </Words>
        </View>
      ))}
      {sprayed && row.ratePerAcre !== null ? (
        <LinkButton
          label={t('rateCard.mix')}
          href={`/mix/card?product=${row.slug}&rate=${row.ratePerAcre}&area=${Math.round(areaFt2)}`}
        />
      ) : null}
      <Words size="note" tone="caution" weight="semi">
        {t('rateCard.caution')}
      </Words>
    </View>
  );
}
