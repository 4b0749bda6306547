import { useEffect, useRef } from 'react';
import { keepMarks, leaveMark, stepCame, take } from './historySteps';

/** Sheets that are open, the topmost last, by the mark each left in the browser's history. */
const open: { mark: string; close: () => void }[] = [];
let marks = 0;

const isDead = (mark: string) => !open.some((sheet) => sheet.mark === mark);

/** Before the router hears of it: a step back with a sheet open closes the sheet and moves nowhere. */
function onPopState(event: PopStateEvent): void {
  const { left, here, askedFor } = stepCame();
  const top = open.at(-1);
  if (!askedFor && left.sheet !== undefined && left.sheet !== here.sheet && isDead(left.sheet)) {
    // A sheet that was closed before: nothing to stop at, nor at those under it.
    event.stopImmediatePropagation();
    take(-1 - (here.sheet !== undefined && isDead(here.sheet) ? (here.sheets ?? 0) : 0));
  } else if (top && here.sheet !== top.mark) {
    event.stopImmediatePropagation();
    open.pop();
    top.close();
  }
}

// From the start: a reload may have left the page at a mark. There is no window where the app is built.
if (typeof window !== 'undefined') {
  keepMarks();
  window.addEventListener('popstate', onPopState, { capture: true });
}

/** While open, the browser's (and the phone's) way back closes it instead of leaving the page. */
export function useBackCloses(isOpen: boolean, onClose: () => void): void {
  const close = useRef(onClose);
  useEffect(() => {
    close.current = onClose;
  });
  useEffect(() => {
    if (!isOpen) return undefined;
    marks += 1;
    // Told apart from one that a reload left behind.
    const entry = { mark: `sheet-${Date.now()}-${marks}`, close: () => close.current() };
    open.push(entry);
    leaveMark(entry.mark, isDead);
    return () => {
      const place = open.indexOf(entry);
      if (place >= 0) open.splice(place, 1);
    };
  }, [isOpen]);
}
