import type { PlanWords } from '@alfombra/core/drawing';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { usePlanUnits } from '../usePlanUnits';

/** What is written on a plan, in the reader's words and units. */
export function usePlanWords(): PlanWords {
  const { t } = useTranslation();
  const { length, unit, area, areaUnit } = usePlanUnits();
  return useMemo(
    () => ({
      area: (ft2) => `${area(ft2)} ${areaUnit}`,
      feature: (kind) => t(`lawn.feature.${kind}`),
      length: (ft) => `${length(ft)} ${unit}`,
    }),
    [t, length, unit, area, areaUnit],
  );
}
