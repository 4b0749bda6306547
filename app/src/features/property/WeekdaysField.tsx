import { WEEKDAYS, type Weekday } from '@alfombra/core';
import { View } from 'react-native';
import { Chip, Words } from '@/ui';
import { weekdayName } from './weekdays';

/** Any days of a week. */
export function WeekdaysField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: readonly Weekday[];
  onChange: (days: Weekday[]) => void;
}) {
  return (
    <View className="gap-1" role="group" aria-label={label}>
      <Words size="note" weight="semi">
        {label}
      </Words>
      <View className="flex-row flex-wrap gap-2">
        {WEEKDAYS.map((day) => (
          <Chip
            key={day}
            label={weekdayName(day)}
            chosen={value.includes(day)}
            onPress={() =>
              onChange(WEEKDAYS.filter((one) => (one === day) !== value.includes(one)))
            }
          />
        ))}
      </View>
    </View>
  );
}
