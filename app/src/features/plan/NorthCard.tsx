import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Plan } from '@/state/planStore';
import { Button, Card, Choices, Words } from '@/ui';

const WAYS = ['0', '45', '90', '135', '180', '225', '270', '315'] as const;

/** Where north lies on the plan: asked once something stands on it that casts a shade. */
export function NorthCard({
  plan,
  onChange,
}: {
  plan: Plan;
  onChange: (northDeg: number) => void;
}) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const stands =
    plan.features.some(({ kind }) => kind === 'house') ||
    plan.zones.some(({ cutouts }) => cutouts.length > 0);
  if (!stands) return null;
  if (plan.northDeg !== null && !open) {
    return <Button kind="quiet" label={t('plan.northChange')} onPress={() => setOpen(true)} />;
  }
  return (
    <Card tone={plan.northDeg === null ? 'caution' : 'panel'}>
      <Choices
        label={t('plan.north')}
        value={WAYS.find((way) => Number(way) === plan.northDeg) ?? null}
        options={WAYS}
        nameOf={(way) => t(`plan.northIs.${way}`)}
        onChange={(way) => {
          setOpen(false);
          onChange(Number(way));
        }}
      />
      <Words size="note" tone="second">
        {t('plan.northWhy')}
      </Words>
    </Card>
  );
}
