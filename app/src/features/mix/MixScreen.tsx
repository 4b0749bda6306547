import { herbicide, herbicides, mixCard } from '@alfombra/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useLawns } from '@/api/queries';
import { usePreferenceStore } from '@/state/preferenceStore';
import {
  Card,
  Field,
  KnotGlyph,
  ListRow,
  Screen,
  SelectField,
  shortDay,
  Tag,
  Title,
  typedNumber,
  Words,
} from '@/ui';
import { MixCardView } from './MixCardView';

const sprays = herbicides.filter(({ form }) => form !== 'granule');

/** Mixes that are due, and a card for any product, area and tank. */
export function MixScreen() {
  const { t } = useTranslation();
  const router = useRouter();
  const lawns = useLawns();
  const { tankGal, setTank } = usePreferenceStore();
  const [slug, setSlug] = useState('threeway-amine');
  const [rateText, setRateText] = useState('64');
  const [areaText, setAreaText] = useState('5000');
  const [carrierText, setCarrierText] = useState('1');
  const product = herbicide(slug)!;
  const unit = t(`unit.${product.unit}`);
  const positive = (text: string) => {
    const value = typedNumber(text);
    return value !== null && value > 0 ? value : null;
  };
  const [rate, area, carrier, tank] = [rateText, areaText, carrierText, tankGal].map(positive);
  const bad = (value: number | null | undefined) => (value ? undefined : t('mix.positive'));
  const due = (lawns.data ?? [])
    .flatMap((lawn) =>
      lawn.due
        .filter(({ kind }) => kind === 'prevent' || kind === 'control')
        .map((step) => ({ lawn, step })),
    )
    .sort((a, b) => (a.step.closes < b.step.closes ? -1 : 1));
  return (
    <Screen title={t('places.mix')} dye="indigo">
      <View className="gap-4 lg:flex-row">
        <View className="gap-4 lg:flex-1">
          <Card>
            <Title>{t('mix.calculator')}</Title>
            <Words tone="second">{t('mix.calculatorLead')}</Words>
            <SelectField
              label={t('mix.product')}
              value={slug}
              options={sprays
                .map((entry) => ({ value: entry.slug, label: t(`herbicide.${entry.slug}`) }))
                .sort((a, b) => a.label.localeCompare(b.label))}
              onChange={(chosen) => {
                setSlug(chosen);
                setRateText(String(herbicide(chosen)?.rate[1] ?? ''));
              }}
            />
            <View className="gap-3 lg:flex-row">
              <View className="flex-1">
                <Field
                  label={t('mix.rate')}
                  unit={`${unit}/A`}
                  numeric
                  value={rateText}
                  onChange={setRateText}
                  error={
                    rate
                      ? rate > product.maxPerApplication
                        ? t('mix.rateOver', { max: product.maxPerApplication, unit })
                        : undefined
                      : bad(rate)
                  }
                  hint={t('mix.rateRange', {
                    low: product.rate[0] ?? product.rate[1],
                    high: product.rate[1],
                    unit,
                  })}
                />
              </View>
              <View className="flex-1">
                <Field
                  label={t('mix.area')}
                  unit="ft²"
                  numeric
                  value={areaText}
                  onChange={setAreaText}
                  error={bad(area)}
                />
              </View>
            </View>
            <View className="flex-row gap-3">
              <View className="flex-1">
                <Field
                  label={t('mix.carrier')}
                  unit={t('mix.gal')}
                  numeric
                  value={carrierText}
                  onChange={setCarrierText}
                  error={bad(carrier)}
                />
              </View>
              <View className="flex-1">
                <Field
                  label={t('mix.tank')}
                  unit={t('mix.gal')}
                  numeric
                  value={tankGal}
                  onChange={setTank}
                  error={bad(tank)}
                />
              </View>
            </View>
          </Card>
          <Title>{t('mix.planned')}</Title>
          {due.length === 0 ? <Words tone="second">{t('mix.nonePlanned')}</Words> : null}
          {due.map(({ lawn, step }) => (
            <ListRow
              key={step.stepId}
              title={lawn.name}
              lines={[`${t(`kind.${step.kind}`)} · ${step.zone}`]}
              onPress={() =>
                router.push(`/lawns/${lawn.id}/mix/${encodeURIComponent(step.stepId)}`)
              }
              aside={
                <View className="items-end gap-1">
                  <KnotGlyph kind={step.kind} />
                  <Tag label={t('today.closesSoon', { date: shortDay(step.closes) })} />
                </View>
              }
            />
          ))}
        </View>
        <View className="gap-4 lg:flex-1">
          {rate && area && carrier && tank ? (
            <MixCardView
              card={mixCard({
                products: [{ herbicide: slug, ratePerAcre: rate }],
                areaFt2: area,
                carrierGalPer1000: carrier,
                tankGal: tank,
              })}
            />
          ) : null}
        </View>
      </View>
    </Screen>
  );
}
