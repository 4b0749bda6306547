import type { Ref } from 'react';
import { Text, type TextProps } from 'react-native';

type Size = 'place' | 'note' | 'body' | 'lead' | 'title' | 'figure' | 'pour';
type Tone =
  | 'ink'
  | 'second'
  | 'quiet'
  | 'good'
  | 'stop'
  | 'caution'
  | 'cool'
  | 'on-main'
  | 'on-sheet'
  | 'on-sheet-quiet'
  | 'black';

const SIZE: Record<Size, string> = {
  place: 'text-place',
  note: 'text-note',
  body: 'text-body',
  lead: 'text-lead',
  title: 'text-title',
  figure: 'text-figure',
  pour: 'text-pour',
};
const TONE: Record<Tone, string> = {
  ink: 'text-ink',
  second: 'text-second',
  quiet: 'text-quiet',
  good: 'text-good',
  stop: 'text-stop',
  caution: 'text-caution',
  cool: 'text-cool',
  'on-main': 'text-on-main',
  'on-sheet': 'text-on-sheet',
  'on-sheet-quiet': 'text-on-sheet-quiet',
  black: 'text-black',
};

export interface WordsProps extends TextProps {
  size?: Size;
  tone?: Tone;
  weight?: 'regular' | 'semi' | 'bold';
  /** Heading face, tight. */
  display?: boolean;
  /** Figures of one width, for columns. */
  tabular?: boolean;
  className?: string;
  ref?: Ref<Text>;
}

/** Every word on the screen: one of our sizes, tones and faces. */
export function Words({
  size = 'body',
  tone = 'ink',
  weight = 'regular',
  display = false,
  tabular = false,
  className = '',
  ...rest
}: WordsProps) {
  const face = display
    ? weight === 'semi'
      ? 'font-display-semi'
      : 'font-display'
    : { regular: 'font-body', semi: 'font-body-semi', bold: 'font-body-bold' }[weight];
  return (
    <Text
      {...rest}
      className={`${face} ${SIZE[size]} ${TONE[tone]} ${tabular ? 'tabular-nums' : ''} ${className}`}
    />
  );
}

/** A heading: of a screen (1), of a part of it or of a card (2), of a part of that (3). */
export const Title = ({
  level = 2,
  ...rest
}: Omit<WordsProps, 'display'> & { level?: 1 | 2 | 3 }) => (
  <Words size="title" display role="heading" aria-level={level} {...rest} />
);
