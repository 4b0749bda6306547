import { useId, type Ref } from 'react';
import { TextInput, View, type TextInputProps } from 'react-native';
import { unstable_createElement } from 'react-native-web';
import { Words } from './Words';

const INPUT = 'min-h-[52px] flex-1 rounded-xl border-2 bg-raised px-3 font-body text-body text-ink';
const edge = (error: string | undefined) => (error ? 'border-stop' : 'border-edge');

interface Common {
  label: string;
  /** What is wrong and how to mend it; stands at the field. */
  error?: string | undefined;
  /** A quiet line below. */
  hint?: string | undefined;
}

/** Label above, error or hint below; the input says by `describedBy` which line speaks of it. */
function Frame({
  label,
  error,
  hint,
  noteId,
  children,
}: Common & { noteId: string; children: React.ReactNode }) {
  return (
    <View className="gap-1">
      <Words size="note" weight="semi" tone="second">
        {label}
      </Words>
      {children}
      {error ? (
        <Words id={noteId} size="note" weight="semi" tone="stop" role="alert">
          {error}
        </Words>
      ) : hint ? (
        <Words id={noteId} size="note" tone="quiet">
          {hint}
        </Words>
      ) : null}
    </View>
  );
}

const saidBy = ({ error, hint }: Pick<Common, 'error' | 'hint'>, noteId: string) => ({
  'aria-invalid': error !== undefined,
  'aria-describedby': error || hint ? noteId : undefined,
});

export interface Line extends Common {
  unit?: string | undefined;
  onSubmit?: (() => void) | undefined;
  onBlur?: (() => void) | undefined;
  /** To send the cursor here when this is the first field with an error. */
  fieldRef?: Ref<{ focus: () => void }> | undefined;
  testID?: string;
}

export interface FieldProps extends Line {
  value: string;
  onChange: (text: string) => void;
  secret?: boolean;
  multiline?: boolean;
  autoComplete?: TextInputProps['autoComplete'];
}

/** One line of words to fill in. Figures have `NumberField`. */
export function Field({ onChange, ...rest }: FieldProps) {
  return <TextLine {...rest} onText={onChange} inputMode="text" />;
}

/** The line itself, for words and for figures. */
export function TextLine({
  label,
  error,
  hint,
  unit,
  value,
  onText,
  inputMode,
  secret = false,
  multiline = false,
  autoComplete,
  onSubmit,
  onBlur,
  onFocus,
  fieldRef,
  testID,
}: Omit<FieldProps, 'onChange'> & {
  onText: (text: string) => void;
  inputMode: 'text' | 'decimal';
  onFocus?: () => void;
}) {
  const noteId = useId();
  const email = autoComplete === 'email';
  return (
    <Frame label={label} error={error} hint={hint} noteId={noteId}>
      <View className="flex-row items-center gap-2">
        <TextInput
          ref={fieldRef as Ref<TextInput>}
          aria-label={unit ? `${label}, ${unit}` : label}
          {...saidBy({ error, hint }, noteId)}
          value={value}
          onChangeText={onText}
          inputMode={email ? 'email' : inputMode}
          secureTextEntry={secret}
          multiline={multiline}
          autoComplete={autoComplete}
          autoCapitalize={secret || email ? 'none' : 'sentences'}
          onSubmitEditing={onSubmit}
          onBlur={onBlur}
          onFocus={onFocus}
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
  fontSize: '1rem',
  color: 'var(--ink)',
  background: 'var(--raised)',
  width: '100%',
  boxSizing: 'border-box',
} as const;

export interface PickerProps extends Common {
  value: string;
  onChange: (value: string) => void;
  type: 'date' | 'time';
  min?: string;
  max?: string;
  fieldRef?: Line['fieldRef'];
}

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
  fieldRef,
}: PickerProps) {
  const noteId = useId();
  return (
    <Frame label={label} error={error} hint={hint} noteId={noteId}>
      {unstable_createElement('input', {
        ref: fieldRef,
        type,
        value,
        min,
        max,
        'aria-label': label,
        ...saidBy({ error, hint }, noteId),
        onChange: (event: { target: { value: string } }) => onChange(event.target.value),
        style: { ...NATIVE_STYLE, borderColor: error ? 'var(--stop)' : 'var(--edge)' },
      })}
    </Frame>
  );
}

export interface SelectProps<Value extends string> extends Common {
  value: Value;
  options: readonly { value: Value; label: string }[];
  onChange: (value: Value) => void;
  fieldRef?: Line['fieldRef'];
}

/** One of a list by the phone's own chooser. */
export function SelectField<Value extends string>({
  label,
  error,
  hint,
  value,
  options,
  onChange,
  fieldRef,
}: SelectProps<Value>) {
  const noteId = useId();
  return (
    <Frame label={label} error={error} hint={hint} noteId={noteId}>
      {unstable_createElement('select', {
        ref: fieldRef,
        value,
        'aria-label': label,
        ...saidBy({ error, hint }, noteId),
        onChange: (event: { target: { value: Value } }) => onChange(event.target.value),
        style: { ...NATIVE_STYLE, borderColor: error ? 'var(--stop)' : 'var(--edge)' },
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
