import type { MeasureMethod, Point } from '@alfombra/core';
import { crossesItself } from '@alfombra/core/measuring';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { keptFrom } from '@/state/draftStore';
import { Button, Card, Chip, Title, Words } from '@/ui';
import { tapeKey } from './tapeDraft';
import { TapeForm } from './TapeForm';
import { WalkEdge } from './WalkEdge';

const WAYS = ['tape', 'pace', 'walked', 'sketch'] as const;

/** A new zone or cut-out: by tape, by paces, by walking its edge, or tapped onto the grid. */
export function NewShape({
  lawnId,
  what,
  sketch,
  onSketch,
  onShape,
}: {
  lawnId: string;
  what: 'zone' | 'cutout';
  sketch: readonly Point[] | null;
  onSketch: (sketch: Point[] | null) => void;
  onShape: (outline: Point[], method: MeasureMethod, cornerSigmaFt?: number | null) => void;
}) {
  const { t } = useTranslation();
  const [way, setWay] = useState<(typeof WAYS)[number]>(() =>
    sketch ? 'sketch' : keptFrom(tapeKey(lawnId, what, 'pace')) ? 'pace' : 'tape',
  );
  const crossed = sketch !== null && sketch.length > 3 && crossesItself(sketch);
  return (
    <Card>
      <Title>{t(`plan.new.${what}`)}</Title>
      <View className="flex-row flex-wrap gap-2">
        {WAYS.filter((option) => what === 'zone' || option !== 'walked').map((option) => (
          <Chip
            key={option}
            label={t(`plan.way.${option}`)}
            chosen={way === option}
            onPress={() => {
              setWay(option);
              onSketch(option === 'sketch' ? [] : null);
            }}
          />
        ))}
      </View>
      {way === 'sketch' ? (
        <>
          <Words tone="second">{t('plan.sketchLead', { count: sketch?.length ?? 0 })}</Words>
          {crossed ? (
            <Words weight="semi" tone="stop" role="alert">
              {t('plan.sketchCrossed')}
            </Words>
          ) : null}
          <View className="flex-row gap-2">
            <View className="flex-1">
              <Button
                kind="plain"
                label={t('plan.lastCorner')}
                onPress={() => onSketch((sketch ?? []).slice(0, -1))}
                disabled={!sketch || sketch.length === 0}
              />
            </View>
            <View className="flex-1">
              <Button
                label={t('plan.closeShape')}
                onPress={() => sketch && onShape([...sketch], 'sketch')}
                disabled={!sketch || sketch.length < 3 || crossed}
                testID="close-shape"
              />
            </View>
          </View>
        </>
      ) : way === 'walked' ? (
        <WalkEdge onOutline={(outline, sigma) => onShape(outline, 'walked', sigma)} />
      ) : (
        <TapeForm
          key={way}
          draftKey={tapeKey(lawnId, what, way)}
          paced={way === 'pace'}
          onOutline={(outline) => onShape(outline, way)}
        />
      )}
    </Card>
  );
}
