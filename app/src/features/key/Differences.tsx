import { tellApart } from '@alfombra/core/key';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Words } from '@/ui';
import { StateDrawing } from './StateDrawing';
import { usePlantName } from './usePlantName';

/** Two plants side by side in what tells them apart, drawn. */
export function Differences({ a, b, most }: { a: string; b: string; most: number }) {
  const { t } = useTranslation();
  const nameOf = usePlantName();
  return tellApart(a, b)
    .slice(0, most)
    .map((difference) => (
      <View key={difference.character} className="gap-2 border-b-2 border-line pb-3">
        <Words weight="bold">{t(`key.character.${difference.character}`)}</Words>
        <Words size="note" tone="second">
          {t(`key.where.${difference.character}`)}
        </Words>
        <View className="flex-row gap-3">
          {[
            { plant: a, states: difference.a },
            { plant: b, states: difference.b },
          ].map(({ plant, states }) => (
            <View key={plant} className="flex-1 gap-1">
              <Words size="note" weight="semi" tone="second">
                {nameOf(plant)}
              </Words>
              {states.map((state) => (
                <View key={state} className="flex-row items-center gap-2">
                  <StateDrawing character={difference.character} state={state} size={64} />
                  <Words className="min-w-0 flex-1">{t(`key.state.${state}`)}</Words>
                </View>
              ))}
            </View>
          ))}
        </View>
      </View>
    ));
}
