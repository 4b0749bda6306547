import { NumberParser } from '@internationalized/number';
import { locale } from '@/i18n';

declare const written: unique symbol;
/**
 * What stands in a number field: a figure as it is written in the reader's locale. It comes from the field
 * itself or from `numberText`; `String(120.5)` is no such text, for a comma may be the decimal mark here.
 */
export type NumberText = '' | (string & { readonly [written]: true });

/** What a text is as a number, or why it is none. `ambiguous`: its marks could be meant two ways. */
export type NumberReading = { value: number } | { problem: 'empty' | 'ambiguous' | 'not-a-number' };

/** A double has no more. */
const MOST_DIGITS = 17;
const SPACES = /[\s\u00a0\u202f]+/g;
const DIGITS_AND_MARKS = /^[-+\u2212]?[\p{Nd}.,'\u2019\u00a0\u202f ]+$/u;

interface Writing {
  parser: NumberParser;
  grouped: Intl.NumberFormat;
  plain: Intl.NumberFormat;
  decimal: string;
}
const writings = new Map<string, Writing>();

function writingOf(tag: string): Writing {
  let known = writings.get(tag);
  if (!known) {
    const options = { maximumSignificantDigits: MOST_DIGITS } as const;
    const plain = new Intl.NumberFormat(tag, { ...options, useGrouping: false });
    known = {
      parser: new NumberParser(tag),
      grouped: new Intl.NumberFormat(tag, options),
      plain,
      decimal: plain.formatToParts(1.5).find(({ type }) => type === 'decimal')?.value ?? '.',
    };
    writings.set(tag, known);
  }
  return known;
}

/** Digits and group marks before the decimal mark, without sign and leading noughts. */
const wholePart = (text: string, decimal: string): string =>
  (text.split(decimal)[0] ?? '')
    .replace(SPACES, ' ')
    .replace(/^[-+\u2212]/, '')
    .replace(/^0+(?=\p{Nd})/u, '');

/**
 * Reads a figure as it is written in a locale. Group marks count only where that locale would set them
 * itself: the parser alone would take "2,5" for 25 in English and "2.5" for 25 in Spain.
 */
export function readNumber(text: string, tag: string = locale()): NumberReading {
  const figure = text.trim();
  if (figure === '') return { problem: 'empty' };
  const { parser, grouped, plain, decimal } = writingOf(tag);
  const value = parser.parse(figure);
  const marksOnly = DIGITS_AND_MARKS.test(figure) && /\p{Nd}/u.test(figure);
  if (!Number.isFinite(value)) return { problem: marksOnly ? 'ambiguous' : 'not-a-number' };
  const whole = wholePart(figure, decimal);
  const known = [grouped, plain].map((way) => wholePart(way.format(value), decimal));
  return whole === '' || known.includes(whole)
    ? { value }
    : { problem: marksOnly ? 'ambiguous' : 'not-a-number' };
}

/** The number that stands in a field; `null` when there is none or it cannot be read. */
export function typedNumber(text: NumberText): number | null {
  const reading = readNumber(text);
  return 'value' in reading ? reading.value : null;
}

/** The figures of a series, which stand apart by spaces or semicolons. */
export const separate = (text: NumberText): NumberText[] =>
  text.split(/[\s;]+/).filter(Boolean) as NumberText[];

/** A series read; `null` for each figure that cannot be. */
export const typedNumbers = (text: NumberText): (number | null)[] =>
  separate(text).map(typedNumber);

/**
 * A number as it is put into a field: read back by `typedNumber` it is the same number.
 * @param digits most digits behind the decimal mark; all of them by default
 */
export function numberText(value: number | null | undefined, digits?: number): NumberText {
  if (value === null || value === undefined || !Number.isFinite(value)) return '';
  const rounded = digits === undefined ? value : Number(value.toFixed(digits));
  return writingOf(locale()).plain.format(rounded) as NumberText;
}

/** Several numbers as they are put into one field. */
export const numbersText = (values: readonly number[]): NumberText =>
  values.map((value) => numberText(value)).join(' ') as NumberText;
