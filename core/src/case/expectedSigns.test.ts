import { LIBRARY } from '../products';
import type { Application } from '../rates';
import { expectedSigns } from './expectedSigns';

const NEED = 'control:dandelion:zone:2026';
const record = (
  date: string,
  slugs: readonly string[],
  stepId = `${NEED}/walk/1`,
): Application => ({
  id: date,
  zoneId: 'zone',
  date,
  areaFt2: 1000,
  stepId,
  materials: slugs.map((slug) => ({ kind: 'herbicide', slug, amount: 1, unit: 'fl-oz' })),
});

it('is when leaves turn yellow and are dead, of the last work for the need', () => {
  const [yellow, dead] = [
    LIBRARY.herbicide('24d-amine')!.daysToYellow!,
    LIBRARY.herbicide('24d-amine')!.daysToDead!,
  ];
  const day = (days: number) => new Date(Date.UTC(2026, 4, 1 + days)).toISOString().slice(0, 10);
  expect(
    expectedSigns(
      [record('2026-04-01', ['24d-amine']), record('2026-05-01', ['24d-amine'])],
      NEED,
      LIBRARY,
    ),
  ).toEqual({
    doneOn: '2026-05-01',
    yellow: [day(yellow[0]), day(yellow[1])],
    dead: [day(dead[0]), day(dead[1])],
  });
});
it('waits for the slowest of a tank', () => {
  const slow = LIBRARY.herbicide('glyphosate')!;
  const quick = LIBRARY.herbicide('carfentrazone')!;
  expect(quick.daysToDead![1]).toBeLessThan(slow.daysToDead![1]);
  const alone = expectedSigns([record('2026-05-01', ['glyphosate'])], NEED, LIBRARY)!;
  const both = expectedSigns(
    [record('2026-05-01', ['carfentrazone', 'glyphosate'])],
    NEED,
    LIBRARY,
  )!;
  expect(both.dead![1]).toBe(alone.dead![1]);
});
it('finds a walk that was against several weeds, in its own zone only', () => {
  const shared = {
    ...record('2026-05-01', ['24d-amine'], 'control:white-clover:zone:2026/walk/1'),
    targets: ['white-clover', 'dandelion'],
  };
  expect(expectedSigns([shared], NEED, LIBRARY)?.doneOn).toBe('2026-05-01');
  expect(expectedSigns([{ ...shared, zoneId: 'other' }], NEED, LIBRARY)).toBeNull();
});
it('is nothing of work for another need, and has no days of what kills no leaf', () => {
  const other = record('2026-05-01', ['24d-amine'], 'control:dandelions:zone:2026/walk/1');
  expect(expectedSigns([other], NEED, LIBRARY)).toBeNull();
  expect(expectedSigns([record('2026-05-01', ['prodiamine'])], NEED, LIBRARY)).toMatchObject({
    yellow: null,
    dead: null,
  });
});
