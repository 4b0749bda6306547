import { act, renderHook } from '@testing-library/react';
import { usePlanView } from './usePlanView';

const FIT = { left: 0, top: 0, width: 100, height: 80 };
const view = () => renderHook(() => usePlanView(FIT, 400, 320)).result;

it('keeps what lies between the fingers between them', () => {
  const { current } = { current: view() };
  const at = { x: 300, y: 100 };
  const under = current.current.toPlan(at);
  act(() => current.current.pinch(at, 2, 0, 0));
  expect(current.current.scale).toBeCloseTo(8);
  expect(current.current.toScreen(under).x).toBeCloseTo(at.x);
  expect(current.current.toScreen(under).y).toBeCloseTo(at.y);
});

it('follows two fingers that move together', () => {
  const result = view();
  const under = result.current.toPlan({ x: 200, y: 160 });
  act(() => result.current.pinch({ x: 230, y: 150 }, 1, 30, -10));
  expect(result.current.toScreen(under).x).toBeCloseTo(230);
  expect(result.current.toScreen(under).y).toBeCloseTo(150);
});

it('is never thrown out of sight, by one finger or by two', () => {
  const result = view();
  act(() => result.current.pan(-100_000, 100_000));
  const middle = result.current.toPlan({ x: 200, y: 160 });
  expect(middle).toEqual({ x: 100, y: 0 });
  act(() => result.current.pinch({ x: 0, y: 0 }, 1, 90_000, 90_000));
  expect(result.current.toPlan({ x: 200, y: 160 })).toEqual({ x: 0, y: 0 });
  act(() => result.current.pinch({ x: 0, y: 0 }, 1e9, 0, 0));
  expect(result.current.scale).toBeCloseTo(4 * 40);
  act(() => result.current.showAll());
  expect(result.current.scale).toBeCloseTo(4);
});
