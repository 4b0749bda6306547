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

/** Scale and shift between the plan's feet and the screen's pixels, with zoom; the same while neither changes. */
export function usePlanView(fit: Box, width: number, height: number) {
  const [zoom, setZoom] = useState(1);
  const [centre, setCentre] = useState<Point | null>(null);
  const scale = Math.min(width / fit.width, height / fit.height) * zoom;
  const x0 = centre?.x ?? fit.left + fit.width / 2;
  const y0 = centre?.y ?? fit.top + fit.height / 2;
  return useMemo(
    () => ({
      scale,
      toScreen: ({ x, y }: Point): Point => ({
        x: width / 2 + (x - x0) * scale,
        y: height / 2 + (y - y0) * scale,
      }),
      toPlan: ({ x, y }: Point): Point => ({
        x: x0 + (x - width / 2) / scale,
        y: y0 + (y - height / 2) / scale,
      }),
      pan: (dx: number, dy: number) => setCentre({ x: x0 - dx / scale, y: y0 - dy / scale }),
      zoomIn: () => setZoom((zoom) => zoom * ZOOM_STEP),
      zoomOut: () => setZoom((zoom) => Math.max(LEAST_ZOOM, zoom / ZOOM_STEP)),
      showAll: () => {
        setZoom(1);
        setCentre(null);
      },
    }),
    [scale, x0, y0, width, height],
  );
}
