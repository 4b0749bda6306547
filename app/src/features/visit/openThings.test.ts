import { patchSchema } from '@alfombra/core';
import { TEST_ZONE, testLawn } from '@/testdata/testLawn';
import { openThings } from './openThings';

const patch = (n: number) =>
  patchSchema.parse({
    id: `0190a000-0000-7000-8000-0000000000a${n}`,
    zoneId: TEST_ZONE,
    number: n,
    centre: { x: 5, y: 5 },
    widthFt: 3,
    lengthFt: 3,
    seenOn: '2026-04-08',
  });

it('names what is open in walking order, until nothing is', () => {
  expect(openThings(testLawn({ zones: [] }), undefined)).toEqual([{ kind: 'measure' }]);
  const lawn = testLawn({ patches: [patch(1), patch(2)] });
  const unnamed = {
    ...lawn,
    zones: lawn.zones.map((zone) => ({ ...zone, stand: [], desired: [] })),
  };
  expect(openThings(unnamed, undefined).map(({ kind }) => kind)).toEqual([
    ...lawn.zones.map(() => 'grass'),
    'patch',
    'patch',
  ]);
  const look = {
    zoneId: TEST_ZONE,
    answers: {},
    tests: [],
    fieldTests: [],
    leading: [],
    decision: null,
    weeds: [],
  };
  const visit = (patchIds: (string | null)[]) =>
    ({ looks: patchIds.map((patchId) => ({ ...look, patchId })) }) as never;
  const open = openThings(lawn, visit([patch(1).id, null]));
  expect(open).toEqual([{ kind: 'patch', patchId: patch(2).id }]);
  expect(openThings(lawn, visit([patch(1).id, patch(2).id]))).toEqual([]);
});
