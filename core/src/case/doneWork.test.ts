import { doneWork, totalOf } from './doneWork';

const record = (id: string, batchId: string | null, areaFt2: number, amount: number) => ({
  id,
  batchId,
  areaFt2,
  carrierGal: areaFt2 / 1000,
  materials: [
    { kind: 'herbicide' as const, slug: 'prodiamine', amount, unit: 'oz' as const },
    {
      kind: 'fertilizer' as const,
      slug: '24-0-11-half-slow',
      amount: 2 * amount,
      unit: 'lb' as const,
    },
  ],
});

it('puts together what was written down as one, and leaves the rest apart', () => {
  const rows = [
    record('a', 'x', 1000, 1),
    record('b', null, 500, 1),
    record('c', 'x', 3000, 3),
    record('d', null, 500, 1),
  ];
  expect(doneWork(rows).map((work) => work.map(({ id }) => id))).toEqual([
    ['a', 'c'],
    ['b'],
    ['d'],
  ]);
  expect(doneWork([{ id: 'old' }])).toEqual([[{ id: 'old' }]]);
  expect(totalOf([rows[0]!, rows[2]!])).toEqual({
    areaFt2: 4000,
    carrierGal: 4,
    materials: [
      expect.objectContaining({ slug: 'prodiamine', amount: 4, unit: 'oz' }),
      expect.objectContaining({ slug: '24-0-11-half-slow', amount: 8, unit: 'lb' }),
    ],
  });
  expect(totalOf([{ ...rows[1]!, carrierGal: null }]).carrierGal).toBeNull();
});
