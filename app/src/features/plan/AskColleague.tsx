import type { WeedPatch } from '@alfombra/core';
import { useController, type Control } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { usePhotos } from '@/api/queries';
import { PhotoPicture } from '@/features/photos/PhotoPicture';
import { smallPhoto } from '@/features/photos/photoFile';
import { useKeepPhoto } from '@/features/photos/useKeepPhoto';
import { FileButton } from '@/features/property/FileButton';
import { Chip, Failed, Words } from '@/ui';
import type { NewWeedPatch, WeedPatchDraft } from './weedPatchDraft';

/** Puts a plant to a colleague: what was seen of it by character, and a photo. */
export function AskColleague({
  control,
  patch,
  lawnId,
  today,
}: {
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- `Control` is invariant in its context and result
  control: Control<WeedPatchDraft, any, any>;
  patch: NewWeedPatch;
  lawnId: string;
  today: WeedPatch['seenOn'];
}) {
  const { t } = useTranslation();
  const ask = useController({ control, name: 'ask' }).field;
  const photoId = useController({ control, name: 'photoId' }).field;
  const photo = usePhotos(lawnId).data?.find(({ id }) => id === photoId.value);
  const { keep, failure } = useKeepPhoto(lawnId, today);
  const take = async (file: File) => {
    const id = await keep(() => smallPhoto(file), {
      at: patch.centre,
      note: t('plan.whichPlant'),
    });
    if (id) photoId.onChange(id);
  };
  return (
    <>
      {patch.asked && Object.keys(patch.asked.seen).length > 0 ? (
        <Words size="note" tone="second">
          {t('plan.seenOfIt', {
            list: Object.entries(patch.asked.seen)
              .map(
                ([character, state]) =>
                  `${t(`key.character.${character}`)}: ${t(`key.state.${state}`)}`,
              )
              .join(' · '),
          })}
        </Words>
      ) : null}
      <Chip
        label={t('plan.askColleague')}
        chosen={ask.value}
        onPress={() => ask.onChange(!ask.value)}
      />
      {photo ? <PhotoPicture photo={photo} /> : null}
      {ask.value ? (
        <FileButton
          label={t(photo ? 'plan.otherPhoto' : 'plan.photoOfIt')}
          accept="image/*"
          capture
          onFile={(file) => void take(file)}
        />
      ) : null}
      {failure ? <Failed message={failure} /> : null}
    </>
  );
}
