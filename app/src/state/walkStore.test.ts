import { personIs } from './person';
import { useWalkStore } from './walkStore';

beforeAll(() => void personIs('me'));

const walk = () => useWalkStore.getState().walks.lawn;
const store = () => useWalkStore.getState();

beforeEach(() => {
  store().finish('lawn');
  store().start('lawn', 'zone', 'patch');
});

it('starts with an id of its own and nothing answered', () => {
  const first = walk()?.visitId;
  expect(walk()).toMatchObject({ zoneId: 'zone', patchId: 'patch', answers: {}, tests: [] });
  store().start('lawn', 'zone', null);
  expect(walk()?.visitId).not.toBe(first);
});

it('goes on where a place was left, whatever was looked at in between', () => {
  store().start('lawn', 'zone', 'one', 'visit');
  store().answer('lawn', 'k-pat-rings', true);
  store().start('lawn', 'zone', 'two', 'visit');
  expect(walk()?.answers).toEqual({});
  store().answer('lawn', 's-edge-yellow', false);
  store().leave('lawn');
  expect(walk()).toBeUndefined();
  store().start('lawn', 'zone', 'one', 'visit');
  expect(walk()?.answers).toEqual({ 'k-pat-rings': true });
  store().start('lawn', 'zone', 'two', 'visit');
  expect(walk()?.answers).toEqual({ 's-edge-yellow': false });
  // Another day's visit looks afresh; the end of the visit ends its looks.
  store().start('lawn', 'zone', 'one', 'tomorrow');
  expect(walk()?.answers).toEqual({});
  store().endVisit('lawn');
  store().start('lawn', 'zone', 'one', 'visit');
  expect(walk()?.answers).toEqual({});
});

it('keeps, changes and takes back answers', () => {
  store().answer('lawn', 'k-pat-rings', true);
  store().answer('lawn', 'k-pat-circles', false);
  store().answer('lawn', 'k-pat-rings', null);
  expect(walk()?.answers).toEqual({ 'k-pat-circles': false });
});

it('holds one result a test', () => {
  store().putTest('lawn', { test: 'chinch-float', sampler: 4, counts: [1] });
  store().putTest('lawn', { test: 'chinch-float', sampler: 4, counts: [3, 2, 2] });
  expect(walk()?.tests).toEqual([{ test: 'chinch-float', sampler: 4, counts: [3, 2, 2] }]);
  store().dropTest('lawn', 'chinch-float');
  expect(walk()?.tests).toEqual([]);
});

it('is on the device at once', () => {
  store().answer('lawn', 's-edge-yellow', true);
  const kept = JSON.parse(localStorage.getItem('alfombra-walks@me') ?? '{}') as {
    state: { walks: Record<string, { answers: object }> };
  };
  expect(kept.state.walks.lawn?.answers).toEqual({ 's-edge-yellow': true });
});

it('does not bring a finished walk back to life', () => {
  store().finish('lawn');
  store().answer('lawn', 's-edge-yellow', true);
  expect(walk()).toBeUndefined();
});
