import { polygonArea, type GeoPoint, type Point } from '@alfombra/core';
import { walkedOutline, type Fix } from '@alfombra/core/measuring';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, Chip, number, Words } from '@/ui';
import { deviceLocation, standInWalker, type LocationSource } from './locationSource';

/** Walk along the edge: fixes come in, spikes stay out, and the closure is shown. */
export function WalkEdge({
  onOutline,
}: {
  onOutline: (outline: Point[], cornerSigmaFt: number, origin: GeoPoint) => void;
}) {
  const { t } = useTranslation();
  const [fixes, setFixes] = useState<Fix[]>([]);
  const [walking, setWalking] = useState(false);
  const [source, setSource] = useState<'device' | 'stand-in'>('device');
  const [failure, setFailure] = useState<string | null>(null);
  const stop = useRef<(() => void) | null>(null);
  useEffect(() => () => stop.current?.(), []);
  const begin = async () => {
    setFixes([]);
    setFailure(null);
    setWalking(true);
    const from: LocationSource = source === 'device' ? deviceLocation : standInWalker;
    try {
      stop.current = await from((fix) => setFixes((before) => [...before, fix]));
    } catch {
      setWalking(false);
      setFailure(t('plan.noLocation'));
    }
  };
  const end = () => {
    stop.current?.();
    stop.current = null;
    setWalking(false);
  };
  const walked = walkedOutline(fixes);
  const last = fixes[fixes.length - 1];
  return (
    <View className="gap-3">
      <View className="flex-row flex-wrap gap-2">
        {(['device', 'stand-in'] as const).map((option) => (
          <Chip
            key={option}
            label={t(`plan.source.${option}`)}
            chosen={source === option}
            onPress={() => setSource(option)}
          />
        ))}
      </View>
      <Words size="note" tone="second">
        {t('plan.walkLead')}
      </Words>
      {failure ? (
        <Words weight="semi" tone="stop" role="alert">
          {failure}
        </Words>
      ) : null}
      {last ? (
        <Words tabular>
          {t('plan.fixes', { count: fixes.length, accuracy: number(last.accuracyM, 1) })}
        </Words>
      ) : null}
      {walked ? (
        <>
          <Words tabular>
            {t('plan.walked', {
              area: number(polygonArea(walked.outline)),
              spikes: walked.spikes,
              vague: walked.vague,
              closure: number(walked.closureFt, 1),
            })}
          </Words>
          <Words size="note" tone="caution" weight="semi">
            {t('plan.walkCaution')}
          </Words>
        </>
      ) : null}
      {walking ? (
        <Button label={t('plan.stopWalk')} onPress={end} testID="stop-walk" />
      ) : (
        <Button
          kind="plain"
          label={t('plan.startWalk')}
          onPress={() => void begin()}
          testID="start-walk"
        />
      )}
      {walked && !walking ? (
        <Button
          label={t('plan.useShape')}
          onPress={() => onOutline(walked.outline, walked.cornerSigmaFt, walked.origin)}
          testID="use-shape"
        />
      ) : null}
    </View>
  );
}
