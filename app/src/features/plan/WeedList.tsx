import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { WeedPatch } from '@alfombra/core';
import type { Plan } from '@/state/planStore';
import { Button, Card, number, Words } from '@/ui';

/** The weed patches of the plan; each can be opened again. */
export function WeedList({ plan, onOpen }: { plan: Plan; onOpen: (patch: WeedPatch) => void }) {
  const { t } = useTranslation();
  const zoneOf = (id: string) => plan.zones.find((zone) => zone.id === id)?.name ?? '';
  return (
    <Card>
      <Words tone="second">{t(plan.zones.length > 0 ? 'plan.weedLead' : 'plan.zoneFirst')}</Words>
      {plan.weedPatches.map((patch) => (
        <View key={patch.id} className="flex-row items-center gap-2">
          <Words className="min-w-0 flex-1">
            {[
              patch.plant.kind === 'weed'
                ? t(`weed.${patch.plant.weed}`)
                : t(`plan.category.${patch.plant.category}`),
              zoneOf(patch.zoneId),
              `${number(patch.lengthFt, 1)} × ${number(patch.widthFt, 1)} ft`,
            ].join(' · ')}
          </Words>
          <Button kind="quiet" label={t('plan.edit')} onPress={() => onOpen(patch)} />
        </View>
      ))}
    </Card>
  );
}
