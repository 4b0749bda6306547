import type { Lawn, Patch } from '@alfombra/core';
import { zoneAt } from '@alfombra/core/drawing';
import { useController } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { usePutLawn } from '@/api/queries';
import { useFailureWords } from '@/api/useFailureWords';
import { DraftNote } from '@/features/drafts/DraftNote';
import { PlacePicker } from '@/features/plan/drawing/PlacePicker';
import { useDraftForm } from '@/state/useDraftForm';
import { Button, Failed, FormChoices, FormNumber, Sheet } from '@/ui';
import {
  PATCH_SHAPES,
  PATCH_SINCE,
  patchDraft,
  patchFormSchema,
  type NewPatch,
} from './patchDraft';

/** Under which a damaged place is kept until it is on the plan. */
export const newPatchKey = (lawnId: string): string => `patch-new:${lawnId}`;

/** A damaged place: where it lies, how large it is, since when. */
export function MarkPatchSheet({
  lawn,
  patch,
  onClose,
  onKept,
}: {
  lawn: Lawn;
  patch: NewPatch | Patch | null;
  onClose: () => void;
  /** The place is on the plan; `look`: and is to be looked at now. */
  onKept: (patch: Patch, look: boolean) => void;
}) {
  const { t } = useTranslation();
  return (
    <Sheet
      open={patch !== null}
      title={t('mark.title', { number: patch?.number ?? 1 })}
      onClose={onClose}
    >
      {patch ? <Form key={patch.id} lawn={lawn} patch={patch} onKept={onKept} /> : null}
    </Sheet>
  );
}

function Form({
  lawn,
  patch,
  onKept,
}: {
  lawn: Lawn;
  patch: NewPatch | Patch;
  onKept: (patch: Patch, look: boolean) => void;
}) {
  const { t } = useTranslation();
  const words = useFailureWords();
  const putLawn = usePutLawn(lawn.id);
  const known = 'zoneId' in patch;
  const { form, from, unsaved, done, discard } = useDraftForm({
    key: known ? `patch:${patch.id}` : newPatchKey(lawn.id),
    source: patch,
    make: patchDraft,
    schema: patchFormSchema,
  });
  const { control } = form;
  const centre = useController({ control, name: 'centre' }).field;
  const zone = zoneAt(lawn.zones, centre.value);
  const keep = (look: boolean) =>
    form.handleSubmit(({ length, width, ...read }) => {
      if (!zone) return;
      const { id, number, seenOn } = from;
      const next: Patch = {
        ...read,
        id,
        number,
        seenOn,
        zoneId: zone.id,
        lengthFt: length,
        widthFt: width,
      };
      putLawn.mutate(
        { ...lawn, patches: [...lawn.patches.filter((other) => other.id !== id), next] },
        {
          onSuccess: () => {
            done();
            onKept(next, look);
          },
        },
      );
    })();
  return (
    <>
      <PlacePicker
        lawn={lawn}
        at={centre.value}
        height={190}
        focus={zone?.id ?? null}
        onChange={centre.onChange}
      />
      <View className="flex-row flex-wrap gap-3">
        {(['length', 'width'] as const).map((side) => (
          <View key={side} className="min-w-[120px] flex-1">
            <FormNumber control={control} name={side} label={t(`mark.${side}`)} unit="ft" />
          </View>
        ))}
      </View>
      <FormChoices
        control={control}
        name="shape"
        label={t('mark.shapeLabel')}
        options={PATCH_SHAPES}
        nameOf={(option: Patch['shape']) => t(`mark.shape.${option}`)}
      />
      <FormChoices
        control={control}
        name="since"
        label={t('mark.sinceLabel')}
        options={PATCH_SINCE}
        nameOf={(option: Patch['since']) => t(`mark.since.${option}`)}
      />
      {putLawn.error ? <Failed message={words(putLawn.error)} /> : null}
      <DraftNote unsaved={unsaved} form={form} onDiscard={discard} />
      <Button
        label={t('mark.look')}
        onPress={() => void keep(true)}
        disabled={!zone}
        busy={putLawn.isPending ? t('common.loading') : null}
        wide
      />
      <Button
        kind="plain"
        label={t('mark.keepOnly')}
        disabled={!zone}
        onPress={() => void keep(false)}
      />
    </>
  );
}
