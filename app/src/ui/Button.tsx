import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Words } from './Words';

export interface ButtonProps {
  label: string;
  onPress: () => void;
  kind?: 'main' | 'plain' | 'equal' | 'quiet';
  disabled?: boolean;
  /** Shown instead of the label while something is on its way. */
  busy?: string | null;
  icon?: ReactNode;
  wide?: boolean;
  testID?: string;
}

const BOX: Record<NonNullable<ButtonProps['kind']>, string> = {
  main: 'bg-main border-main',
  plain: 'bg-raised border-thread',
  equal: 'bg-raised border-ink',
  quiet: 'bg-transparent border-transparent',
};

/** A plain verb to press; one `main` a screen. */
export function Button({
  label,
  onPress,
  kind = 'main',
  disabled = false,
  busy = null,
  icon,
  wide = false,
  testID,
}: ButtonProps) {
  const off = disabled || busy !== null;
  return (
    <Pressable
      role="button"
      aria-label={label}
      aria-disabled={off}
      disabled={off}
      onPress={onPress}
      testID={testID}
      className={`min-h-[52px] flex-row items-center justify-center gap-2 rounded-xl border-2 px-4 py-2 ${BOX[kind]} ${wide ? 'w-full' : ''} ${off ? 'opacity-60' : ''}`}
    >
      {icon ? <View aria-hidden>{icon}</View> : null}
      <Words weight="bold" tone={kind === 'main' ? 'on-main' : 'ink'} className="text-center">
        {busy ?? label}
      </Words>
    </Pressable>
  );
}
