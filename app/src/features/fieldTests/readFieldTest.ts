import {
  fieldTestInputSchema,
  type FieldTestCard,
  type FieldTestInput,
  type TestField,
} from '@alfombra/core/walking';
import { z } from 'zod';
import { numbersText, type NumberText, numberText, typedNumber, typedNumbers } from '@/ui';

/** What has been typed and tapped, by field; text for figures. */
export type FieldTestDraft = Record<string, NumberText | boolean>;

/** A draft with the usual values, or with the readings that are in use. */
export function draftOf(card: FieldTestCard, before: FieldTestInput | undefined): FieldTestDraft {
  return Object.fromEntries(
    card.fields.flatMap(({ slug, usual, kind }): [string, NumberText | boolean][] => {
      const value = before?.values[slug];
      if (typeof value === 'boolean') return [[slug, value]];
      if (Array.isArray(value)) return [[slug, numbersText(value)]];
      if (value !== undefined) return [[slug, numberText(value)]];
      return kind === 'yes-no' ? [] : [[slug, numberText(usual)]];
    }),
  );
}

function valueOf(field: TestField, typed: NumberText | boolean | undefined) {
  if (field.kind === 'yes-no') return typeof typed === 'boolean' ? typed : undefined;
  if (typeof typed !== 'string' || typed.trim() === '') return undefined;
  if (field.kind === 'series') return typedNumbers(typed).map((value) => value ?? Number.NaN);
  return typedNumber(typed) ?? Number.NaN;
}

/** The form of a test's readings; a fault is a key of the catalogs. */
export const fieldTestFormSchema = (card: FieldTestCard) =>
  z.custom<FieldTestDraft>().transform((draft, context): FieldTestInput => {
    const { input, problems } = readFieldTest(card, draft);
    if (input) return input;
    for (const [field, problem] of Object.entries(problems)) {
      context.addIssue({ code: 'custom', path: [field], message: problem });
    }
    return z.NEVER;
  });

export interface ReadFieldTest {
  input: FieldTestInput | null;
  /** Problem by field: `missing`, `out-of-range` or `not-yes-or-no`. */
  problems: Record<string, string>;
}

/** The draft as readings; with what is wrong at which field. */
export function readFieldTest(card: FieldTestCard, draft: FieldTestDraft): ReadFieldTest {
  const values = Object.fromEntries(
    card.fields
      .map((field) => [field.slug, valueOf(field, draft[field.slug])] as const)
      .filter(([, value]) => value !== undefined),
  );
  const parsed = fieldTestInputSchema.safeParse({ test: card.slug, values });
  if (parsed.success) return { input: parsed.data, problems: {} };
  const known = new Set(['missing', 'out-of-range', 'not-yes-or-no']);
  return {
    input: null,
    problems: Object.fromEntries(
      parsed.error.issues.map(({ path, message }) => [
        String(path[1] ?? ''),
        known.has(message) ? message : 'out-of-range',
      ]),
    ),
  };
}
