import type { MeasuredAmount, MixCard, MixLoad, MixRefusal, Pour } from '@alfombra/core';
import type { TFunction } from 'i18next';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, Card, number, rate, Segmented, Words } from '@/ui';
import { CautionBlock } from './CautionBlock';
import { SpreadCardView } from './SpreadCardView';

/** Bag that a granular herbicide comes in, lb. */
const BAG_LB = 40;

interface Line {
  key: string;
  name: string;
  figure: string;
  unit: string;
  note: string | null;
  /** On weld: has to be weighed or drawn up. */
  careful: boolean;
}

const amount = (t: TFunction, measured: MeasuredAmount) => ({
  figure: number(measured.value, 2),
  unit: t(`unit.${measured.unit}`),
  note:
    measured.tool === 'scale'
      ? t('mix.weigh')
      : measured.tool === 'syringe'
        ? t('mix.syringe')
        : null,
  careful: measured.tool !== 'cup',
});

function lineOf(t: TFunction, pour: Pour): Line {
  switch (pour.kind) {
    case 'water-first':
    case 'water-fill':
      return {
        key: pour.kind,
        name: t(pour.kind === 'water-first' ? 'mix.waterFirst' : 'mix.waterFill'),
        figure: number(pour.gallons, 2),
        unit: t('unit.gal'),
        note: null,
        careful: false,
      };
    case 'product':
      return {
        key: pour.herbicide,
        name: t(`herbicide.${pour.herbicide}`),
        ...amount(t, pour.amount),
      };
    case 'adjuvant':
      return {
        key: pour.adjuvant,
        name: `${t(`mix.adjuvant.${pour.adjuvant}`)}${pour.percent === null ? '' : `, ${pour.percent} %`}`,
        ...(pour.amount
          ? amount(t, pour.amount)
          : { figure: '', unit: t('mix.asLabel'), note: null, careful: false }),
      };
  }
}

function refusalWords(t: TFunction, refusal: MixRefusal): string {
  if (refusal.rule === 'batch-too-small') {
    return t('mix.refused.batch-too-small', {
      gallons: number(refusal.gallons, 2),
      area: number(refusal.coversFt2),
    });
  }
  const name = t(`herbicide.${refusal.herbicide}`);
  return refusal.rule === 'not-for-home-lawns'
    ? t('mix.refused.not-for-home-lawns', { name })
    : t('mix.refused.rate-over-label', {
        name,
        rate: number(refusal.rate, 3),
        max: number(refusal.max, 3),
        unit: t(`unit.${refusal.unit}`),
      });
}

function Pours({ load, leftOver }: { load: MixLoad; leftOver: MixCard['leftOver'] }) {
  const { t } = useTranslation();
  const lines = load.pours.map((pour) => lineOf(t, pour));
  return (
    <View className="overflow-hidden rounded-3xl border-[3px] border-ink" testID="mix-card">
      {lines.map((line, index) => (
        <View
          key={line.key}
          className={`px-4 py-2.5 ${index > 0 ? 'border-t-[3px] border-ink' : ''} ${line.careful ? 'bg-[#F6E4B4]' : 'bg-raised'}`}
        >
          <Words size="note" tone={line.careful ? 'black' : 'ink'}>
            {`${index + 1} · ${line.name}`}
          </Words>
          <View className="flex-row flex-wrap items-baseline gap-x-3">
            <Words size="pour" display tabular tone={line.careful ? 'black' : 'ink'}>
              {line.figure}
            </Words>
            <Words size="title" weight="bold" tone={line.careful ? 'black' : 'ink'}>
              {line.unit}
            </Words>
            {line.note ? (
              <Words size="note" weight="semi" tone="black" className="shrink">
                {line.note}
              </Words>
            ) : null}
          </View>
        </View>
      ))}
      <View className="border-t-[3px] border-ink bg-panel px-4 py-3">
        <Words weight="bold">
          {leftOver
            ? t('mix.rinseLeftOver', {
                gallons: number(leftOver.gallons, 2),
                area: number(leftOver.coversFt2),
              })
            : t('mix.rinse')}
        </Words>
        <Words size="note" tone="second">
          {t('mix.covers', { area: number(load.coversFt2) })}
        </Words>
      </View>
    </View>
  );
}

/** The card read at the tank: loads, one line a pour in the order of filling, cautions. */
export function MixCardView({ card, areaFt2 }: { card: MixCard; areaFt2: number }) {
  const { t } = useTranslation();
  const [which, setWhich] = useState<'full' | 'last'>('full');
  const [meant, setMeant] = useState(false);
  const shown = which === 'full' ? (card.full ?? card.last) : (card.last ?? card.full);
  const { loads, cautions } = card;
  const summary =
    loads.fullLoads > 0
      ? [
          t('mix.loads', { count: loads.fullLoads, gallons: number(loads.gallonsEach, 2) }),
          loads.lastGallons > 0
            ? t('mix.lastLoad', { gallons: number(loads.lastGallons, 2) })
            : null,
        ]
      : [t('mix.loads', { count: 1, gallons: number(loads.lastGallons, 2) })];
  const inches = cautions.waterInInches;
  const careOf = {
    reentryHours: cautions.reentryHours,
    product: [
      cautions.restrictedUse ? t('mix.restricted') : null,
      t('mix.signal', { word: t(`mix.word.${cautions.signalWord}`) }),
      cautions.ppe.length > 0
        ? t('mix.ppe', { list: cautions.ppe.map((item) => t(`mix.ppeItem.${item}`)).join(', ') })
        : null,
      (cautions.keepDryHours ?? cautions.rainfastHours)
        ? t('mix.dry', { hours: cautions.keepDryHours ?? cautions.rainfastHours })
        : null,
      inches && cautions.waterInWithinDays
        ? t('mix.waterIn', {
            inches: inches[0] === inches[1] ? inches[0] : inches.join('–'),
            count: cautions.waterInWithinDays,
          })
        : null,
      ...cautions.siteBans.map((where) => t('mix.siteBans', { where })),
      cautions.cleanTank ? t('mix.clean') : null,
    ],
  };
  const care = <CautionBlock handling="spray" {...careOf} />;
  if (card.refused.length > 0) {
    return (
      <>
        <Card tone="stop" testID="mix-refused">
          <Words weight="bold">{t('mix.refusedTitle')}</Words>
          {card.refused.map((refusal) => (
            <Words key={JSON.stringify(refusal)}>{refusalWords(t, refusal)}</Words>
          ))}
        </Card>
        {care}
      </>
    );
  }
  if (card.kills && !meant) {
    return (
      <>
        <Card tone="stop" testID="mix-kills">
          <Words weight="bold">{t('mix.kills')}</Words>
          <Words>{t('mix.killsLead')}</Words>
          <Button label={t('mix.killsMeant')} onPress={() => setMeant(true)} wide />
        </Card>
        {care}
      </>
    );
  }
  if (!shown) {
    return card.spread.map(({ herbicide, lbPer1000 }) => (
      <SpreadCardView
        key={herbicide}
        name={t(`herbicide.${herbicide}`)}
        lbPer1000={lbPer1000}
        areaFt2={areaFt2}
        bagLb={BAG_LB}
        handling="granules"
        wateredIn={inches !== null}
        {...careOf}
      />
    ));
  }
  const pours = <Pours load={shown} leftOver={card.leftOver} />;
  return (
    <>
      <View>
        <Words weight="bold" testID="loads">
          {summary.filter(Boolean).join(' + ')}
        </Words>
        {card.neededGallons !== null ? (
          <Words size="note" tone="second">
            {t(card.largerFor === 'measuring' ? 'mix.measureBatch' : 'mix.leastBatch', {
              gallons: number(card.neededGallons, 2),
            })}
          </Words>
        ) : null}
        {loads.equalized ? (
          <Words size="note" tone="second">
            {t('mix.equalized')}
          </Words>
        ) : null}
      </View>
      {card.full && card.last ? (
        <Segmented
          value={which}
          onChange={setWhich}
          options={[
            { value: 'full', label: t('mix.fullLoad') },
            { value: 'last', label: t('mix.lastLoadTab') },
          ]}
        >
          {pours}
        </Segmented>
      ) : (
        pours
      )}
      {card.spread.map(({ herbicide, totalLb, lbPer1000 }) => (
        <Card key={herbicide} tone="panel" testID="spread-apart">
          <Words weight="bold">
            {t('mix.spreadApart', {
              name: t(`herbicide.${herbicide}`),
              total: number(totalLb, 1),
              rate: rate(lbPer1000),
            })}
          </Words>
        </Card>
      ))}
      {care}
    </>
  );
}
