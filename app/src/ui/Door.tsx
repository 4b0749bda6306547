import { Link, type Href } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';

export interface DoorProps {
  /** Where it leads: a real link, for Enter, the middle button and copying. */
  href?: Href | undefined;
  /** What it does on this page, where it leads nowhere. */
  onPress?: (() => void) | undefined;
  current?: boolean | 'page' | undefined;
  className: string;
  testID?: string | undefined;
  children: ReactNode;
}

/** Something large to press: a link with an address where it leads away, a button where it does not. */
export function Door({ href, onPress, current, className, testID, children }: DoorProps) {
  const rest = { className, testID, 'aria-current': current || undefined } as const;
  return href === undefined ? (
    <Pressable role="button" onPress={onPress} {...rest}>
      {children}
    </Pressable>
  ) : (
    <Link href={href} asChild>
      <View {...rest}>{children}</View>
    </Link>
  );
}
