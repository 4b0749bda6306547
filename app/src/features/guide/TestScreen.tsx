import { grasses, type GrassSlug } from '@alfombra/core';
import { fieldTestCard } from '@alfombra/core/walking';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { FieldTestForm } from '@/features/fieldTests/FieldTestForm';
import { FieldTestSteps } from '@/features/fieldTests/FieldTestSteps';
import { Card, Empty, Screen, SelectField, Title } from '@/ui';

/** One field test: how it is done, and its arithmetic to be used away from a walk. */
export function TestScreen({ slug }: { slug: string }) {
  const { t } = useTranslation();
  const [main, setMain] = useState<GrassSlug>('tall-fescue');
  const card = fieldTestCard(slug);
  const back = '/guide?view=tests';
  if (!card) {
    return (
      <Screen title={t('guide.title')} back={back}>
        <Empty title={t('guide.none', { query: slug })} />
      </Screen>
    );
  }
  return (
    <Screen title={t(`fieldTest.${slug}.name`)} back={back}>
      <View className="gap-4 lg:flex-row lg:items-start">
        <View className="lg:flex-1">
          <Card>
            <FieldTestSteps card={card} />
          </Card>
        </View>
        {card.fields.length > 0 ? (
          <View className="lg:flex-1">
            <Card>
              <Title>{t('guide.tryIt')}</Title>
              <SelectField
                label={t('guide.forGrass')}
                value={main}
                options={grasses.map(({ slug: value }) => ({ value, label: t(`grass.${value}`) }))}
                onChange={(value) => setMain(value as GrassSlug)}
              />
              <FieldTestForm card={card} draftKey="guide" main={main} />
            </Card>
          </View>
        ) : null}
      </View>
    </Screen>
  );
}
