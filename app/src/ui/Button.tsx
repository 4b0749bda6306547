import type { Href } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Door } from './Door';
import { Words } from './Words';

type Kind = 'main' | 'plain' | 'equal' | 'quiet';

interface Look {
  label: string;
  kind?: Kind;
  icon?: ReactNode;
  wide?: boolean;
  testID?: string;
}

export interface ButtonProps extends Look {
  onPress: () => void;
  disabled?: boolean;
  /** Shown instead of the label while something is on its way. */
  busy?: string | null;
}

const BOX: Record<Kind, string> = {
  main: 'bg-main border-main',
  plain: 'bg-raised border-thread',
  equal: 'bg-raised border-ink',
  quiet: 'bg-transparent border-transparent',
};
const box = (kind: Kind, wide: boolean) =>
  `min-h-[52px] flex-row items-center justify-center gap-2 rounded-xl border-2 px-4 py-2 ${BOX[kind]} ${wide ? 'w-full' : ''}`;

function Inside({ label, kind, icon }: { label: string; kind: Kind; icon?: ReactNode }) {
  return (
    <>
      {icon ? <View aria-hidden>{icon}</View> : null}
      <Words weight="bold" tone={kind === 'main' ? 'on-main' : 'ink'} className="text-center">
        {label}
      </Words>
    </>
  );
}

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
      aria-disabled={off}
      disabled={off}
      onPress={onPress}
      testID={testID}
      className={`${box(kind, wide)} ${off ? 'opacity-60' : ''}`}
    >
      <Inside label={busy ?? label} kind={kind} icon={icon} />
    </Pressable>
  );
}

/** What looks like a button and leads to another page: a link with an address. */
export function LinkButton({
  label,
  href,
  kind = 'main',
  icon,
  wide = false,
  testID,
}: Look & { href: Href }) {
  return (
    <Door href={href} testID={testID} className={box(kind, wide)}>
      <Inside label={label} kind={kind} icon={icon} />
    </Door>
  );
}
