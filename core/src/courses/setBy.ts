import type { StepWindow } from '../choice/window';
import type { Reason } from '../needs/reason';
import type { LocalDate } from '../units';

/** Why a step stands on its day: somebody set it, perhaps where it does less than it would in its own window. */
export const setBy = (date: LocalDate, window: StepWindow | null): Reason[] => [
  { rule: 'pinned', inputs: { on: date, from: window?.best ?? date } },
  ...(window && date >= window.opens && date <= window.closes
    ? []
    : [
        window
          ? { rule: 'pin-outside', inputs: { opens: window.opens, closes: window.closes } }
          : { rule: 'pin-no-window', inputs: {} },
      ]),
];
