import type { Photo } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Button } from '@/ui';
import { MeasureSheet } from './MeasureSheet';
import { photoBlob } from './photoFile';

/** Opens the measuring of a photo that is kept. */
export function MeasureButton({ photo }: { photo: Photo }) {
  const { t } = useTranslation();
  const [picture, setPicture] = useState<Blob | null>(null);
  return (
    <>
      <Button
        kind="quiet"
        label={t('measurePhoto.open')}
        onPress={() => void photoBlob(photo.id).then(setPicture)}
        testID="open-measure"
      />
      {picture ? <MeasureSheet picture={picture} onClose={() => setPicture(null)} /> : null}
    </>
  );
}
