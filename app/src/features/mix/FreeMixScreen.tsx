import { LIBRARY, mixCard } from '@alfombra/core';
import { useProducts } from '@/features/shelf/useProducts';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePreferenceStore } from '@/state/preferenceStore';
import {
  Card,
  number,
  NumberField,
  type NumberText,
  numberText,
  Screen,
  SelectField,
  typedNumber,
} from '@/ui';
import { MixCardView } from './MixCardView';

const sprays = LIBRARY.herbicides.filter(({ form }) => form !== 'granule');

/** Of something that came with a link: a figure above 0, or what stands there without one. */
const orElse = (value: number | undefined, usual: number) =>
  value !== undefined && value > 0 && value < Infinity ? value : usual;

/** The card of any product, area and tank; begun with what a link brings. */
export function FreeMixScreen({
  product: asked,
  ratePerAcre,
  areaFt2,
}: {
  product?: string | undefined;
  ratePerAcre?: number;
  areaFt2?: number;
}) {
  const { t } = useTranslation();
  const { tankGal, setTank } = usePreferenceStore();
  const [slug, setSlug] = useState(() =>
    sprays.some((entry) => entry.slug === asked) ? asked! : 'threeway-amine',
  );
  const [areaText, setAreaText] = useState(() => numberText(orElse(areaFt2, 5000)));
  const [carrierText, setCarrierText] = useState(() => numberText(1));
  const shelf = useProducts();
  const product = shelf.herbicide(slug)!;
  const [rateText, setRateText] = useState(() =>
    numberText(slug === asked ? orElse(ratePerAcre, product.rate[1]) : product.rate[1]),
  );
  const unit = t(`unit.${product.unit}`);
  const positive = (text: NumberText) => {
    const value = typedNumber(text);
    return value !== null && value > 0 ? value : null;
  };
  const [rate, area, carrier, tank] = [rateText, areaText, carrierText, tankGal].map(positive);
  const bad = (value: number | null | undefined) => (value ? undefined : t('mix.positive'));
  return (
    <Screen title={t('mix.calculator')} lead={t('mix.calculatorLead')} dye="indigo" back="/mix">
      <View className="gap-4 lg:flex-row">
        <View className="gap-4 lg:flex-1">
          <Card>
            <SelectField
              label={t('mix.product')}
              value={slug}
              options={sprays
                .map((entry) => ({ value: entry.slug, label: t(`herbicide.${entry.slug}`) }))
                .sort((a, b) => a.label.localeCompare(b.label))}
              onChange={(chosen) => {
                setSlug(chosen);
                setRateText(numberText(shelf.herbicide(chosen)?.rate[1]));
              }}
            />
            <View className="gap-3 lg:flex-row">
              <View className="lg:flex-1">
                <NumberField
                  label={t('mix.rate')}
                  unit={`${unit}/A`}
                  value={rateText}
                  onChange={setRateText}
                  error={
                    rate
                      ? rate > product.maxPerApplication
                        ? t(product.own ? 'mix.rateOverOwn' : 'mix.rateOver', {
                            max: number(product.maxPerApplication, 3),
                            unit,
                          })
                        : undefined
                      : bad(rate)
                  }
                  hint={t('mix.rateRange', {
                    low: number(product.rate[0] ?? product.rate[1], 3),
                    high: number(product.rate[1], 3),
                    unit,
                  })}
                />
              </View>
              <View className="lg:flex-1">
                <NumberField
                  label={t('mix.area')}
                  unit="ft²"
                  value={areaText}
                  onChange={setAreaText}
                  error={bad(area)}
                />
              </View>
            </View>
            <View className="flex-row gap-3">
              <View className="flex-1">
                <NumberField
                  label={t('mix.carrier')}
                  unit={t('mix.gal')}
                  value={carrierText}
                  onChange={setCarrierText}
                  error={bad(carrier)}
                />
              </View>
              <View className="flex-1">
                <NumberField
                  label={t('mix.tank')}
                  unit={t('mix.gal')}
                  value={tankGal}
                  onChange={setTank}
                  error={bad(tank)}
                />
              </View>
            </View>
          </Card>
        </View>
        <View className="gap-4 lg:flex-1">
          {rate && area && carrier && tank ? (
            <MixCardView
              areaFt2={area}
              card={mixCard(
                {
                  products: [{ herbicide: slug, ratePerAcre: rate }],
                  areaFt2: area,
                  carrierGalPer1000: carrier,
                  tankGal: tank,
                },
                shelf,
              )}
            />
          ) : null}
        </View>
      </View>
    </Screen>
  );
}
