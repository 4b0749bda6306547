/**
 * One step through the browser's history at a time. A step back is only asked for and comes some moments later:
 * a page put on top meanwhile (by a quick finger, or on a slow device) would be taken off by it again.
 */
interface Step {
  /** Ours, to remove a mark: nobody else may act on it. */
  own: boolean;
  /** What had the focus: a browser drops it at each step back. */
  focus: Element | null;
  patience: ReturnType<typeof setTimeout>;
}

/** A step that has not come by now leads nowhere: there is no page in that direction. */
const STEP_COMES_WITHIN_MS = 2_000;

let step: Step | null = null;
const waiting: (() => void)[] = [];
let goNow: History['go'] = () => undefined;

function ended(): void {
  if (step) clearTimeout(step.patience);
  step = null;
  while (!step && waiting.length > 0) waiting.shift()?.();
}

function take(distance: number | undefined, own: boolean): void {
  step = {
    own,
    focus: document.activeElement,
    patience: setTimeout(ended, STEP_COMES_WITHIN_MS),
  };
  goNow(distance);
}

/** Does it now, or when the step that is under way has come. */
export function inTurn(work: () => void): void {
  if (step) waiting.push(work);
  else work();
}

/** A step back of our own, if it is still wanted when its turn has come. */
export const stepBackIf = (wanted: () => boolean): void =>
  inTurn(() => {
    if (wanted()) take(-1, true);
  });

/** A step has come. @returns whether it was our own, and nobody else is to hear of it */
export function stepCame(): boolean {
  if (!step) return false;
  const { own, focus } = step;
  // The router hears of its own first; then comes what waited.
  setTimeout(ended, 0);
  if (own && document.activeElement === document.body) (focus as HTMLElement | null)?.focus();
  return own;
}

/** From here on, whoever moves through the history waits for its turn. */
export function keepTurns(): void {
  const { history } = window;
  goNow = history.go.bind(history);
  const push = history.pushState.bind(history);
  const replace = history.replaceState.bind(history);
  history.go = (distance) => inTurn(() => take(distance, false));
  history.pushState = (...entry) => inTurn(() => push(...entry));
  history.replaceState = (...entry) => inTurn(() => replace(...entry));
}
