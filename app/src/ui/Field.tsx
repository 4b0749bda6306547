import { TextInput, View, type TextInputProps } from 'react-native';
import { unstable_createElement } from 'react-native-web';
import { Words } from './Words';

const INPUT = 'min-h-[52px] flex-1 rounded-xl border-2 bg-raised px-3 font-body text-body text-ink';
const edge = (error: string | undefined) => (error ? 'border-stop' : 'border-thread');

interface Common {
  label: string;
  /** What is wrong and how to mend it; stands at the field. */
  error?: string | undefined;
  /** A quiet line below. */
  hint?: string | undefined;
}

function Frame({ label, error, hint, children }: Common & { children: React.ReactNode }) {
  return (
    <View className="gap-1">
      <Words size="note" weight="semi" tone="second">
        {label}
      </Words>
      {children}
      {error ? (
        <Words size="note" weight="semi" tone="stop" role="alert">
          {error}
        </Words>
      ) : hint ? (
        <Words size="note" tone="quiet">
          {hint}
        </Words>
      ) : null}
    </View>
  );
}

export interface FieldProps extends Common {
  value: string;
  onChange: (text: string) => void;
  /** Unit behind the figure. */
  unit?: string;
  numeric?: boolean;
  secret?: boolean;
  multiline?: boolean;
  autoComplete?: TextInputProps['autoComplete'];
  onSubmit?: () => void;
  testID?: string;
}

/** One line to fill in; with a unit it is a number field. */
export function Field({
  label,
  error,
  hint,
  value,
  onChange,
  unit,
  numeric = false,
  secret = false,
  multiline = false,
  autoComplete,
  onSubmit,
  testID,
}: FieldProps) {
  return (
    <Frame label={label} error={error} hint={hint}>
      <View className="flex-row items-center gap-2">
        <TextInput
          aria-label={unit ? `${label}, ${unit}` : label}
          aria-invalid={error !== undefined}
          value={value}
          onChangeText={onChange}
          inputMode={numeric ? 'decimal' : 'text'}
          secureTextEntry={secret}
          multiline={multiline}
          autoComplete={autoComplete}
          autoCapitalize={secret || autoComplete === 'email' ? 'none' : 'sentences'}
          onSubmitEditing={onSubmit}
          testID={testID}
          className={`${INPUT} ${edge(error)} ${multiline ? 'min-h-[96px] py-3' : ''} w-full min-w-0`}
        />
        {unit ? (
          <Words tone="second" className="min-w-[36px]">
            {unit}
          </Words>
        ) : null}
      </View>
    </Frame>
  );
}

const NATIVE_STYLE = {
  minHeight: 52,
  borderRadius: 12,
  borderWidth: 2,
  borderStyle: 'solid',
  paddingLeft: 12,
  paddingRight: 12,
  fontFamily: 'AtkinsonHyperlegibleNext_400Regular',
  fontSize: 16,
  color: 'var(--ink)',
  background: 'var(--raised)',
  width: '100%',
  boxSizing: 'border-box',
} as const;

/** A day or a time by the phone's own picker. */
export function PickerField({
  label,
  error,
  hint,
  value,
  onChange,
  type,
  min,
  max,
}: Common & {
  value: string;
  onChange: (value: string) => void;
  type: 'date' | 'time';
  min?: string;
  max?: string;
}) {
  return (
    <Frame label={label} error={error} hint={hint}>
      {unstable_createElement('input', {
        type,
        value,
        min,
        max,
        'aria-label': label,
        'aria-invalid': error !== undefined,
        onChange: (event: { target: { value: string } }) => onChange(event.target.value),
        style: { ...NATIVE_STYLE, borderColor: error ? 'var(--stop)' : 'var(--thread)' },
      })}
    </Frame>
  );
}

/** One of a list by the phone's own chooser. */
export function SelectField<Value extends string>({
  label,
  error,
  hint,
  value,
  options,
  onChange,
}: Common & {
  value: Value;
  options: readonly { value: Value; label: string }[];
  onChange: (value: Value) => void;
}) {
  return (
    <Frame label={label} error={error} hint={hint}>
      {unstable_createElement('select', {
        value,
        'aria-label': label,
        onChange: (event: { target: { value: Value } }) => onChange(event.target.value),
        style: { ...NATIVE_STYLE, borderColor: error ? 'var(--stop)' : 'var(--thread)' },
        children: options.map((option) =>
          unstable_createElement('option', {
            key: option.value,
            value: option.value,
            children: option.label,
          }),
        ),
      })}
    </Frame>
  );
}
