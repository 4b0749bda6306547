import type { Lawn } from '@alfombra/core';
import { useMemo, type ComponentProps } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePreferenceStore } from '@/state/preferenceStore';
import { LayerChips, layered } from './LayerChips';
import { PlanPicture } from './PlanPicture';
import { usePlanWords } from './usePlanWords';

/** A lawn's own plan, named after it, with the layers that are wanted. */
export function LawnPicture({
  lawn,
  ...rest
}: { lawn: Lawn } & Omit<ComponentProps<typeof PlanPicture>, 'content' | 'words' | 'label'>) {
  const { t } = useTranslation();
  const words = usePlanWords();
  const hidden = usePreferenceStore((state) => state.hidden);
  const content = useMemo(() => layered(lawn, hidden), [lawn, hidden]);
  return (
    <View className="gap-2">
      <PlanPicture
        content={content}
        words={words}
        label={t('lawn.planLabel', { name: lawn.name })}
        {...rest}
      />
      <LayerChips lawn={lawn} />
    </View>
  );
}
