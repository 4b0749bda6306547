import { useEffect, useRef } from 'react';
import { inTurn, keepTurns, stepBackIf, stepCame } from './historySteps';

/** Sheets that are open, the topmost last, by the mark each left in the browser's history. */
const open: { mark: string; close: () => void }[] = [];
let marks = 0;
let listens = false;
/** What a closed sheet gives the focus back to has it by then. */
const FOCUS_SETTLES_MS = 60;

const markNow = (): string | undefined =>
  (window.history.state as { sheet?: string } | null)?.sheet;

/** Before the router hears of it: a step back with a sheet open closes the sheet and moves nowhere. */
function onPopState(event: PopStateEvent): void {
  const own = stepCame();
  const top = open.at(-1);
  if (own) event.stopImmediatePropagation();
  else if (top && markNow() !== top.mark) {
    event.stopImmediatePropagation();
    open.pop();
    top.close();
  }
  // The mark of a sheet that closed under a page or another sheet on top of it: nothing to stop at.
  stepBackIf(() => markNow() !== undefined && !open.some(({ mark }) => mark === markNow()));
}

function listen(): void {
  if (listens) return;
  listens = true;
  keepTurns();
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
    listen();
    marks += 1;
    // Told apart from one that a reload left behind.
    const entry = { mark: `sheet-${Date.now()}-${marks}`, close: () => close.current() };
    open.push(entry);
    // The same address and the router's own id: to the router nothing has happened.
    inTurn(() => window.history.pushState({ ...window.history.state, sheet: entry.mark }, ''));
    return () => {
      const place = open.indexOf(entry);
      if (place >= 0) open.splice(place, 1);
      // A page that is being left keeps it: a step back now would stop the leaving.
      const stay = () => clearTimeout(timer);
      const timer = setTimeout(() => {
        window.removeEventListener('beforeunload', stay);
        // Closed by a button: the mark goes, unless the page has moved on over it meanwhile.
        stepBackIf(() => markNow() === entry.mark);
      }, FOCUS_SETTLES_MS);
      window.addEventListener('beforeunload', stay, { once: true });
    };
  }, [isOpen]);
}
