import { useFormState, type Control, type FieldValues } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, Words } from '@/ui';

/**
 * Over the button that saves a form: that something needs mending, or that what was typed is kept on this
 * device and not saved yet, with the way to give it up.
 */
export function DraftNote<Values extends FieldValues>({
  form: { control },
  unsaved,
  onDiscard,
}: {
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- whatever its schema makes of the fields
  form: { control: Control<Values, any, any> };
  unsaved: boolean;
  onDiscard: () => void;
}) {
  const { t } = useTranslation();
  const { errors, isSubmitted } = useFormState({ control });
  if (isSubmitted && Object.keys(errors).length > 0) {
    return (
      <Words weight="semi" tone="stop" role="alert">
        {t('form.mendFirst')}
      </Words>
    );
  }
  if (!unsaved) return null;
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-2">
      <Words size="note" tone="second" className="shrink">
        {t('form.unsaved')}
      </Words>
      <Button kind="quiet" label={t('form.discard')} onPress={onDiscard} />
    </View>
  );
}
