import { siteCautions, type Lawn, type Zone } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { Card, Words } from '@/ui';

/** What this place asks to be careful of, on every card of work that is done there. */
export function SiteCautionsCard({ lawn, zone }: { lawn: Lawn; zone: Zone | undefined }) {
  const { t } = useTranslation();
  const cautions = zone ? siteCautions(lawn.property, zone.site) : [];
  if (cautions.length === 0) return null;
  return (
    <Card tone="caution">
      <Words weight="bold">{t('siteCaution.title')}</Words>
      {cautions.map(({ rule, inputs }) => (
        <Words key={rule}>{t(`siteCaution.${rule}`, inputs)}</Words>
      ))}
    </Card>
  );
}
