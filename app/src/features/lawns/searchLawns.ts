import type { LawnSummary } from '@alfombra/core';
import type MiniSearchClass from 'minisearch';

type MiniSearch = typeof MiniSearchClass;
export type LawnIndex = MiniSearchClass<LawnSummary>;

/** How far a word may be off: a fifth of its letters. */
const FUZZY = 0.2;

const plain = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '');

/** Lawns as they are looked for: by street or customer. Made once for a list, not at each letter. */
export function indexLawns(lawns: readonly LawnSummary[], MiniSearch: MiniSearch): LawnIndex {
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
  return index;
}

/** The lawns that fit, the best match first; forgives typos, accents and cut-off words. */
export function searchLawns(
  lawns: readonly LawnSummary[],
  query: string,
  index: LawnIndex,
): readonly LawnSummary[] {
  if (query.trim() === '') return lawns;
  const byId = new Map(lawns.map((lawn) => [lawn.id, lawn]));
  return index.search(query).flatMap(({ id }) => byId.get(id as string) ?? []);
}
