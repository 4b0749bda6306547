import type { MeasuredAmount, MixCard, MixLoad, Pour } from '@alfombra/core';
import type { TFunction } from 'i18next';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, number, Segmented, Words } from '@/ui';

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

function Pours({ load, leftOver }: { load: MixLoad; leftOver: boolean }) {
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
        <Words weight="bold">{t(leftOver ? 'mix.rinseLeftOver' : 'mix.rinse')}</Words>
        <Words size="note" tone="second">
          {t('mix.covers', { area: number(load.coversFt2) })}
        </Words>
      </View>
    </View>
  );
}

/** The card read at the tank: loads, one line a pour in the order of filling, cautions. */
export function MixCardView({ card }: { card: MixCard }) {
  const { t } = useTranslation();
  const [which, setWhich] = useState<'full' | 'last'>('full');
  const shown = which === 'full' ? (card.full ?? card.last) : (card.last ?? card.full);
  const pours = shown ? <Pours load={shown} leftOver={card.neededGallons !== null} /> : null;
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
  const lines = [
    t('mix.label'),
    cautions.restrictedUse ? t('mix.restricted') : null,
    t('mix.signal', { word: t(`mix.word.${cautions.signalWord}`) }),
    cautions.ppe.length > 0
      ? t('mix.ppe', { list: cautions.ppe.map((item) => t(`mix.ppeItem.${item}`)).join(', ') })
      : null,
    t('mix.drift'),
    (cautions.keepDryHours ?? cautions.rainfastHours)
      ? t('mix.dry', { hours: cautions.keepDryHours ?? cautions.rainfastHours })
      : null,
    inches && cautions.waterInWithinDays
      ? t('mix.waterIn', {
          inches: inches[0] === inches[1] ? inches[0] : inches.join('–'),
          count: cautions.waterInWithinDays,
        })
      : null,
    cautions.reentryHours === null
      ? t('mix.people')
      : t('mix.reentry', { count: cautions.reentryHours }),
    ...cautions.siteBans.map((where) => t('mix.siteBans', { where })),
    cautions.cleanTank ? t('mix.clean') : null,
  ].filter((line): line is string => line !== null);
  return (
    <>
      <View>
        <Words weight="bold" testID="loads">
          {summary.filter(Boolean).join(' + ')}
        </Words>
        {card.neededGallons !== null ? (
          <Words size="note" tone="second">
            {t('mix.leastBatch', { gallons: number(card.neededGallons, 2) })}
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
      <Card tone="caution">
        <Words weight="bold">{t('mix.cautions')}</Words>
        {lines.map((line) => (
          <Words key={line}>{line}</Words>
        ))}
      </Card>
    </>
  );
}
