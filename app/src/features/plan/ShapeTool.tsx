import type { Lawn, MeasureMethod, Point, Zone } from '@alfombra/core';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { Plan } from '@/state/planStore';
import { Chip } from '@/ui';
import { NewShape } from './NewShape';
import { NorthCard } from './NorthCard';
import { ZonePanel } from './ZonePanel';

/** The zones of the plan: one to work on, or a new one by tape, paces, walking or taps. */
export function ShapeTool({
  lawn,
  plan,
  zone,
  edge,
  adding,
  sketch,
  onZone,
  onEdge,
  onAdding,
  onSketch,
  onShape,
  onChange,
}: {
  lawn: Lawn;
  plan: Plan;
  zone: Zone | null;
  edge: number | null;
  adding: 'zone' | 'cutout' | null;
  sketch: readonly Point[] | null;
  onZone: (id: string | null) => void;
  onEdge: (edge: number | null) => void;
  onAdding: (what: 'zone' | 'cutout' | null) => void;
  onSketch: (sketch: Point[] | null) => void;
  onShape: (outline: Point[], method: MeasureMethod, cornerSigmaFt?: number | null) => void;
  onChange: (change: Partial<Plan>) => void;
}) {
  const { t } = useTranslation();
  const setZone = (next: Zone) =>
    onChange({ zones: plan.zones.map((entry) => (entry.id === next.id ? next : entry)) });
  return (
    <>
      <NorthCard plan={plan} onChange={(northDeg) => onChange({ northDeg })} />
      <View className="flex-row flex-wrap gap-2">
        {plan.zones.map((entry) => (
          <Chip
            key={entry.id}
            label={entry.name}
            chosen={entry.id === zone?.id && !adding}
            onPress={() => onZone(entry.id)}
          />
        ))}
        <Chip
          label={t('plan.newZone')}
          chosen={adding === 'zone'}
          onPress={() => onAdding(adding === 'zone' ? null : 'zone')}
        />
      </View>
      {adding || !zone ? (
        <NewShape
          lawnId={lawn.id}
          what={adding ?? 'zone'}
          sketch={sketch}
          onSketch={onSketch}
          onShape={onShape}
        />
      ) : (
        <ZonePanel
          zone={zone}
          edge={edge}
          onEdge={onEdge}
          onChange={setZone}
          onCutout={() => onAdding('cutout')}
          onRemove={() => {
            onChange({
              zones: plan.zones.filter(({ id }) => id !== zone.id),
              weedPatches: plan.weedPatches.filter((entry) => entry.zoneId !== zone.id),
            });
            onZone(null);
          }}
          removable={!lawn.patches.some((entry) => entry.zoneId === zone.id)}
        />
      )}
    </>
  );
}
