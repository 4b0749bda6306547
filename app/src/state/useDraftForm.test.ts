import { act, renderHook } from '@testing-library/react';
import { z } from 'zod';
import { useDraftStore } from './draftStore';
import { useDraftForm } from './useDraftForm';

const schema = z.object({ text: z.string() });
const show = (n: number) =>
  renderHook(
    ({ source }) =>
      useDraftForm({ key: 'k', source, make: ({ n: of }) => ({ text: String(of) }), schema }),
    { initialProps: { source: { n } } },
  );
type Shown = ReturnType<typeof show>['result'];
const type = (result: Shown, text: string) => act(() => result.current.form.setValue('text', text));

beforeEach(() => useDraftStore.setState({ drafts: {} }));

it('follows its source until it is touched, then keeps what it was made from', () => {
  const { result, rerender } = show(1);
  rerender({ source: { n: 2 } });
  expect(result.current.form.getValues('text')).toBe('2');
  type(result, 'typed');
  rerender({ source: { n: 3 } });
  expect(result.current.form.getValues('text')).toBe('typed');
  expect(result.current).toMatchObject({ from: { n: 2 }, unsaved: true });
});

it('is there again after a reload, with what it was made from', () => {
  const first = show(1);
  type(first.result, 'typed');
  first.unmount();
  const again = show(7);
  expect(again.result.current.form.getValues('text')).toBe('typed');
  expect(again.result.current).toMatchObject({ from: { n: 1 }, unsaved: true });
});

it('is no draft when what was typed is taken back or saved', () => {
  const { result } = show(1);
  type(result, 'typed');
  type(result, '1');
  expect(result.current.unsaved).toBe(false);
  type(result, 'more');
  act(() => result.current.done());
  expect(useDraftStore.getState().drafts).toEqual({});
});
