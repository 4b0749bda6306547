import type { Point } from '@alfombra/core';
import { useMemo, useState } from 'react';

export interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** Room that an empty plan shows, ft. */
const EMPTY: Box = { left: -10, top: -10, width: 100, height: 80 };
const MARGIN = 0.12;
const ZOOM_STEP = 1.4;
const LEAST_ZOOM = 0.3;
const MOST_ZOOM = 40;
const WHOLE = { zoom: 1, centre: null };

/** The box round some points with room to draw beside them; a whole plot when there are none. */
export function boxOf(points: readonly Point[]): Box {
  if (points.length === 0) return EMPTY;
  const xs = points.map(({ x }) => x);
  const ys = points.map(({ y }) => y);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const width = Math.max(20, Math.max(...xs) - left);
  const height = Math.max(20, Math.max(...ys) - top);
  const room = Math.max(width, height) * MARGIN;
  return { left: left - room, top: top - room, width: width + 2 * room, height: height + 2 * room };
}

const within = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/**
 * Scale and shift between the plan's feet and the screen's pixels, with zoom; the same while neither changes.
 * The middle of the screen never leaves the box of the plan: it cannot be thrown out of sight.
 */
export function usePlanView(fit: Box, width: number, height: number) {
  const [{ zoom, centre }, setView] = useState<{ zoom: number; centre: Point | null }>(WHOLE);
  const fitScale = Math.min(width / fit.width, height / fit.height);
  const scale = fitScale * zoom;
  const x0 = centre?.x ?? fit.left + fit.width / 2;
  const y0 = centre?.y ?? fit.top + fit.height / 2;
  return useMemo(() => {
    const toPlan = ({ x, y }: Point): Point => ({
      x: x0 + (x - width / 2) / scale,
      y: y0 + (y - height / 2) / scale,
    });
    const kept = ({ x, y }: Point): Point => ({
      x: within(x, fit.left, fit.left + fit.width),
      y: within(y, fit.top, fit.top + fit.height),
    });
    const zoomTo = (next: number) =>
      setView((view) => ({ ...view, zoom: within(next, LEAST_ZOOM, MOST_ZOOM) }));
    return {
      scale,
      toScreen: ({ x, y }: Point): Point => ({
        x: width / 2 + (x - x0) * scale,
        y: height / 2 + (y - y0) * scale,
      }),
      toPlan,
      pan: (dx: number, dy: number) =>
        setView({ zoom, centre: kept({ x: x0 - dx / scale, y: y0 - dy / scale }) }),
      /** How it is seen now: what a gesture begins with. */
      seen: { zoom, x0, y0 },
      /**
       * Closer or farther by a factor than when two fingers came down, with what lay between them then still
       * between them now. From the beginning of the gesture, for a screen reports more often than it draws.
       */
      pinch: (
        began: { zoom: number; x0: number; y0: number },
        from: Point,
        at: Point,
        factor: number,
      ) => {
        const next = within(began.zoom * factor, LEAST_ZOOM, MOST_ZOOM);
        const before = fitScale * began.zoom;
        const after = fitScale * next;
        const shift = (start: number, of: number, to: number, middle: number) =>
          start + (of - middle) / before - (to - middle) / after;
        setView({
          zoom: next,
          centre: kept({
            x: shift(began.x0, from.x, at.x, width / 2),
            y: shift(began.y0, from.y, at.y, height / 2),
          }),
        });
      },
      zoomIn: () => zoomTo(zoom * ZOOM_STEP),
      zoomOut: () => zoomTo(zoom / ZOOM_STEP),
      showAll: () => setView(WHOLE),
    };
  }, [scale, fitScale, zoom, x0, y0, width, height, fit]);
}
