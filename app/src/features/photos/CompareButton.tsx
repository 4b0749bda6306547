import type { Photo } from '@alfombra/core';
import type { PhotoMeasure } from '@alfombra/core/photo';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button, Failed, number, Words } from '@/ui';
import { measurePhoto } from '@/workers/measurePhoto';
import { photoBlob } from './photoFile';

const WHOLE = { x: 0, y: 0, width: 1, height: 1 };

const signed = (value: number, digits: number) => `${value > 0 ? '+' : ''}${number(value, digits)}`;

/** What changed between two photos of one place: cover in points, colour index. */
export function CompareButton({ before, after }: { before: Photo; after: Photo }) {
  const { t } = useTranslation();
  const [pair, setPair] = useState<[PhotoMeasure, PhotoMeasure] | null>(null);
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState(false);
  const compare = async () => {
    setBusy(true);
    setFailed(false);
    try {
      const made = await Promise.all(
        [before, after].map(
          async ({ id }) => (await measurePhoto(await photoBlob(id), WHOLE, () => undefined).done)!,
        ),
      );
      setPair([made[0]!.measure, made[1]!.measure]);
    } catch {
      setFailed(true);
    }
    setBusy(false);
  };
  const cover = pair ? ((pair[1].green ?? 0) - (pair[0].green ?? 0)) * 100 : 0;
  const index =
    pair && pair[0].darkGreen !== null && pair[1].darkGreen !== null
      ? signed(pair[1].darkGreen - pair[0].darkGreen, 3)
      : t('measurePhoto.none');
  return (
    <>
      {pair ? (
        <Words weight="bold" testID="photo-change">
          {`${t('measurePhoto.change', { cover: signed(cover, 1), index })} (${t('measurePhoto.whole')})`}
        </Words>
      ) : null}
      {failed ? <Failed message={t('measurePhoto.bad')} /> : null}
      <Button
        kind="quiet"
        label={t('measurePhoto.compare')}
        onPress={() => void compare()}
        busy={busy ? t('common.loading') : null}
        testID="compare-photos"
      />
    </>
  );
}
