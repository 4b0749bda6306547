import type { LocalDate, Point } from '@alfombra/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { v7 as uuid } from 'uuid';
import { usePutPhoto } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { exchange } from '@/features/property/useExchange';

/** Keeps a photo of a lawn, small and without the place where it was taken; says what went wrong. */
export function useKeepPhoto(lawnId: string, today: LocalDate) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const put = usePutPhoto(lawnId);
  const [failure, setFailure] = useState<string | null>(null);
  /** @returns the id of the photo that was kept; `null` when it was not */
  const keep = async (
    make: () => Promise<ArrayBuffer>,
    about: { at: Point | null; note: string; standIn?: boolean },
  ): Promise<string | null> => {
    setFailure(null);
    try {
      const { withoutPlaceData } = await exchange();
      const bytes = withoutPlaceData(new Uint8Array(await make())).slice().buffer;
      const id = uuid();
      await put.mutateAsync({
        id,
        bytes,
        body: {
          ...about,
          standIn: about.standIn ?? false,
          lawnId,
          date: today,
          type: 'image/jpeg',
          bytes: bytes.byteLength,
        },
      });
      return id;
    } catch (error) {
      setFailure(
        error instanceof Error && error.name === 'InvalidStateError'
          ? t('photos.unreadable')
          : words(error),
      );
      return null;
    }
  };
  return { keep, failure, busy: put.isPending };
}
