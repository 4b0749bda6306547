import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { Field, type FieldProps } from './Field';
import { NumberField, type NumberFieldProps } from './NumberField';

interface OfForm<Values extends FieldValues> {
  control: Control<Values>;
  name: FieldPath<Values>;
}
type Bound = 'value' | 'onChange' | 'onBlur' | 'fieldRef' | 'error';

/** What binds a field to its form: the message of a fault is a key of the catalogs. */
function useBound<Values extends FieldValues>({ control, name }: OfForm<Values>) {
  const { t } = useTranslation();
  const { field, fieldState } = useController({ control, name });
  const fault = fieldState.error?.message;
  return {
    value: field.value as never,
    onChange: field.onChange,
    onBlur: field.onBlur,
    fieldRef: field.ref,
    error: fault ? t(fault) : undefined,
  };
}

/** A line of words of a form. */
export function FormField<Values extends FieldValues>({
  control,
  name,
  ...line
}: OfForm<Values> & Omit<FieldProps, Bound>) {
  return <Field {...line} {...useBound({ control, name })} />;
}

/** A figure of a form. */
export function FormNumber<Values extends FieldValues>({
  control,
  name,
  ...line
}: OfForm<Values> & Omit<NumberFieldProps, Bound>) {
  return <NumberField {...line} {...useBound({ control, name })} />;
}
