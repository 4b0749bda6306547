import { z } from 'zod';
import { separate, typedNumber, type NumberText } from './numberText';

/** What a figure may be; both ends count. */
export interface Limits {
  from?: number;
  to?: number;
  /** More than this; the end does not count. */
  above?: number;
  whole?: boolean;
}

const within = (value: number, { from, to, above, whole }: Limits): boolean =>
  (from === undefined || value >= from) &&
  (to === undefined || value <= to) &&
  (above === undefined || value > above) &&
  (!whole || Number.isInteger(value));

const read = (text: NumberText, limits: Limits): number | null => {
  const value = typedNumber(text);
  return value !== null && within(value, limits) ? value : null;
};

/**
 * A figure of a form: typed as text, parsed as a number within its limits.
 * @param fault key of the catalog for what is no such figure
 */
export const figure = (fault: string, limits: Limits = {}) =>
  z.custom<NumberText>().transform((text, context): number => {
    const value = read(text, limits);
    if (value !== null) return value;
    context.addIssue({ code: 'custom', message: fault });
    return z.NEVER;
  });

/** As `figure`; an empty field is `null`. */
export const figureOrNone = (fault: string, limits: Limits = {}) =>
  z.custom<NumberText>().transform((text, context): number | null => {
    if (text.trim() === '') return null;
    const value = read(text, limits);
    if (value === null) context.addIssue({ code: 'custom', message: fault });
    return value;
  });

/** A series of figures in one field, between one and `most` of them. */
export const figures = (fault: string, limits: Limits, most = Infinity) =>
  z.custom<NumberText>().transform((text, context): number[] => {
    const values = separate(text).map((part) => read(part, limits));
    const good = values.filter((value) => value !== null);
    if (good.length === values.length && good.length > 0 && good.length <= most) return good;
    context.addIssue({ code: 'custom', message: fault });
    return z.NEVER;
  });

/** Words that must be there. */
export const filledIn = (fault: string) => z.string().trim().min(1, fault);
