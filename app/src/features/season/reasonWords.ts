import type { Reason } from '@alfombra/core';
import type { TFunction } from 'i18next';
import { fullDay, number } from '@/ui';

/** Inputs that are slugs, with the catalog that names them. */
const NAMED: Record<string, string> = {
  species: 'grass',
  component: 'herbicide',
  other: 'herbicide',
  weed: 'weed',
  cause: 'cause',
  group: 'group',
  slot: 'slot',
  rating: 'rating',
  unit: 'unit',
};

function worded(t: TFunction, key: string, value: string | number | boolean | null): string {
  if (typeof value === 'number') return number(value, 2);
  if (value === null || typeof value === 'boolean') return '';
  if (key === 'grasses')
    return value
      .split(' ')
      .map((slug) => t(`grass.${slug}`))
      .join(', ');
  if (key === 'direction') return t(`season.direction.${value}`);
  if (/^\d{4}-\d{2}-\d{2}$/.test(value)) return fullDay(value);
  if (key === 'subject') return t([`weed.${value}`, `cause.${value}`, value]);
  const catalog = NAMED[key];
  return catalog ? t(`${catalog}.${value}`) : value;
}

/** A reason of the core in the user's words, with this lawn's numbers in it. */
export function reasonWords(t: TFunction, { rule, inputs }: Reason): string {
  const values = Object.fromEntries(
    Object.entries(inputs).map(([key, value]) => [key, worded(t, key, value)]),
  );
  return t(`rule.${rule}`, values);
}

/** A finding of the checker in the user's words. */
export function checkWords(
  t: TFunction,
  { rule, inputs }: { rule: string; inputs: Record<string, string | number> },
): string {
  const values = Object.fromEntries(
    Object.entries(inputs).map(([key, value]) => [key, worded(t, key, value)]),
  );
  // Where a label names hours, the words that have them, if the rule has such words.
  return t(`check.${rule}`, {
    ...values,
    ...(inputs.hours === undefined ? {} : { context: 'hours' }),
  });
}
