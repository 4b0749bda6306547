import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePreferenceStore } from '@/state/preferenceStore';
import { Chip } from '@/ui';

/** Feet or metres, for the tape and for the whole plan. */
export function UnitChoice() {
  const { t } = useTranslation();
  const { lengthUnit, setLengthUnit } = usePreferenceStore();
  return (
    <View className="flex-row gap-2">
      {(['ft', 'm'] as const).map((option) => (
        <Chip
          key={option}
          label={t(`plan.unit.${option}`)}
          chosen={lengthUnit === option}
          onPress={() => setLengthUnit(option)}
        />
      ))}
    </View>
  );
}
