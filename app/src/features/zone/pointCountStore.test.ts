import { personIs } from '@/state/person';
import { pointCountOf, usePointCount } from './pointCountStore';

const store = () => usePointCount.getState();
beforeAll(() => void personIs('me'));

beforeEach(() => store().clear('zone'));

it('counts hits and points, and takes the last one back', () => {
  [true, true, false, true].forEach((hit) => store().tap('zone', hit));
  expect(pointCountOf('zone')).toEqual({ hits: 3, points: 4 });
  store().back('zone');
  expect(pointCountOf('zone')).toEqual({ hits: 2, points: 3 });
});

it('is nothing until a point was taken, and counts each zone apart', () => {
  expect(pointCountOf('zone')).toBeUndefined();
  store().tap('other', true);
  expect(pointCountOf('zone')).toBeUndefined();
  store().back('zone');
  expect(pointCountOf('zone')).toBeUndefined();
});

it('is on the device at once', () => {
  store().tap('zone', true);
  const kept = JSON.parse(localStorage.getItem('alfombra-point-counts@me')!) as {
    state: { counts: Record<string, { hits: number }> };
  };
  expect(kept.state.counts.zone?.hits).toBe(1);
});
