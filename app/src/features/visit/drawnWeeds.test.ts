import { TEST_ZONE as ZONE, testLawn } from '@/testdata/testLawn';
import { drawnWeeds, withDrawn } from './drawnWeeds';

const patch = (n: number, plant: object, fields: object = {}) => ({
  id: `0190a000-0000-7000-8000-0000000000b${n}`,
  zoneId: ZONE,
  plant,
  centre: { x: 5, y: 5 },
  lengthFt: 10,
  widthFt: 4,
  cover: 0.5,
  stage: 'flowering',
  seenOn: '2026-04-08',
  ...fields,
});
const lawn = testLawn({
  weedPatches: [
    patch(1, { kind: 'weed', weed: 'dandelion' }),
    patch(2, { kind: 'weed', weed: 'dandelion' }, { lengthFt: 4 }),
    patch(3, { kind: 'category', category: 'sedge' }),
  ],
});

it('adds up the ground under the patches of a weed', () => {
  const [dandelion, ...others] = drawnWeeds(lawn, ZONE);
  expect(others).toEqual([]);
  expect(dandelion).toMatchObject({ weed: 'dandelion', growing: true });
  // π/4 · (10·4 + 4·4) · 0.5 = 21.99 ft² of 1,000.
  expect(dandelion!.cover).toBeCloseTo(0.02199, 5);
  expect(drawnWeeds(lawn, 'nowhere')).toEqual([]);
});

it('keeps what was known and not drawn', () => {
  const known = [
    { weed: 'dandelion', cover: 0.3, growing: true },
    { weed: 'henbit', cover: 0.1, growing: true },
  ];
  const drawn = drawnWeeds(lawn, ZONE);
  expect(withDrawn(known, drawn).map(({ weed, cover }) => [weed, cover])).toEqual([
    ['henbit', 0.1],
    ['dandelion', drawn[0]!.cover],
  ]);
});
