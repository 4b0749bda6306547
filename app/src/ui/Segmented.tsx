import { Pressable, View } from 'react-native';
import { Words } from './Words';

/** A few views of one thing, side by side; the chosen one is underlined. */
export function Segmented<Value extends string>({
  value,
  options,
  onChange,
}: {
  value: Value;
  options: readonly { value: Value; label: string; note?: string }[];
  onChange: (value: Value) => void;
}) {
  return (
    <View role="tablist" className="flex-row border-b-2 border-line">
      {options.map((option) => {
        const chosen = option.value === value;
        return (
          <Pressable
            key={option.value}
            role="tab"
            aria-selected={chosen}
            onPress={() => onChange(option.value)}
            className={`-mb-[2px] min-h-[52px] flex-1 items-center justify-center border-b-4 px-1 ${chosen ? 'border-main' : 'border-transparent'}`}
          >
            <Words weight={chosen ? 'bold' : 'semi'} tone={chosen ? 'ink' : 'quiet'}>
              {option.label}
            </Words>
            {option.note ? (
              <Words size="note" tone={chosen ? 'second' : 'quiet'}>
                {option.note}
              </Words>
            ) : null}
          </Pressable>
        );
      })}
    </View>
  );
}
