/**
 * Sheets in the browser's history. An open sheet has an entry of its own, its mark, so that the way back closes
 * it and leaves the page where it is. A sheet that is closed by a button leaves its mark behind: stepping back at
 * once would come some moments later, under whatever was pressed meanwhile (a link, a reload). Instead the mark is
 * taken over by what is opened next, and passed over by the next step back.
 */
export interface Marked {
  sheet?: string;
  /** Marks that lie on each other here, this one counted. */
  sheets?: number;
}

/** A step that has not come by now leads nowhere: there is no page in that direction. */
const STEP_COMES_WITHIN_MS = 2_000;

const stateNow = (): Marked => (window.history.state as Marked | null) ?? {};
/** Where the page stood when it last heard: a browser is at another entry some moments before it says so. */
let at: Marked = {};

/** What had the focus when a step was asked for: a browser drops it at each step back. */
let step: { focus: Element | null; patience: ReturnType<typeof setTimeout> } | null = null;
const waiting: (() => void)[] = [];
let goNow: History['go'] = () => undefined;
let pushNow: History['pushState'] = () => undefined;
let replaceNow: History['replaceState'] = () => undefined;

function ended(): void {
  if (step) clearTimeout(step.patience);
  step = null;
  while (!step && waiting.length > 0) waiting.shift()?.();
}

/** A step is only asked for and comes later: a page put on top meanwhile would be taken off by it again. */
function inTurn(work: () => void): void {
  if (step) waiting.push(work);
  else work();
}

/** Asks for a step; what comes before it has come waits. */
export function take(distance: number | undefined): void {
  step = { focus: document.activeElement, patience: setTimeout(ended, STEP_COMES_WITHIN_MS) };
  goNow(distance);
}

/**
 * A step has come.
 * @returns the marks it left and came to, and whether it was asked for here, not by the browser's own way back
 */
export function stepCame(): { left: Marked; here: Marked; askedFor: boolean } {
  const left = at;
  at = stateNow();
  if (!step) return { left, here: at, askedFor: false };
  const { focus } = step;
  if (document.activeElement === document.body) (focus as HTMLElement | null)?.focus();
  // The router hears of it first; then comes what waited.
  setTimeout(ended, 0);
  return { left, here: at, askedFor: true };
}

/** Puts a sheet's mark on top, or in the place of one that `isDead`. */
export const leaveMark = (mark: string, isDead: (mark: string) => boolean): void =>
  inTurn(() => {
    const { sheet, sheets = 0, ...page } = stateNow() as Marked & object;
    const over = sheet !== undefined && isDead(sheet);
    // The same address and the router's own id: to the router nothing has happened.
    const marked = { ...page, sheet: mark, sheets: over ? sheets : sheets + 1 };
    if (over) replaceNow(marked, '');
    else pushNow(marked, '');
    at = marked;
  });

/** From here on the router's steps reckon with the marks: a page takes a mark's place, a step back passes it. */
export function keepMarks(): void {
  const { history } = window;
  goNow = history.go.bind(history);
  pushNow = history.pushState.bind(history);
  replaceNow = history.replaceState.bind(history);
  at = stateNow();
  history.go = (distance = 0) =>
    inTurn(() => take(distance < 0 ? distance - (stateNow().sheets ?? 0) : distance));
  history.pushState = (...entry) =>
    inTurn(() => {
      if (stateNow().sheet === undefined) pushNow(...entry);
      else replaceNow(...entry);
      at = stateNow();
    });
  history.replaceState = (state: object | null, ...where) =>
    inTurn(() => {
      const { sheet, sheets } = stateNow();
      replaceNow(sheet === undefined ? state : { ...state, sheet, sheets }, ...where);
    });
}
