import {
  useController,
  type Control,
  type FieldPathByValue,
  type FieldValues,
} from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, FormNumber, type NumberText } from '@/ui';
import { MOST_SPOTS } from './readingDraft';

/** A box for each spot, numbered as they are walked; more can be added. */
export function SpotFields<Values extends FieldValues & { spots: NumberText[] }>({
  control,
  label,
  unit,
}: {
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- whatever its schema makes of the fields
  control: Control<Values, any, any>;
  /** Name of the box of spot `number`. */
  label: (number: number) => string;
  unit?: string;
}) {
  const { t } = useTranslation();
  const name = 'spots' as FieldPathByValue<Values, NumberText[]>;
  const { field } = useController({ control, name });
  const spots = field.value as NumberText[];
  return (
    <>
      <View className="flex-row flex-wrap gap-3">
        {spots.map((_, index) => (
          <View key={index} className="w-[120px]">
            <FormNumber
              control={control}
              name={`spots.${index}` as never}
              label={label(index + 1)}
              unit={unit}
            />
          </View>
        ))}
      </View>
      {spots.length < MOST_SPOTS ? (
        <Button
          kind="quiet"
          label={t('readings.oneMore')}
          onPress={() => field.onChange([...spots, ''])}
        />
      ) : null}
    </>
  );
}
