import { useEffect, useRef } from 'react';

/** Sheets that are open, the topmost last, by the mark each left in the browser's history. */
const open: { mark: string; close: () => void }[] = [];
/**
 * Steps back that we take ourselves, to remove a mark: nobody else may act on them. A browser drops the focus
 * at each; what had it gets it back.
 */
const ownSteps: (Element | null)[] = [];
let marks = 0;
/** The router puts its own entry into the history some moments after it was asked to move. */
const ROUTER_SETTLES_MS = 60;

const markNow = (): string | undefined =>
  (window.history.state as { sheet?: string } | null)?.sheet;

/** Before the router hears of it: a step back with a sheet open closes the sheet and moves nowhere. */
function onPopState(event: PopStateEvent): void {
  if (ownSteps.length > 0) {
    event.stopImmediatePropagation();
    (ownSteps.shift() as HTMLElement | null)?.focus();
    return;
  }
  const top = open.at(-1);
  if (!top || markNow() === top.mark) return;
  event.stopImmediatePropagation();
  open.pop();
  top.close();
}

/** While open, the browser's (and the phone's) way back closes it instead of leaving the page. */
export function useBackCloses(isOpen: boolean, onClose: () => void): void {
  const close = useRef(onClose);
  useEffect(() => {
    close.current = onClose;
  });
  useEffect(() => {
    if (!isOpen) return undefined;
    if (open.length === 0) window.addEventListener('popstate', onPopState, { capture: true });
    marks += 1;
    const entry = { mark: `sheet-${marks}`, close: () => close.current() };
    open.push(entry);
    // The same address and the router's own id: to the router nothing has happened.
    window.history.pushState({ ...window.history.state, sheet: entry.mark }, '');
    return () => {
      const place = open.indexOf(entry);
      if (place >= 0) open.splice(place, 1);
      setTimeout(() => {
        // Closed by a button: the mark goes, unless the page has moved on over it meanwhile.
        if (markNow() === entry.mark) {
          ownSteps.push(document.activeElement);
          window.history.back();
        }
      }, ROUTER_SETTLES_MS);
    };
  }, [isOpen]);
}
