import type { Lawn } from '@alfombra/core';
import type { ComponentProps } from 'react';
import { useTranslation } from 'react-i18next';
import { PlanPicture } from './PlanPicture';
import { usePlanWords } from './usePlanWords';

/** A lawn's own plan, named after it. */
export function LawnPicture({
  lawn,
  ...rest
}: { lawn: Lawn } & Omit<ComponentProps<typeof PlanPicture>, 'content' | 'words' | 'label'>) {
  const { t } = useTranslation();
  const words = usePlanWords();
  return (
    <PlanPicture
      content={lawn}
      words={words}
      label={t('lawn.planLabel', { name: lawn.name })}
      {...rest}
    />
  );
}
