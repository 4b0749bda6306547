import { siteCautions, type Lawn, type Zone } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { weekdayNames } from '@/features/property/weekdays';
import { Card, Words } from '@/ui';
import { usePlanUnits } from '@/features/plan/usePlanUnits';

/** What this place asks to be careful of, on every card of work that is done there. */
export function SiteCautionsCard({ lawn, zone }: { lawn: Lawn; zone: Zone | undefined }) {
  const { t } = useTranslation();
  const { length, unit } = usePlanUnits();
  const cautions = zone ? siteCautions(lawn, zone) : [];
  if (cautions.length === 0) return null;
  return (
    <Card tone="caution">
      <Words weight="bold">{t('siteCaution.title')}</Words>
      {cautions.map(({ rule, inputs: { feet, days, who } }) => (
        <Words key={rule}>
          {t(`siteCaution.${rule}`, {
            who,
            away: feet === undefined ? '' : `${length(feet)} ${unit}`,
            days: days ? weekdayNames(days) : '',
          })}
        </Words>
      ))}
    </Card>
  );
}
