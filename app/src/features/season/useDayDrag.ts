import { useRef, type PointerEvent as ReactPointerEvent } from 'react';

/** Days that a key moves by. */
const STEPS: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowRight: 1,
  ArrowDown: -7,
  ArrowUp: 7,
  PageDown: -30,
  PageUp: 30,
};

/**
 * Handlers by which a day is dragged along a year that fills an element but for its padding: thumb,
 * mouse, arrow keys (a day, a week), Page (a month), Home and End.
 * @param last index of the last day @param pad left and right of the year, px
 */
export function useDayDrag({
  day,
  last,
  pad,
  onDay,
}: {
  day: number;
  last: number;
  pad: number;
  onDay: (day: number) => void;
}): object {
  const dragging = useRef(false);
  const within = (index: number) => Math.max(0, Math.min(last, index));
  const dayAt = (event: ReactPointerEvent) => {
    const rect = event.currentTarget.getBoundingClientRect();
    const share = (event.clientX - rect.left - pad) / Math.max(1, rect.width - 2 * pad);
    return within(Math.round(share * last));
  };
  return {
    onPointerDown: (event: ReactPointerEvent) => {
      dragging.current = true;
      event.currentTarget.setPointerCapture(event.pointerId);
      onDay(dayAt(event));
    },
    onPointerMove: (event: ReactPointerEvent) => {
      if (dragging.current) onDay(dayAt(event));
    },
    onPointerUp: () => (dragging.current = false),
    onPointerCancel: () => (dragging.current = false),
    onKeyDown: (event: { key: string; preventDefault: () => void }) => {
      const move =
        event.key === 'Home' ? -day : event.key === 'End' ? last - day : STEPS[event.key];
      if (move === undefined) return;
      event.preventDefault();
      onDay(within(day + move));
    },
    tabIndex: 0,
  };
}
