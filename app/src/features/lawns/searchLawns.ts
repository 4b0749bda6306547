import type { LawnSummary } from '@alfombra/core';

const plain = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '');

/** Lawns whose street or customer holds every word of the query, in any order, accents aside. */
export function searchLawns(lawns: readonly LawnSummary[], query: string): LawnSummary[] {
  const words = plain(query).split(/\s+/).filter(Boolean);
  return lawns.filter((lawn) => {
    const text = plain(`${lawn.name} ${lawn.customer}`);
    return words.every((word) => text.includes(word));
  });
}
