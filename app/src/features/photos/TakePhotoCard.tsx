import type { Lawn, LocalDate, Point } from '@alfombra/core';
import { labelPlace } from '@alfombra/core/drawing';
import { useController } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { z } from 'zod';
import { PlacePicker } from '@/features/plan/drawing/PlacePicker';
import { LawnPicture } from '@/features/plan/drawing/LawnPicture';
import { FileButton } from '@/features/property/FileButton';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, Card, Failed, FormField, Title, Words } from '@/ui';
import { smallPhoto, standInPhoto } from './photoFile';
import { useKeepPhoto } from './useKeepPhoto';

const photoFormSchema = z.object({
  note: z.string().trim().max(500, 'property.tooLong'),
  at: z.object({ x: z.number(), y: z.number() }).nullable(),
});
type PhotoDraft = z.input<typeof photoFormSchema>;

/** Takes a photo, makes it small and placeless, and pins it on the plan. */
export function TakePhotoCard({ lawn, today }: { lawn: Lawn; today: LocalDate }) {
  const { t } = useTranslation();
  const { keep: keepPhoto, failure, busy } = useKeepPhoto(lawn.id, today);
  const { form, done, discard } = useDraftForm({
    key: `photo:${lawn.id}`,
    source: lawn.id,
    make: (): PhotoDraft => ({ note: '', at: null }),
    schema: photoFormSchema,
  });
  const at = useController({ control: form.control, name: 'at' }).field;
  const keep = (make: () => Promise<ArrayBuffer>, standIn: boolean) =>
    form.handleSubmit(async (read) => {
      if ((await keepPhoto(make, { ...read, standIn })) === null) return;
      done();
      discard();
    })();
  const first = lawn.zones[0];
  return (
    <Card>
      <Title>{t('photos.take')}</Title>
      {first ? (
        at.value ? (
          <>
            <Words size="note" tone="second">
              {t('photos.pinned')}
            </Words>
            <PlacePicker lawn={lawn} at={at.value} height={220} onChange={at.onChange} />
            <Button kind="quiet" label={t('photos.unpin')} onPress={() => at.onChange(null)} />
          </>
        ) : (
          <>
            <Words size="note" tone="second">
              {t('photos.pinLead')}
            </Words>
            <LawnPicture lawn={lawn} height={220} onPress={(press) => at.onChange(press.at)} />
            <Button
              kind="quiet"
              label={t('photos.pinByKeys')}
              onPress={() => at.onChange(labelPlace(first.outline) satisfies Point)}
            />
          </>
        )
      ) : null}
      <FormField control={form.control} name="note" label={t('photos.note')} testID="photo-note" />
      {failure ? <Failed message={failure} /> : null}
      <FileButton
        label={t('photos.camera')}
        accept="image/*"
        capture
        onFile={(file) => void keep(() => smallPhoto(file), false)}
      />
      <Button
        kind="plain"
        label={t('photos.standIn')}
        busy={busy ? t('common.loading') : null}
        onPress={() =>
          void keep(
            () => standInPhoto(lawn.name.length * 131 + form.getValues('note').length, 0.7),
            true,
          )
        }
        testID="stand-in-photo"
      />
      <Words size="note" tone="quiet">
        {t('photos.placeless')}
      </Words>
    </Card>
  );
}
