import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Words } from './Words';

/** A row that leads somewhere. */
export function ListRow({
  title,
  lines,
  aside,
  chosen = false,
  onPress,
  testID,
}: {
  title: string;
  lines: readonly string[];
  aside?: ReactNode;
  chosen?: boolean;
  onPress: () => void;
  testID?: string;
}) {
  return (
    <Pressable
      role="link"
      aria-label={title}
      aria-current={chosen}
      onPress={onPress}
      testID={testID}
      className={`min-h-[72px] flex-row items-center gap-3 rounded-2xl border-2 p-3 ${chosen ? 'border-main bg-good-tint' : 'border-line bg-raised'}`}
    >
      <View className="min-w-0 flex-1 gap-0.5">
        <Words size="lead" weight="bold" numberOfLines={1}>
          {title}
        </Words>
        {lines.map((line) => (
          <Words key={line} size="note" tone="second" numberOfLines={1}>
            {line}
          </Words>
        ))}
      </View>
      {aside}
    </Pressable>
  );
}
