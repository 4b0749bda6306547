import { closestOnEdge } from './editOutline';
import type { Point } from './zone';
import { inOutline } from './zoneAt';

const distance = (p: Point, q: Point): number => Math.hypot(q.x - p.x, q.y - p.y);

/** Distance from a point to a run of points, or to the closed outline that they make; in their own unit. */
export const runDistance = (p: Point, points: readonly Point[], closed: boolean): number =>
  Math.min(
    ...points
      .map((a, index): [Point, Point | undefined] => [
        a,
        points[index + 1] ?? (closed ? points[0] : undefined),
      ])
      .map(([a, b]) => distance(p, b ? closestOnEdge(p, a, b) : a)),
  );

/** Ground between an outline and a point, or another outline; 0 where they meet. */
export function gapTo(outline: readonly Point[], other: readonly Point[]): number {
  const one = other.length === 1;
  if (other.some((p) => inOutline(p, outline))) return 0;
  if (!one && outline.some((p) => inOutline(p, other))) return 0;
  return Math.min(
    ...other.map((p) => runDistance(p, outline, true)),
    ...(one ? [] : outline.map((p) => runDistance(p, other, true))),
  );
}
