import { act, renderHook } from '@testing-library/react';
import * as fc from 'fast-check';
import { useBackCloses } from './useBackCloses';

/** Until every step and every mark has come to rest. */
const rest = () => act(() => new Promise((resolve) => setTimeout(resolve, 160)));
const moment = (ms: number) => act(() => new Promise((resolve) => setTimeout(resolve, ms)));

/** What a router does: an entry of its own for each page, and shows where a step leads. */
function router() {
  const shown = { page: window.location.pathname };
  const hear = () => (shown.page = window.location.pathname);
  window.addEventListener('popstate', hear);
  return {
    shown,
    push: (page: string) => {
      shown.page = page;
      window.history.pushState({ id: page }, '', page);
    },
    stop: () => window.removeEventListener('popstate', hear),
  };
}

it('leaves the page that was asked for, whatever closed and opened around it and how fast', async () => {
  let runs = 0;
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.record({
          does: fc.constantFrom(
            'open',
            'another',
            'close',
            'push',
            'closeAndPush',
            'swap',
            'back',
            'go',
          ),
          then: fc.constantFrom(0, 1, 61, 62, 70),
        }),
        { maxLength: 7 },
      ),
      async (steps) => {
        runs += 1;
        const start = `/run-${runs}`;
        window.history.pushState({ id: start }, '', start);
        const pages = [start];
        const { shown, push, stop } = router();
        const first = { open: false };
        const second = { open: false };
        const sheets = renderHook(
          (_: number) => {
            useBackCloses(first.open, () => (first.open = false));
            useBackCloses(second.open, () => (second.open = false));
          },
          { initialProps: 0 },
        );
        let shows = 0;
        const show = () => sheets.rerender((shows += 1));
        const asked = (page: string) => {
          pages.push(page);
          push(page);
        };
        for (const [index, { does, then }] of steps.entries()) {
          const page = `${start}-${index}`;
          const anyOpen = first.open || second.open;
          if (does === 'open' && !anyOpen) first.open = true;
          if (does === 'another' && anyOpen) first.open = second.open = true;
          if (does === 'close' || does === 'closeAndPush') first.open = second.open = false;
          if (does === 'swap' && anyOpen) [first.open, second.open] = [second.open, first.open];
          show();
          // A page goes on top only where no sheet is in the way.
          if (does === 'closeAndPush' || (does === 'push' && !anyOpen)) asked(page);
          // The browser's way back closes the upper sheet; the router's leaves the page.
          if (does === 'back' || (does === 'go' && !anyOpen)) {
            await rest();
            if (!anyOpen && pages.length === 1) continue;
            if (!anyOpen) pages.pop();
            const sheetsOpen = Number(first.open) + Number(second.open);
            if (does === 'back') window.history.back();
            else window.history.go(-1);
            await rest();
            show();
            expect(Number(first.open) + Number(second.open)).toBe(Math.max(0, sheetsOpen - 1));
          }
          await moment(then);
        }
        first.open = second.open = false;
        show();
        await rest();
        expect([window.location.pathname, shown.page]).toEqual([pages.at(-1), pages.at(-1)]);
        // No mark is left behind to stop at.
        while (pages.length > 1) {
          pages.pop();
          window.history.back();
          await rest();
          expect([window.location.pathname, shown.page]).toEqual([pages.at(-1), pages.at(-1)]);
        }
        sheets.unmount();
        stop();
      },
    ),
    { numRuns: 40 },
  );
}, 120_000);

it('takes no step of its own when a sheet is closed: nothing comes under what is pressed next', async () => {
  const back = jest.fn();
  window.addEventListener('popstate', back);
  const { rerender, unmount } = renderHook(
    (open: boolean) => useBackCloses(open, () => undefined),
    {
      initialProps: true,
    },
  );
  rerender(false);
  unmount();
  await rest();
  expect(back).not.toHaveBeenCalled();
  window.removeEventListener('popstate', back);
});

it('closes by the way back although the router writes between the step and its event', async () => {
  const closed = jest.fn();
  const { unmount } = renderHook(() => useBackCloses(true, closed));
  // What Chromium does: the step is taken, and heard of some milliseconds later.
  Reflect.apply(
    Object.getOwnPropertyDescriptor(History.prototype, 'replaceState')!.value as () => void,
    window.history,
    [{ id: 'page' }, ''],
  );
  window.history.replaceState({ id: 'page' }, '');
  expect(window.history.state).toEqual({ id: 'page' });
  window.dispatchEvent(new PopStateEvent('popstate', { state: window.history.state }));
  expect(closed).toHaveBeenCalledTimes(1);
  unmount();
  await rest();
});
