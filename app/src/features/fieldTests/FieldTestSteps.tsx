import type { FieldTestCard } from '@alfombra/core/walking';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { LineDrawing } from '@/features/key/LineDrawing';
import { Card, Words } from '@/ui';
import { Countdown } from './Countdown';
import { testDrawings } from './testDrawings';

/** How a field test is done: what to take, a drawing, the steps with their clocks, what misleads. */
export function FieldTestSteps({ card }: { card: FieldTestCard }) {
  const { t } = useTranslation();
  const lines = (part: 'kit' | 'steps' | 'misread') =>
    t(`fieldTest.${card.slug}.${part}`, { returnObjects: true }) as string[];
  return (
    <View className="gap-3">
      <View className="flex-row items-center gap-4">
        <LineDrawing paths={testDrawings[card.slug] ?? []} size={96} />
        <View className="min-w-0 flex-1">
          <Words size="note" weight="semi" tone="second">
            {t('fieldUi.kit')}
          </Words>
          {lines('kit').map((item) => (
            <Words key={item}>{item}</Words>
          ))}
          {card.waitDays ? (
            <Words size="note" tone="caution" weight="semi">
              {t('fieldUi.waitDays', { low: card.waitDays[0], high: card.waitDays[1] })}
            </Words>
          ) : null}
        </View>
      </View>
      {lines('steps').map((step, index) => (
        <View key={step} className="flex-row gap-3">
          <Words weight="bold" tabular className="w-[20px]">
            {index + 1}
          </Words>
          <Words className="min-w-0 flex-1">{step}</Words>
        </View>
      ))}
      {card.timers.map((seconds) => (
        <Countdown key={seconds} seconds={seconds} />
      ))}
      <Card tone="panel">
        <Words size="note" weight="semi" tone="second">
          {t('fieldUi.misread')}
        </Words>
        {lines('misread').map((line) => (
          <Words key={line} size="note">
            {line}
          </Words>
        ))}
      </Card>
    </View>
  );
}
