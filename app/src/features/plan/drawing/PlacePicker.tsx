import type { Lawn, Point } from '@alfombra/core';
import { zoneAt } from '@alfombra/core/drawing';
import type { KeyboardEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, Words } from '@/ui';
import { LawnPicture } from './LawnPicture';

const STEP_FT = 1;
const WAYS = [
  ['left', -1, 0],
  ['up', 0, -1],
  ['down', 0, 1],
  ['right', 1, 0],
] as const;
const KEY: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
  ArrowRight: [1, 0],
};

/** Chooses a place on the plan: by a press, then a foot at a time by thumb or by the arrow keys. */
export function PlacePicker({
  lawn,
  at,
  height,
  focus = null,
  onChange,
}: {
  lawn: Lawn;
  at: Point;
  height: number;
  focus?: string | null;
  onChange: (at: Point) => void;
}) {
  const { t } = useTranslation();
  const by = (dx: number, dy: number) =>
    onChange({ x: at.x + dx * STEP_FT, y: at.y + dy * STEP_FT });
  const keys = (event: KeyboardEvent) => {
    const step = KEY[event.key];
    if (!step) return;
    event.preventDefault();
    by(...step);
  };
  const zone = zoneAt(lawn.zones, at);
  return (
    <View className="gap-2" role="group" aria-label={t('place.label')}>
      <View
        tabIndex={0}
        {...({ onKeyDown: keys } as object)}
        aria-label={t('place.keys')}
        role="application"
      >
        <LawnPicture
          lawn={lawn}
          focus={focus}
          zoneId={focus}
          height={height}
          cross={at}
          onPress={(press) => onChange(press.at)}
        />
      </View>
      <View className="flex-row gap-2">
        {WAYS.map(([way, dx, dy]) => (
          <View key={way} className="flex-1">
            <Button kind="plain" label={t(`place.${way}`)} onPress={() => by(dx, dy)} />
          </View>
        ))}
      </View>
      <Words size="note" tone={zone ? 'second' : 'stop'} role="status">
        {zone ? t('place.inZone', { zone: zone.name }) : t('place.outside')}
      </Words>
    </View>
  );
}
