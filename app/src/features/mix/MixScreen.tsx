import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useLawns } from '@/api/queries';
import { CalculatorList } from '@/features/calculators/CalculatorList';
import { KnotGlyph, ListRow, Screen, shortDay, Tag, Title, Words } from '@/ui';

/** Mixes that are due, the card of any mix, and every calculation of the field. */
export function MixScreen() {
  const { t } = useTranslation();
  const router = useRouter();
  const lawns = useLawns();
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
      <View className="gap-3 lg:flex-row lg:flex-wrap">
        {due.map(({ lawn, step }) => (
          <View key={step.stepId} className="lg:w-[49%]">
            <ListRow
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
          </View>
        ))}
      </View>
      <Title>{t('calcUi.title')}</Title>
      <ListRow
        title={t('mix.calculator')}
        lines={[t('mix.calculatorLead')]}
        onPress={() => router.push('/mix/card')}
        testID="to-mix-card"
      />
      <CalculatorList />
    </Screen>
  );
}
