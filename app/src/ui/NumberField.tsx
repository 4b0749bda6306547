import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { TextLine, type Line } from './Field';
import { number } from './formatNumber';
import { readNumber, separate, type NumberText } from './numberText';

export interface NumberFieldProps extends Line {
  value: NumberText;
  onChange: (text: NumberText) => void;
  /** Several figures with spaces between them. */
  series?: boolean;
  multiline?: boolean;
}

/**
 * One figure, or a series of them, in the reader's locale. A text that is none, or that could be meant two
 * ways, is refused here, whatever the form does with it.
 */
export function NumberField({
  onChange,
  series = false,
  error,
  onBlur,
  ...rest
}: NumberFieldProps) {
  const words = useNumberProblem();
  const [typing, setTyping] = useState(false);
  const parts = series ? separate(rest.value) : [rest.value];
  const unread = typing ? undefined : parts.map((part) => words(part)).find(Boolean);
  return (
    <TextLine
      {...rest}
      error={unread ?? error}
      inputMode={series ? 'text' : 'decimal'}
      // The one place where what a person types becomes a figure's text.
      onText={(text) => onChange(text as NumberText)}
      onFocus={() => setTyping(true)}
      onBlur={() => {
        setTyping(false);
        onBlur?.();
      }}
    />
  );
}

/** Says at a field why a text is no number; nothing for an empty one. */
function useNumberProblem() {
  const { t } = useTranslation();
  return (text: string): string | undefined => {
    const reading = readNumber(text);
    if ('value' in reading || reading.problem === 'empty') return undefined;
    return t(`number.${reading.problem}`, examples());
  };
}

/** A decimal and thousands as this locale writes them. */
const examples = () => ({ decimal: number(2.5, 1), thousands: number(12_000) });
