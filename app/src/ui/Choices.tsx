import { View } from 'react-native';
import { Chip } from './Chip';
import { Words } from './Words';

/** One of a few, under its label; none is pressed while nothing was chosen. */
export function Choices<Value extends string>({
  label,
  value,
  options,
  nameOf,
  onChange,
}: {
  label: string;
  value: Value | null;
  options: readonly Value[];
  nameOf: (option: Value) => string;
  onChange: (value: Value) => void;
}) {
  return (
    <View className="gap-1" role="group" aria-label={label}>
      <Words size="note" weight="semi" tone="second">
        {label}
      </Words>
      <View className="flex-row flex-wrap gap-2">
        {options.map((option) => (
          <Chip
            key={option}
            label={nameOf(option)}
            chosen={option === value}
            onPress={() => onChange(option)}
          />
        ))}
      </View>
    </View>
  );
}
