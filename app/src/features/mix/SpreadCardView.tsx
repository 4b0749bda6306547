import { granuleJob } from '@alfombra/core';
import type { ComponentProps } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, number, rate, Words } from '@/ui';
import { CautionBlock } from './CautionBlock';

/** The card read at the spreader: bags, pounds, half in each of two passes. */
export function SpreadCardView({
  name,
  lbPer1000,
  areaFt2,
  bagLb,
  ...care
}: {
  name: string;
  lbPer1000: number;
  areaFt2: number;
  bagLb: number;
} & ComponentProps<typeof CautionBlock>) {
  const { t } = useTranslation();
  const job = granuleJob(lbPer1000, areaFt2, bagLb);
  const rows = [
    {
      key: 'total',
      name: t('mix.granule', { grade: name, lb: rate(lbPer1000) }),
      figure: number(job.totalLb, 1),
      note: t('common.ft2', { value: number(areaFt2) }),
    },
    { key: 'pass', name: t('mix.pass'), figure: number(job.lbPerPass, 1), note: null },
    {
      key: 'bags',
      name: t('mix.bags', { count: job.bags, size: bagLb }),
      figure: String(job.bags),
      note: t('mix.inBagLeft', { lb: number(job.leftOverLb, 1) }),
    },
  ];
  return (
    <>
      <View className="overflow-hidden rounded-3xl border-[3px] border-ink" testID="spread-card">
        {rows.map((row, index) => (
          <View
            key={row.key}
            className={`bg-raised px-4 py-2.5 ${index > 0 ? 'border-t-[3px] border-ink' : ''}`}
          >
            <Words size="note">{`${index + 1} · ${row.name}`}</Words>
            <View className="flex-row flex-wrap items-baseline gap-x-3">
              <Words size="pour" display tabular>
                {row.figure}
              </Words>
              {row.key === 'bags' ? null : (
                <Words size="title" weight="bold">
                  {t('unit.lb')}
                </Words>
              )}
              {row.note ? (
                <Words size="note" tone="second">
                  {row.note}
                </Words>
              ) : null}
            </View>
          </View>
        ))}
      </View>
      <Card tone="panel">
        <Words>{t('mix.passNote')}</Words>
      </Card>
      <CautionBlock {...care} />
    </>
  );
}
