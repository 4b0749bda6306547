import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Door, type DoorProps } from './Door';
import { Words } from './Words';

/** A row that leads somewhere, or opens something here. Its name is all of its words. */
export function ListRow({
  title,
  lines,
  aside,
  chosen = false,
  ...door
}: {
  title: string;
  lines: readonly string[];
  aside?: ReactNode;
  chosen?: boolean;
} & Pick<DoorProps, 'href' | 'onPress' | 'testID'>) {
  return (
    <Door
      {...door}
      current={chosen}
      className={`min-h-[72px] flex-row items-center gap-3 rounded-2xl border-2 p-3 ${chosen ? 'border-main bg-good-tint' : 'border-line bg-raised'}`}
    >
      <View className="min-w-0 flex-1 gap-0.5">
        <Words size="lead" weight="bold">
          {title}
        </Words>
        {lines.map((line) => (
          <Words key={line} size="note" tone="second">
            {line}
          </Words>
        ))}
      </View>
      {aside}
    </Door>
  );
}
