import type { Point } from './zone';

/** The outline with one corner put elsewhere. */
export const moveCorner = (outline: readonly Point[], index: number, to: Point): Point[] =>
  outline.map((corner, at) => (at === index ? to : corner));

/** A new corner in the middle of the edge that leaves corner `index`. */
export function splitEdge(outline: readonly Point[], index: number): Point[] {
  const from = outline[index] as Point;
  const to = outline[(index + 1) % outline.length] as Point;
  const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  return [...outline.slice(0, index + 1), middle, ...outline.slice(index + 1)];
}

/** The outline without a corner; unchanged when only three are left. */
export const dropCorner = (outline: readonly Point[], index: number): Point[] =>
  outline.length <= 3 ? [...outline] : outline.filter((_, at) => at !== index);

/**
 * Gives the edge that leaves corner `index` a length, ft, and lets the shape follow: the edge keeps
 * its direction and the next edge its direction and length, so that a rectangle stays a rectangle.
 * A triangle moves one corner only. Lengths not above 0 leave the outline as it is.
 */
export function setEdgeLength(outline: readonly Point[], index: number, lengthFt: number): Point[] {
  const n = outline.length;
  const from = outline[index] as Point;
  const to = outline[(index + 1) % n] as Point;
  const now = Math.hypot(to.x - from.x, to.y - from.y);
  if (!(lengthFt > 0) || now === 0) return [...outline];
  const shift = {
    x: ((to.x - from.x) / now) * (lengthFt - now),
    y: ((to.y - from.y) / now) * (lengthFt - now),
  };
  const moved = n === 3 ? [(index + 1) % n] : [(index + 1) % n, (index + 2) % n];
  return outline.map((corner, at) =>
    moved.includes(at) ? { x: corner.x + shift.x, y: corner.y + shift.y } : corner,
  );
}

/**
 * Where a dragged corner lands: on the nearest corner of the other outlines within reach, else on
 * their nearest edge, else where it was dropped.
 */
export function snapPoint(
  point: Point,
  others: readonly (readonly Point[])[],
  reachFt: number,
): Point {
  let best = point;
  let nearest = reachFt;
  for (const outline of others) {
    for (const corner of outline) {
      const d = Math.hypot(corner.x - point.x, corner.y - point.y);
      if (d <= nearest) {
        nearest = d;
        best = corner;
      }
    }
  }
  if (best !== point) return { ...best };
  for (const outline of others) {
    outline.forEach((corner, index) => {
      const next = outline[(index + 1) % outline.length] as Point;
      const on = closestOnEdge(point, corner, next);
      const d = Math.hypot(on.x - point.x, on.y - point.y);
      if (d < nearest) {
        nearest = d;
        best = on;
      }
    });
  }
  return best;
}

/** The place on the edge from `a` to `b` that is closest to a point, all in one unit of length. */
export function closestOnEdge(point: Point, a: Point, b: Point): Point {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const length2 = dx * dx + dy * dy;
  if (length2 === 0) return a;
  const t = Math.min(1, Math.max(0, ((point.x - a.x) * dx + (point.y - a.y) * dy) / length2));
  return { x: a.x + t * dx, y: a.y + t * dy };
}

/** Whether two edges of the outline cross; such a shape has no area that means anything. */
export function crossesItself(outline: readonly Point[]): boolean {
  const n = outline.length;
  const at = (index: number) => outline[index % n] as Point;
  const side = (a: Point, b: Point, c: Point) =>
    Math.sign((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x));
  for (let i = 0; i < n; i += 1) {
    for (let j = i + 2; j < n; j += 1) {
      if (i === 0 && j === n - 1) continue;
      const [a, b, c, d] = [at(i), at(i + 1), at(j), at(j + 1)];
      if (side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0) return true;
    }
  }
  return false;
}
