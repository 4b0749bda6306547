import type { LawnSummary } from '@alfombra/core';
import { readWeeds } from '../walk/readWeeds';
import { searchLawns } from './searchLawns';

const lawn = (name: string, customer: string) => ({ id: name, name, customer }) as LawnSummary;
const LAWNS = [
  lawn('14 Larkspur Bend', 'The Pemberquills'),
  lawn('3 Quarry Hill', 'Ámbrose Tollivant'),
];

it('finds by street and customer, in any order, without accents', () => {
  const names = (query: string) => searchLawns(LAWNS, query).map(({ name }) => name);
  expect(names('bend 14')).toEqual(['14 Larkspur Bend']);
  expect(names('ambrose')).toEqual(['3 Quarry Hill']);
  expect(names('')).toHaveLength(2);
  expect(names('quarry pember')).toEqual([]);
});

it('reads covers in per cent and points at bad ones', () => {
  const draft = (cover: string) => ({ weed: 'dandelion', cover, growing: true });
  expect(readWeeds([draft('5'), draft('2,5')])).toMatchObject({
    totalPct: 7.5,
    bad: [false, false],
  });
  expect(readWeeds([draft('5')]).findings).toEqual([
    { weed: 'dandelion', cover: 0.05, growing: true },
  ]);
  expect(readWeeds([draft('101'), draft('')])).toMatchObject({ findings: null, bad: [true, true] });
});
