import { renderHook, waitFor } from '@testing-library/react';
import { useMiniSearch } from './useMiniSearch';

let mockFails = 2;
jest.mock('minisearch', () => {
  mockFails -= 1;
  if (mockFails >= 0) throw new Error('the line was cut');
  return { __esModule: true, default: class {} };
});

it('asks again for an engine that did not come, and for none that nobody wants', async () => {
  const { result, rerender } = renderHook(({ wanted }) => useMiniSearch(wanted), {
    initialProps: { wanted: false },
  });
  expect(mockFails).toBe(2);
  rerender({ wanted: true });
  await waitFor(() => expect(result.current).not.toBeNull(), { timeout: 10_000 });
  expect(mockFails).toBe(-1);
});
