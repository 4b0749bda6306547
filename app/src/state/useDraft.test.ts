import { act, renderHook } from '@testing-library/react';
import { useDraft } from './useDraft';

const show = (source: { n: number }) =>
  renderHook(({ given }) => useDraft(given, ({ n }) => String(n)), {
    initialProps: { given: source },
  });

it('follows its source until it is touched, then keeps what it was made from', () => {
  const first = { n: 1 };
  const { result, rerender } = show(first);
  rerender({ given: { n: 2 } });
  expect(result.current).toMatchObject({ draft: '2', from: { n: 2 } });
  act(() => result.current.setDraft('typed'));
  rerender({ given: { n: 3 } });
  expect(result.current).toMatchObject({ draft: 'typed', from: { n: 2 } });
});
