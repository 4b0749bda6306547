import type { ReactNode } from 'react';
import { View } from 'react-native';

/** A piece of paper on the wool. */
export function Card({
  tone = 'raised',
  children,
  testID,
}: {
  tone?: 'raised' | 'panel' | 'stop' | 'caution';
  children: ReactNode;
  testID?: string;
}) {
  const box = {
    raised: 'bg-raised border-line',
    panel: 'bg-panel border-line',
    stop: 'bg-stop-tint border-stop',
    caution: 'bg-caution-tint border-weld',
  }[tone];
  return (
    <View testID={testID} className={`gap-3 rounded-2xl border-2 p-4 ${box}`}>
      {children}
    </View>
  );
}
