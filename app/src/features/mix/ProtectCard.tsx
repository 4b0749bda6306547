import {
  batchOf,
  measuredAmount,
  poundsOf,
  type ProtectStep,
  THOUSANDS_PER_ACRE,
} from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useProducts } from '@/features/shelf/useProducts';
import { Card, Failed, number, NumberField, type NumberText, rate, typedNumber, Words } from '@/ui';
import { CautionBlock } from './CautionBlock';
import { SpreadCardView } from './SpreadCardView';

/** Bag that a granular insecticide comes in, lb. */
const BAG_LB = 30;

/** The card of an insecticide or a fungicide: loads and pours, or pounds and passes. */
export function ProtectCard({
  step,
  tankGal,
  onTank,
}: {
  step: ProtectStep;
  tankGal: NumberText;
  onTank: (text: NumberText) => void;
}) {
  const { t } = useTranslation();
  const product = useProducts().treatment(step.treatment);
  const name = t(`treatment.${step.treatment}`);
  const wateredIn = (product?.waterInIn ?? 0) > 0;
  const care = {
    reentryHours: product?.own?.reentryHours ?? null,
    wateredIn,
    product: [
      t(`protectCard.signal.${product?.signalWord ?? 'caution'}`),
      (product?.beeHazard ?? 0) >= 2 ? t('protectCard.bees') : null,
      wateredIn
        ? t('protectCard.waterIn', { inches: number(product?.waterInIn ?? 0, 2) })
        : t('protectCard.keepDry'),
      product?.own?.siteBans ? t('mix.siteBans', { where: product.own.siteBans }) : null,
    ],
  };
  if (step.granular) {
    return (
      <SpreadCardView
        name={name}
        lbPer1000={poundsOf(step.ratePerAcre, step.unit) / THOUSANDS_PER_ACRE}
        areaFt2={step.areaFt2}
        bagLb={BAG_LB}
        handling="granules"
        {...care}
      />
    );
  }
  const tank = typedNumber(tankGal);
  const carrier = step.carrierGalPer1000 ?? 2;
  const total = (step.areaFt2 / 1000) * carrier;
  const perGallon = step.total / total;
  const dose =
    step.unit === 'million'
      ? []
      : [{ ratePer1000: (step.total / step.areaFt2) * 1000, unit: step.unit }];
  const batch =
    tank && tank > 0
      ? batchOf(dose, { areaFt2: step.areaFt2, carrierGalPer1000: carrier, tankGal: tank })
      : null;
  const loads = batch && batch.smallestGallons === null ? batch.loads : null;
  const pour = (gallons: number) => {
    const amount = perGallon * gallons;
    if (step.unit === 'million') return `${number(amount, 1)} ${t('unit.million')}`;
    const measured = measuredAmount(amount, step.unit);
    return `${rate(measured.value)} ${t(`unit.${measured.unit}`)}`;
  };
  const rows = loads
    ? [
        ...(loads.fullLoads > 0
          ? [{ key: 'full', count: loads.fullLoads, gallons: loads.gallonsEach }]
          : []),
        ...(loads.lastGallons > 0 ? [{ key: 'last', count: 1, gallons: loads.lastGallons }] : []),
      ]
    : [];
  return (
    <>
      <NumberField
        label={t('mix.tank')}
        unit={t('mix.gal')}
        value={tankGal}
        onChange={onTank}
        error={batch ? undefined : t('mix.positive')}
        testID="tank"
      />
      {batch && batch.smallestGallons !== null ? (
        <Failed
          message={t('mix.refused.batch-too-small', {
            gallons: number(batch.smallestGallons, 2),
            area: number((batch.smallestGallons / carrier) * 1000),
          })}
        />
      ) : null}
      {batch?.leftOver ? (
        <Words weight="semi">
          {t('mix.rinseLeftOver', {
            gallons: number(batch.leftOver.gallons, 2),
            area: number(batch.leftOver.coversFt2),
          })}
        </Words>
      ) : null}
      <View className="overflow-hidden rounded-3xl border-[3px] border-ink" testID="protect-card">
        {rows.map((row, index) => (
          <View
            key={row.key}
            className={`bg-raised px-4 py-2.5 ${index > 0 ? 'border-t-[3px] border-ink' : ''}`}
          >
            <Words size="note">
              {t('protectCard.load', { count: row.count, gallons: number(row.gallons, 2) })}
            </Words>
            <Words size="pour" display tabular>
              {pour(row.gallons)}
            </Words>
            <Words size="note" tone="second">
              {`${name} · ${t('common.ft2', { value: number((row.gallons / carrier) * 1000) })}`}
            </Words>
          </View>
        ))}
      </View>
      <Card tone="panel">
        <Words>{t('protectCard.order')}</Words>
      </Card>
      <CautionBlock handling="spray" {...care} />
    </>
  );
}
