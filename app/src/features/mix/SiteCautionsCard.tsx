import { siteCautions, type Lawn, type Zone } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { weekdayNames } from '@/features/property/weekdays';
import { Card, Words } from '@/ui';
import { usePlanUnits } from '@/features/plan/usePlanUnits';

/** What this place asks to be careful of, on every card of work that is done there; a zone's own says whose it is. */
export function SiteCautionsCard({ lawn, zones }: { lawn: Lawn; zones: readonly Zone[] }) {
  const { t } = useTranslation();
  const { length, unit } = usePlanUnits();
  const said = new Map<string, string[]>();
  for (const zone of zones) {
    for (const { rule, inputs } of siteCautions(lawn, zone)) {
      const { feet, days, who } = inputs;
      const words = t(`siteCaution.${rule}`, {
        who,
        away: feet === undefined ? '' : `${length(feet)} ${unit}`,
        days: days ? weekdayNames(days) : '',
      });
      said.set(words, [...(said.get(words) ?? []), zone.name]);
    }
  }
  if (said.size === 0) return null;
  return (
    <Card tone="caution">
      <Words weight="bold">{t('siteCaution.title')}</Words>
      {[...said].map(([words, names]) => (
        <Words key={words}>
          {names.length === zones.length ? words : `${names.join(', ')}: ${words}`}
        </Words>
      ))}
    </Card>
  );
}
