import { useCallback } from 'react';
import { useTranslation } from 'react-i18next';

/** The common name of a grass or a weed by its slug. */
export function usePlantName(): (slug: string) => string {
  const { t } = useTranslation();
  return useCallback(
    (slug) => t(`grass.${slug}`, { defaultValue: t(`weed.${slug}`, { defaultValue: slug }) }),
    [t],
  );
}
