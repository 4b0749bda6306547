import type { Zone } from '@alfombra/core';
import { crossesItself, zoneOverlaps } from '@alfombra/core/measuring';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useStore } from 'zustand';
import { usePlanStore } from '@/state/planStore';
import { Button, Words } from '@/ui';
import { usePlanUnits } from './usePlanUnits';

/** Under the plan: steps back and forth, and what is wrong with what is drawn. */
export function PlanUnder({ zones, said }: { zones: readonly Zone[]; said: string | null }) {
  const { t } = useTranslation();
  const units = usePlanUnits();
  const { undo, redo, pastSteps, nextSteps } = useSteps();
  const nameOf = (id: string) => zones.find((entry) => entry.id === id)?.name ?? '';
  const overlaps = zoneOverlaps(zones);
  const crossed = zones.filter(({ outline }) => crossesItself(outline));
  return (
    <>
      <View className="flex-row gap-2">
        <View className="flex-1">
          <Button
            kind="plain"
            label={t('plan.undo')}
            onPress={() => undo()}
            disabled={pastSteps === 0}
            testID="undo"
          />
        </View>
        <View className="flex-1">
          <Button
            kind="plain"
            label={t('plan.redo')}
            onPress={() => redo()}
            disabled={nextSteps === 0}
            testID="redo"
          />
        </View>
      </View>
      {said ? (
        <Words weight="semi" tone="caution" role="status">
          {said}
        </Words>
      ) : null}
      {overlaps.map(({ a, b, areaFt2 }) => (
        <Words key={`${a}${b}`} weight="semi" tone="stop" role="alert">
          {t('plan.overlap', {
            a: nameOf(a),
            b: nameOf(b),
            area: `${units.area(areaFt2)} ${units.areaUnit}`,
          })}
        </Words>
      ))}
      {crossed.map(({ id, name }) => (
        <Words key={id} weight="semi" tone="stop" role="alert">
          {t('plan.crossed', { zone: name })}
        </Words>
      ))}
    </>
  );
}

function useSteps() {
  const steps = useStore(usePlanStore.temporal);
  return {
    undo: steps.undo,
    redo: steps.redo,
    // Opening the plan is no step to go back over.
    pastSteps: steps.pastStates.filter(({ plan }) => plan !== null).length,
    nextSteps: steps.futureStates.length,
  };
}
