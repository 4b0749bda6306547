import { View } from 'react-native';
import { Choice, Tag, Words } from '@/ui';

/** A ring that is filled when it is the one, its words, and a figure. */
export function CauseOption({
  value,
  label,
  lead,
  aside,
  chosen,
  testID,
}: {
  value: string;
  label: string;
  lead?: string;
  aside?: string;
  chosen: boolean;
  testID?: string;
}) {
  return (
    <Choice
      value={value}
      {...(testID ? { testID } : {})}
      className={`min-h-[56px] flex-row items-center gap-3 rounded-2xl border-2 px-4 py-3 ${chosen ? 'border-main bg-good-tint' : 'border-line bg-raised'}`}
    >
      <View
        aria-hidden
        className={`h-[22px] w-[22px] items-center justify-center rounded-full border-2 ${chosen ? 'border-main' : 'border-thread'}`}
      >
        {chosen ? <View className="h-[12px] w-[12px] rounded-full bg-main" /> : null}
      </View>
      <View className="min-w-0 flex-1">
        <Words weight="bold">{label}</Words>
        {lead ? (
          <Words size="note" tone="second">
            {lead}
          </Words>
        ) : null}
      </View>
      {aside ? <Tag label={aside} /> : null}
    </Choice>
  );
}
