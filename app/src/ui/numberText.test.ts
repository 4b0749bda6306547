import fc from 'fast-check';
import { i18next } from '@/i18n';
import { localeFor } from '@/i18n/language';
import { number } from './formatNumber';
import { numberText, readNumber, typedNumber, typedNumbers, type NumberText } from './numberText';

/** Comma, point, blank and apostrophe in both roles, and Indian groups. */
const LOCALES = ['en-US', 'es-US', 'es-MX', 'es-ES', 'en-ES', 'en-GB', 'fr-FR', 'de-CH', 'en-IN'];

const devices = jest.spyOn(navigator, 'languages', 'get');
const within = async (tag: string) => {
  devices.mockReturnValue([tag]);
  await i18next.changeLanguage(tag.slice(0, 2));
};
afterAll(async () => {
  devices.mockRestore();
  await i18next.changeLanguage('en');
});

/** What a number field may hold: doubles of the sizes a lawn has, and beyond. */
const figures = fc.double({ min: -1e9, max: 1e9, noNaN: true }).map((value) => value + 0);

describe.each(LOCALES)('in %s', (tag) => {
  beforeEach(() => within(tag));

  it('what a field shows, typed back, is the same number', () => {
    fc.assert(
      fc.property(figures, (value) => {
        expect(typedNumber(numberText(value))).toBe(value);
      }),
    );
  });

  it('what a label shows, typed back, is the number that it shows', () => {
    fc.assert(
      fc.property(figures, fc.integer({ min: 0, max: 4 }), (value, digits) => {
        const shown = number(value, digits);
        const read = typedNumber(shown as NumberText);
        expect(read).not.toBeNull();
        expect(number(read as number, digits)).toBe(shown);
        expect(Math.abs((read as number) - value)).toBeLessThanOrEqual(0.5 * 10 ** -digits + 1e-6);
      }),
    );
  });

  it('no text is read as a number that this place would write otherwise', () => {
    const marks = fc.constantFrom(...'0123456789,.'.split(''));
    fc.assert(
      fc.property(fc.array(marks, { minLength: 1, maxLength: 8 }), (letters) => {
        const reading = readNumber(letters.join(''));
        if (!('value' in reading)) return;
        // Group marks stand where this place sets them, or nowhere.
        const parts = new Intl.NumberFormat(tag, { maximumSignificantDigits: 17 }).formatToParts(
          reading.value,
        );
        const group = parts.find(({ type }) => type === 'group')?.value;
        const decimal =
          new Intl.NumberFormat(tag).formatToParts(1.5).find(({ type }) => type === 'decimal')
            ?.value ?? '.';
        const whole = letters.join('').split(decimal)[0] ?? '';
        const marksIn = whole.replace(/\d/g, '');
        expect([...marksIn].every((mark) => mark === group)).toBe(true);
      }),
    );
  });
});

it.each([
  ['en-US', '6,000', 6000],
  ['es-US', '6,000', 6000],
  ['en-US', '7,028.5', 7028.5],
  ['en-US', '1,234', 1234],
  ['es-US', '12,345', 12345],
  ['es-ES', '12.345', 12345],
  ['es-ES', '2,5', 2.5],
  ['en-US', ' .5 ', 0.5],
  ['en-US', '007', 7],
  ['en-US', '6.', 6],
])('%s reads “%s” as %d', (tag, text, value) => {
  expect(readNumber(text, tag)).toEqual({ value });
});

it.each([
  ['en-US', '2,5', 'ambiguous'],
  ['en-US', '60,00', 'ambiguous'],
  ['en-US', '6,0000', 'ambiguous'],
  ['en-US', '1.234.5', 'ambiguous'],
  ['es-US', '2,5', 'ambiguous'],
  // In Spain four figures are written together: this may be a thousand or a one with three decimals.
  ['es-ES', '1.234', 'ambiguous'],
  ['es-ES', '2.5', 'ambiguous'],
  ['en-US', '2 gal', 'not-a-number'],
  ['en-US', '1e5', 'not-a-number'],
  ['en-US', 'Infinity', 'not-a-number'],
  ['en-US', ',', 'not-a-number'],
  ['en-US', ' ', 'empty'],
])('%s refuses “%s”: %s', (tag, text, problem) => {
  expect(readNumber(text, tag)).toEqual({ problem });
});

it('reads a series, and says which figure of it is none', async () => {
  await within('en-US');
  expect(typedNumbers('6,000 2.5;x' as NumberText)).toEqual([6000, 2.5, null]);
});

it('takes no text that did not come from a field or from numberText', () => {
  // @ts-expect-error a bare string may be written for another place
  expect(typedNumber('120.5')).toBe(120.5);
});

it.each([
  ['en', ['es-US', 'es'], 'en-US'],
  ['en', ['es-ES'], 'en-ES'],
  ['en', ['de-DE', 'en-GB'], 'en-GB'],
  ['es', ['es-US'], 'es-US'],
  ['es', ['en-US', 'es'], 'es-US'],
  ['en', [], 'en-US'],
  ['en', ['not a tag'], 'en-US'],
])('words in %s on a device of %j are written as in %s', (language, tags, locale) => {
  expect(localeFor(language, tags)).toBe(locale);
});
