import { keyCharacters, lookAlikes, type LookAlike } from '../knowledge/key';
import { keyTaxon, statesOf } from './identify';

/** One character in which two plants differ, with the states of each. */
export interface Difference {
  character: string;
  a: readonly string[];
  b: readonly string[];
}

/**
 * What tells two plants apart: the telling characters of a known look-alike pair, else every
 * character in which the key's rows share no state, the easy ones first.
 * An unknown plant gives an empty list.
 */
export function tellApart(a: string, b: string): Difference[] {
  const [left, right] = [keyTaxon(a), keyTaxon(b)];
  if (!left || !right) return [];
  const known = lookAlikes.find((pair) => isPair(pair, a, b))?.characters;
  const order = { easy: 0, medium: 1, hard: 2 };
  const slugs =
    known ??
    [...keyCharacters].sort((x, y) => order[x.ease] - order[y.ease]).map(({ slug }) => slug);
  return slugs
    .map((character) => ({
      character,
      a: statesOf(left, character),
      b: statesOf(right, character),
    }))
    .filter(
      (difference) =>
        difference.a.length > 0 &&
        difference.b.length > 0 &&
        !difference.a.every((state) => difference.b.includes(state)),
    );
}

/** Plants that are taken for a plant, as the look-alike pages list them. */
export const lookAlikesOf = (slug: string): string[] =>
  lookAlikes.filter(({ a, b }) => a === slug || b === slug).map(({ a, b }) => (a === slug ? b : a));

const isPair = (pair: LookAlike, a: string, b: string) =>
  (pair.a === a && pair.b === b) || (pair.a === b && pair.b === a);
