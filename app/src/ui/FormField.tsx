import {
  useController,
  type Control,
  type FieldPath,
  type FieldPathByValue,
  type FieldValues,
} from 'react-hook-form';
import { useTranslation } from 'react-i18next';
import { Choices, type ChoicesProps } from './Choices';
import {
  Field,
  PickerField,
  SelectField,
  type FieldProps,
  type PickerProps,
  type SelectProps,
} from './Field';
import { NumberField, type NumberFieldProps } from './NumberField';

/** Of a form whose fields are `Values`; what its schema makes of them is nothing to a field. */
interface OfForm<Values extends FieldValues, Name extends FieldPath<Values>> {
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- `Control` is invariant in its context and result
  control: Control<Values, any, any>;
  name: Name;
}
type Bound = 'value' | 'onChange' | 'onBlur' | 'fieldRef' | 'error';

/** What binds a field to its form: the message of a fault is a key of the catalogs, unless `say` words it. */
function useBound<Values extends FieldValues>({
  control,
  name,
  say,
  early,
}: OfForm<Values, FieldPath<Values>> & {
  say?: ((fault: string) => string) | undefined;
  early?: string | undefined;
}) {
  const { t } = useTranslation();
  const { field, fieldState } = useController({ control, name });
  const fault = fieldState.error?.message;
  return {
    value: field.value as never,
    onChange: field.onChange,
    onBlur: field.onBlur,
    fieldRef: field.ref,
    error: fault ? (say ?? t)(fault) : early,
  };
}

/** A line of words of a form. */
export function FormField<Values extends FieldValues>({
  control,
  name,
  ...line
}: OfForm<Values, FieldPath<Values>> & Omit<FieldProps, Bound>) {
  return <Field {...line} {...useBound({ control, name })} />;
}

/** A figure of a form. */
export function FormNumber<Values extends FieldValues>({
  control,
  name,
  say,
  early,
  ...line
}: OfForm<Values, FieldPath<Values>> &
  Omit<NumberFieldProps, Bound> & {
    /** Words for a fault that has figures of its own to name. */
    say?: (fault: string) => string;
    /** What is wrong already while it is typed, before anybody wants to use it. */
    early?: string | undefined;
  }) {
  return <NumberField {...line} {...useBound({ control, name, say, early })} />;
}

/** A day or a time of a form. */
export function FormPicker<Values extends FieldValues>({
  control,
  name,
  ...line
}: OfForm<Values, FieldPath<Values>> & Omit<PickerProps, Bound>) {
  const { value, onChange, fieldRef, error } = useBound({ control, name });
  return (
    <PickerField {...line} value={value} onChange={onChange} fieldRef={fieldRef} error={error} />
  );
}

/** One of a list, in a form. */
export function FormSelect<Values extends FieldValues, Value extends string>({
  control,
  name,
  ...line
}: OfForm<Values, FieldPathByValue<Values, Value>> & Omit<SelectProps<Value>, Bound>) {
  const { value, onChange, fieldRef, error } = useBound({ control, name });
  return (
    <SelectField {...line} value={value} onChange={onChange} fieldRef={fieldRef} error={error} />
  );
}

/** One of a few, in a form. */
export function FormChoices<Values extends FieldValues, Value extends string>({
  control,
  name,
  ...group
}: OfForm<Values, FieldPathByValue<Values, Value | null | ''>> &
  Omit<ChoicesProps<Value>, 'value' | 'onChange' | 'error'>) {
  const { value, onChange, error } = useBound({ control, name });
  return <Choices<Value> {...group} value={value} onChange={onChange} error={error} />;
}

/** Yes or no, in a form. */
export function FormYesNo<Values extends FieldValues>({
  control,
  name,
  ...group
}: OfForm<Values, FieldPathByValue<Values, boolean>> & {
  label: string;
  nameOf: (option: 'yes' | 'no') => string;
}) {
  const { value, onChange } = useBound({ control, name });
  return (
    <Choices
      {...group}
      value={value ? 'yes' : 'no'}
      options={['yes', 'no'] as const}
      onChange={(option) => onChange(option === 'yes')}
    />
  );
}
