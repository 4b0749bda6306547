import type { Point } from './zone';

/** What a tape or a pacer took of a piece of lawn; lengths in ft, all above 0. */
export type TapeFigure =
  | { kind: 'rectangle'; length: number; width: number }
  /** Three sides; each shorter than the other two together. */
  | { kind: 'triangle'; a: number; b: number; c: number }
  /** Two parallel sides and the distance between them. */
  | { kind: 'trapezoid'; long: number; short: number; height: number }
  | { kind: 'circle'; radius: number }
  /** A bow: the straight side and its greatest depth, at most half the chord. */
  | { kind: 'segment'; chord: number; depth: number }
  /** Offsets at equal steps along a straight baseline, the ends included. */
  | { kind: 'offsets'; step: number; offsets: readonly number[]; rule: 'trapezoid' | 'simpson' };

export interface TapeProblem {
  field: string;
  problem: 'above-zero' | 'no-triangle' | 'depth' | 'at-least-two' | 'odd-count';
}

/** What is wrong with a figure's numbers, each at its field; empty when it can be drawn. */
export function tapeProblems(figure: TapeFigure): TapeProblem[] {
  const problems: TapeProblem[] = [];
  for (const [field, value] of Object.entries(figure)) {
    if (typeof value === 'number' && !(value > 0)) problems.push({ field, problem: 'above-zero' });
  }
  if (problems.length > 0) return problems;
  if (figure.kind === 'triangle') {
    const sides = [figure.a, figure.b, figure.c].sort((x, y) => x - y) as [number, number, number];
    if (sides[0] + sides[1] <= sides[2]) problems.push({ field: 'c', problem: 'no-triangle' });
  }
  if (figure.kind === 'segment' && figure.depth > figure.chord / 2) {
    problems.push({ field: 'depth', problem: 'depth' });
  }
  if (figure.kind === 'offsets') {
    if (figure.offsets.length < 2) problems.push({ field: 'offsets', problem: 'at-least-two' });
    else if (figure.offsets.some((offset) => !(offset >= 0))) {
      problems.push({ field: 'offsets', problem: 'above-zero' });
    } else if (figure.rule === 'simpson' && figure.offsets.length % 2 === 0) {
      problems.push({ field: 'offsets', problem: 'odd-count' });
    }
  }
  return problems;
}

/**
 * Area of a figure, ft², by the closed formulas: Heron for the triangle, r²/2·(θ − sin θ) for the
 * segment, the trapezoid or Simpson's rule for offsets. Source: plane geometry.
 * @returns `NaN` for figures that {@link tapeProblems} refuses
 */
export function tapeArea(figure: TapeFigure): number {
  if (tapeProblems(figure).length > 0) return Number.NaN;
  switch (figure.kind) {
    case 'rectangle':
      return figure.length * figure.width;
    case 'triangle': {
      const { a, b, c } = figure;
      const s = (a + b + c) / 2;
      return Math.sqrt(s * (s - a) * (s - b) * (s - c));
    }
    case 'trapezoid':
      return ((figure.long + figure.short) / 2) * figure.height;
    case 'circle':
      return Math.PI * figure.radius ** 2;
    case 'segment': {
      const { radius, angle } = arcOf(figure);
      return (radius ** 2 / 2) * (angle - Math.sin(angle));
    }
    case 'offsets':
      return figure.rule === 'simpson'
        ? simpson(figure.step, figure.offsets)
        : trapezoids(figure.step, figure.offsets);
  }
}

const ARC_SIDES = 48;
const ARC_STEPS = 6;

/**
 * Outline of a figure with its straight side on the x axis, ft. Curves become polygons; they are
 * drawn a hair larger so that the polygon's area is the figure's own.
 * @returns an empty outline for figures that {@link tapeProblems} refuses
 */
export function tapeOutline(figure: TapeFigure): Point[] {
  if (tapeProblems(figure).length > 0) return [];
  switch (figure.kind) {
    case 'rectangle':
      return points([0, 0], [figure.length, 0], [figure.length, figure.width], [0, figure.width]);
    case 'triangle': {
      const { a, b, c } = figure;
      const x = (a * a + b * b - c * c) / (2 * a);
      return points([0, 0], [a, 0], [x, Math.sqrt(Math.max(0, b * b - x * x))]);
    }
    case 'trapezoid': {
      const inset = (figure.long - figure.short) / 2;
      return points(
        [0, 0],
        [figure.long, 0],
        [figure.long - inset, figure.height],
        [inset, figure.height],
      );
    }
    case 'circle': {
      const radius = figure.radius * polygonStretch((2 * Math.PI) / ARC_SIDES);
      return Array.from({ length: ARC_SIDES }, (_, index) => {
        const angle = (2 * Math.PI * index) / ARC_SIDES;
        return {
          x: figure.radius + radius * Math.cos(angle),
          y: figure.radius + radius * Math.sin(angle),
        };
      });
    }
    case 'segment': {
      const { radius, angle } = arcOf(figure);
      const steps = Math.max(4, Math.ceil((angle / (2 * Math.PI)) * ARC_SIDES));
      const arc = Array.from({ length: steps + 1 }, (_, index) => {
        const at = -angle / 2 + (angle * index) / steps;
        return {
          x: figure.chord / 2 + radius * Math.sin(at),
          y: figure.depth - radius * (1 - Math.cos(at)),
        };
      });
      return stretched(arc, tapeArea(figure));
    }
    case 'offsets': {
      const top =
        figure.rule === 'simpson'
          ? parabolas(figure.step, figure.offsets)
          : figure.offsets.map((y, index) => ({ x: index * figure.step, y }));
      const end = (figure.offsets.length - 1) * figure.step;
      const closed = [{ x: 0, y: 0 }, { x: end, y: 0 }, ...[...top].reverse()];
      return figure.rule === 'simpson'
        ? withoutDoubles(stretched(closed, tapeArea(figure)))
        : withoutDoubles(closed);
    }
  }
}

const points = (...pairs: [number, number][]): Point[] => pairs.map(([x, y]) => ({ x, y }));

/** Radius and opening of the arc over a chord: r = (c²/4 + s²)/(2s), θ = 2·asin(c/2r). */
function arcOf({ chord, depth }: { chord: number; depth: number }) {
  const radius = (chord ** 2 / 4 + depth ** 2) / (2 * depth);
  return { radius, angle: 2 * Math.asin(Math.min(1, chord / (2 * radius))) };
}

const trapezoids = (step: number, offsets: readonly number[]): number =>
  step *
  offsets.reduce(
    (sum, offset, index) =>
      sum + (index === 0 || index === offsets.length - 1 ? offset / 2 : offset),
    0,
  );

const simpson = (step: number, offsets: readonly number[]): number =>
  (step / 3) *
  offsets.reduce(
    (sum, offset, index) =>
      sum + offset * (index === 0 || index === offsets.length - 1 ? 1 : index % 2 === 1 ? 4 : 2),
    0,
  );

/** Radius of the regular polygon that has the circle's area, over the circle's radius. */
const polygonStretch = (side: number) => Math.sqrt(side / Math.sin(side));

/** Moves the heights of a figure that stands on the x axis until its area is `area`. */
function stretched(outline: readonly Point[], area: number): Point[] {
  let twice = 0;
  outline.forEach((corner, index) => {
    const next = outline[(index + 1) % outline.length] as Point;
    twice += corner.x * next.y - next.x * corner.y;
  });
  const factor = area / (Math.abs(twice) / 2);
  return outline.map(({ x, y }) => ({ x, y: y * factor }));
}

/** The curve behind Simpson's rule: a parabola through each three offsets. */
function parabolas(step: number, offsets: readonly number[]): Point[] {
  const curve: Point[] = [];
  for (let start = 0; start + 2 < offsets.length; start += 2) {
    const [a, b, c] = [offsets[start], offsets[start + 1], offsets[start + 2]] as [
      number,
      number,
      number,
    ];
    const first = start === 0 ? 0 : 1;
    for (let part = first; part <= 2 * ARC_STEPS; part += 1) {
      const t = part / ARC_STEPS - 1;
      curve.push({
        x: (start + 1 + t) * step,
        y: b + ((c - a) / 2) * t + ((a + c) / 2 - b) * t * t,
      });
    }
  }
  return curve;
}

/** An offset of 0 at an end would put two corners on one spot. */
const withoutDoubles = (outline: readonly Point[]): Point[] =>
  outline.filter((corner, index) => {
    const before = outline[(index + outline.length - 1) % outline.length] as Point;
    return Math.hypot(corner.x - before.x, corner.y - before.y) > 1e-6;
  });
