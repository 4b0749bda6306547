import { Pressable } from 'react-native';
import { Words } from './Words';

/** A small choice among a few; chosen is filled and says so. */
export function Chip({
  label,
  chosen,
  onPress,
}: {
  label: string;
  chosen: boolean;
  onPress: () => void;
}) {
  return (
    <Pressable
      role="button"
      aria-pressed={chosen}
      onPress={onPress}
      className={`min-h-[48px] justify-center rounded-full border-2 px-4 ${chosen ? 'border-main bg-main' : 'border-line bg-raised'}`}
    >
      <Words weight="semi" tone={chosen ? 'on-main' : 'ink'}>
        {label}
      </Words>
    </Pressable>
  );
}

/** A word on a tint, not to be pressed. */
export function Tag({
  label,
  tone = 'panel',
}: {
  label: string;
  tone?: 'panel' | 'good' | 'stop' | 'caution' | 'cool';
}) {
  const box = {
    panel: 'bg-panel',
    good: 'bg-good-tint',
    stop: 'bg-stop-tint',
    caution: 'bg-caution-tint',
    cool: 'bg-cool-tint',
  }[tone];
  const ink = tone === 'panel' ? 'second' : tone;
  return (
    <Words
      size="note"
      weight="semi"
      tone={ink}
      className={`self-start overflow-hidden rounded-full px-3 py-1 ${box}`}
    >
      {label}
    </Words>
  );
}
