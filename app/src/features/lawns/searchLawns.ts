import type { LawnSummary } from '@alfombra/core';
import type MiniSearchClass from 'minisearch';

type MiniSearch = typeof MiniSearchClass;

/** How far a word may be off: a fifth of its letters. */
const FUZZY = 0.2;

const plain = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '');

/** Lawns by street or customer, the best match first; forgives typos, accents and cut-off words. */
export function searchLawns(
  lawns: readonly LawnSummary[],
  query: string,
  MiniSearch: MiniSearch,
): LawnSummary[] {
  if (query.trim() === '') return [...lawns];
  const index = new MiniSearch<LawnSummary>({
    fields: ['name', 'customer'],
    processTerm: (term) => plain(term),
    searchOptions: {
      combineWith: 'AND',
      prefix: true,
      fuzzy: (term) => (term.length > 2 ? FUZZY : false),
      boost: { name: 1.2 },
    },
  });
  index.addAll(lawns);
  const byId = new Map(lawns.map((lawn) => [lawn.id, lawn]));
  return index.search(query).map(({ id }) => byId.get(id as string) as LawnSummary);
}
