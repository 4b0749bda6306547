import { act, renderHook } from '@testing-library/react';
import { usePlanView } from './usePlanView';

const FIT = { left: 0, top: 0, width: 100, height: 80 };
const view = () => renderHook(() => usePlanView(FIT, 400, 320)).result;

it('keeps what lies between the fingers between them', () => {
  const { current } = { current: view() };
  const at = { x: 300, y: 100 };
  const under = current.current.toPlan(at);
  act(() => current.current.pinch(current.current.seen, at, at, 2));
  expect(current.current.scale).toBeCloseTo(8);
  expect(current.current.toScreen(under).x).toBeCloseTo(at.x);
  expect(current.current.toScreen(under).y).toBeCloseTo(at.y);
});

it('follows two fingers that move together', () => {
  const result = view();
  const under = result.current.toPlan({ x: 200, y: 160 });
  act(() => result.current.pinch(result.current.seen, { x: 200, y: 160 }, { x: 230, y: 150 }, 1));
  expect(result.current.toScreen(under).x).toBeCloseTo(230);
  expect(result.current.toScreen(under).y).toBeCloseTo(150);
});

it('counts from the beginning of the gesture, however often it is told', () => {
  const result = view();
  const { seen, pinch } = result.current;
  const at = { x: 200, y: 160 };
  act(() => {
    pinch(seen, at, at, 1.5);
    pinch(seen, at, at, 2);
  });
  expect(result.current.scale).toBeCloseTo(8);
});

it('is never thrown out of sight, by one finger or by two', () => {
  const result = view();
  act(() => result.current.pan(-100_000, 100_000));
  const middle = result.current.toPlan({ x: 200, y: 160 });
  expect(middle).toEqual({ x: 100, y: 0 });
  act(() => result.current.pinch(result.current.seen, { x: 0, y: 0 }, { x: 90_000, y: 90_000 }, 1));
  expect(result.current.toPlan({ x: 200, y: 160 })).toEqual({ x: 0, y: 0 });
  act(() => result.current.pinch(result.current.seen, { x: 0, y: 0 }, { x: 0, y: 0 }, 1e9));
  expect(result.current.scale).toBeCloseTo(4 * 40);
  act(() => result.current.showAll());
  expect(result.current.scale).toBeCloseTo(4);
});
