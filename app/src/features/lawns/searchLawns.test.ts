import type { LawnSummary } from '@alfombra/core';
import MiniSearch from 'minisearch';
import { indexLawns, searchLawns } from './searchLawns';

const lawn = (name: string, customer: string) => ({ id: name, name, customer }) as LawnSummary;
const LAWNS = [
  lawn('14 Larkspur Bend', 'The Pemberquills'),
  lawn('3 Quarry Hill', 'Ámbrose Tollivant'),
];

it('finds by street and customer, in any order, without accents', () => {
  const names = (query: string) =>
    searchLawns(LAWNS, query, indexLawns(LAWNS, MiniSearch)).map(({ name }) => name);
  expect(names('bend 14')).toEqual(['14 Larkspur Bend']);
  expect(names('ambrose')).toEqual(['3 Quarry Hill']);
  expect(names('')).toHaveLength(2);
  expect(names('quarry pember')).toEqual([]);
});

it('forgives a typo and a word cut short', () => {
  const names = (query: string) =>
    searchLawns(LAWNS, query, indexLawns(LAWNS, MiniSearch)).map(({ name }) => name);
  expect(names('larkspr')).toEqual(['14 Larkspur Bend']);
  expect(names('quarri hil')).toEqual(['3 Quarry Hill']);
  expect(names('tolivant')).toEqual(['3 Quarry Hill']);
});
