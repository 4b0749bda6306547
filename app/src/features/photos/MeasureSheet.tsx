import { photoRules, type PhotoFrame } from '@alfombra/core/photo';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { unstable_createElement } from 'react-native-web';
import { Button, Card, Failed, number, percent, Sheet, Words } from '@/ui';
import { measurePhoto, type MeasuredPhoto, type PhotoJob } from '@/workers/measurePhoto';
import { FramePicker } from './FramePicker';

const START: PhotoFrame = { x: 0.1, y: 0.1, width: 0.8, height: 0.8 };

/** Green cover and colour of a part of a photo, with what counted as green. */
export function MeasureSheet({ picture, onClose }: { picture: Blob; onClose: () => void }) {
  const { t } = useTranslation();
  const [source] = useState(() => URL.createObjectURL(picture));
  const [frame, setFrame] = useState(START);
  const [share, setShare] = useState<number | null>(null);
  const [result, setResult] = useState<MeasuredPhoto | null>(null);
  const [failed, setFailed] = useState(false);
  const job = useRef<PhotoJob | null>(null);
  useEffect(() => () => URL.revokeObjectURL(source), [source]);
  useEffect(() => () => job.current?.stop(), []);
  const stop = () => {
    job.current?.stop();
    job.current = null;
    setShare(null);
  };
  const start = () => {
    stop();
    setFailed(false);
    setResult(null);
    setShare(0);
    const own = measurePhoto(picture, frame, setShare);
    job.current = own;
    own.done
      .then((made) => {
        if (job.current !== own) return;
        setResult(made);
        setShare(null);
      })
      .catch(() => {
        if (job.current !== own) return;
        setFailed(true);
        setShare(null);
      });
  };
  return (
    <Sheet open title={t('measurePhoto.title')} onClose={onClose}>
      <Words tone="second">{t('measurePhoto.hint')}</Words>
      <FramePicker source={source} frame={frame} onFrame={setFrame} />
      {failed ? <Failed message={t('measurePhoto.bad')} /> : null}
      {share === null ? (
        <Button label={t('measurePhoto.again')} onPress={start} testID="measure-photo" wide />
      ) : (
        <View className="gap-2">
          <Words weight="semi" role="status">
            {t('measurePhoto.working', { share: percent(share) })}
          </Words>
          <Button kind="equal" label={t('measurePhoto.stop')} onPress={stop} wide />
        </View>
      )}
      {result ? <Result result={result} /> : null}
    </Sheet>
  );
}

function Result({ result: { measure, mask } }: { result: MeasuredPhoto }) {
  const { t } = useTranslation();
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    canvas.current?.getContext('2d')?.putImageData(mask, 0, 0);
  }, [mask]);
  const rows = [
    [
      t('measurePhoto.green'),
      measure.green === null ? t('measurePhoto.none') : `${number(measure.green * 100, 1)} %`,
    ],
    [
      t('measurePhoto.index'),
      measure.darkGreen === null ? t('measurePhoto.none') : number(measure.darkGreen, 3),
    ],
  ];
  const all = measure.counted + measure.shade;
  return (
    <Card tone="panel" testID="photo-result">
      {rows.map(([label, value]) => (
        <View key={label} className="flex-row gap-3">
          <Words tone="second" className="flex-1">
            {label}
          </Words>
          <Words weight="bold" tabular>
            {value}
          </Words>
        </View>
      ))}
      <Words size="note" tone="second">
        {t('measurePhoto.shade', { share: number((100 * measure.shade) / all, 1) })}
      </Words>
      <Words size="note" weight="semi">
        {t('measurePhoto.mask')}
      </Words>
      {unstable_createElement('canvas', {
        ref: canvas,
        width: mask.width,
        height: mask.height,
        role: 'img',
        'aria-label': t('measurePhoto.mask'),
        style: { width: '100%', borderRadius: 12 },
      })}
      <Words size="note" tone="quiet">
        {t('measurePhoto.caution')}
      </Words>
      <Words size="note" tone="quiet">
        {`${photoRules.green.source.ref ?? ''} · ${photoRules.colour.ref ?? ''}`}
      </Words>
    </Card>
  );
}
