import type { Lawn } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePreferenceStore, type PlanLayer } from '@/state/preferenceStore';
import { Chip } from '@/ui';

const isDrawn: Record<PlanLayer, (lawn: Lawn) => boolean> = {
  marks: ({ pins, lines }) => pins.length + lines.length > 0,
  weeds: ({ weedPatches }) => weedPatches.length > 0,
};
const LAYERS = Object.keys(isDrawn) as PlanLayer[];

/** What of a plan is shown over its ground, as far as this lawn has any. */
export function LayerChips({ lawn }: { lawn: Lawn }) {
  const { t } = useTranslation();
  const { hidden, setHidden } = usePreferenceStore();
  const drawn = LAYERS.filter((layer) => isDrawn[layer](lawn));
  if (drawn.length === 0) return null;
  return (
    <View className="flex-row flex-wrap gap-2" role="group" aria-label={t('lawn.layers')}>
      {drawn.map((layer) => (
        <Chip
          key={layer}
          label={t(`lawn.layer.${layer}`)}
          chosen={!hidden.includes(layer)}
          onPress={() =>
            setHidden(LAYERS.filter((one) => hidden.includes(one) !== (one === layer)))
          }
        />
      ))}
    </View>
  );
}

/** The lawn without the layers that are hidden. */
export const layered = (lawn: Lawn, hidden: readonly PlanLayer[]): Lawn => ({
  ...lawn,
  ...(hidden.includes('marks') ? { pins: [], lines: [] } : {}),
  ...(hidden.includes('weeds') ? { weedPatches: [] } : {}),
});
