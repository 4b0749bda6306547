import type { Point } from '@alfombra/core';
import { closestOnEdge } from '@alfombra/core/measuring';

export type ToScreen = (p: Point) => Point;

const GRID_FT = 10;
const MOST_GRID_LINES = 60;
const DOT_PX = 5;

const px = (value: number) => value.toFixed(1);

/** An open or closed run of points as a path on the screen. */
export const runPath = (points: readonly Point[], at: ToScreen): string =>
  points.map((p, i) => `${i === 0 ? 'M' : 'L'}${px(at(p).x)} ${px(at(p).y)}`).join('');

export const closedPath = (outline: readonly Point[], at: ToScreen): string =>
  `${runPath(outline, at)}Z`;

/** The chosen edges of an outline as one path: one node to repaint, however many corners there are. */
export const edgesPath = (
  outline: readonly Point[],
  at: ToScreen,
  chosen: (edge: number) => boolean,
): string =>
  outline
    .map((corner, index) =>
      chosen(index) ? runPath([corner, outline[(index + 1) % outline.length] as Point], at) : '',
    )
    .join('');

/** Small dots for corners that stand too close for a handle. */
export const dotsPath = (corners: readonly Point[], at: ToScreen): string =>
  corners
    .map((corner) => {
      const { x, y } = at(corner);
      return `M${px(x - DOT_PX)} ${px(y)}a${DOT_PX} ${DOT_PX} 0 1 0 ${2 * DOT_PX} 0a${DOT_PX} ${DOT_PX} 0 1 0 ${-2 * DOT_PX} 0`;
    })
    .join('');

/** The grid between two corners of the plan as one path; empty when it would be a blur. */
export function gridPath(from: Point, to: Point, at: ToScreen): string {
  const between = (a: number, b: number) => {
    const first = Math.ceil(a / GRID_FT);
    const count = Math.floor(b / GRID_FT) - first + 1;
    return count > 0 && count <= MOST_GRID_LINES
      ? Array.from({ length: count }, (_, index) => (first + index) * GRID_FT)
      : [];
  };
  return [
    ...between(from.x, to.x).map((x) =>
      runPath(
        [
          { x, y: from.y },
          { x, y: to.y },
        ],
        at,
      ),
    ),
    ...between(from.y, to.y).map((y) =>
      runPath(
        [
          { x: from.x, y },
          { x: to.x, y },
        ],
        at,
      ),
    ),
  ].join('');
}

/** The nearest of some places within reach of a touch, all on the screen; `null` when none is. */
export function nearestPlace(places: readonly Point[], p: Point, reach: number): number | null {
  let best: number | null = null;
  let least = reach;
  places.forEach(({ x, y }, index) => {
    const distance = Math.hypot(x - p.x, y - p.y);
    if (distance <= least) {
      least = distance;
      best = index;
    }
  });
  return best;
}

/** The edge within reach of a touch, by its first corner; all on the screen. */
export function nearestEdge(corners: readonly Point[], p: Point, reach: number): number | null {
  let best: number | null = null;
  let least = reach;
  corners.forEach((a, index) => {
    const b = corners[(index + 1) % corners.length] as Point;
    const on = closestOnEdge(p, a, b);
    const d = Math.hypot(on.x - p.x, on.y - p.y);
    if (d < least) {
      least = d;
      best = index;
    }
  });
  return best;
}
