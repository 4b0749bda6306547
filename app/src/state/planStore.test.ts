import { personIs } from './person';
import { testLawn } from '@/testdata/testLawn';
import { usePlanStore } from './planStore';

beforeAll(() => void personIs('me'));

const lawn = testLawn();
const store = () => usePlanStore.getState();
const steps = () => usePlanStore.temporal.getState();

beforeEach(() => {
  usePlanStore.setState({ laid: {} });
  store().finish();
  store().open(lawn);
  steps().clear();
});

it('goes back and forth step by step', () => {
  store().change({ origin: { lat: 1, lon: 1 } });
  store().change({ origin: { lat: 2, lon: 2 } });
  steps().undo();
  expect(store().plan!.origin).toEqual({ lat: 1, lon: 1 });
  steps().undo();
  expect(store().plan!.origin).toBeNull();
  steps().redo();
  expect(store().plan!.origin).toEqual({ lat: 1, lon: 1 });
});

it('is on the device, and goes on where it was for the same lawn only', () => {
  store().change({ origin: { lat: 3, lon: 3 } });
  const kept = JSON.parse(localStorage.getItem('alfombra-plan@me')!) as {
    state: { plan: { origin: object } };
  };
  expect(kept.state.plan.origin).toEqual({ lat: 3, lon: 3 });
  store().open(lawn);
  expect(store().plan!.origin).toEqual({ lat: 3, lon: 3 });
  store().open({ ...lawn, id: 'other' });
  expect(store().plan!.origin).toBeNull();
  // Looking at another lawn's plan costs no drawing, of the one or of the other.
  store().change({ origin: { lat: 7, lon: 7 } });
  store().open(lawn);
  expect(store().plan!.origin).toEqual({ lat: 3, lon: 3 });
  store().open({ ...lawn, id: 'other' });
  expect(store().plan!.origin).toEqual({ lat: 7, lon: 7 });
  store().finish();
  store().open({ ...lawn, id: 'other' });
  expect(store().plan!.origin).toBeNull();
});
