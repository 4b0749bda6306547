import { squareFeet, type SquareFeet } from '../units';
import type { Point, Zone } from './zone';

/**
 * Area of a simple polygon on the plan by the shoelace formula, ft². The winding does not matter.
 * Fewer than three corners give 0.
 */
export function polygonArea(outline: readonly Point[]): SquareFeet {
  let twice = 0;
  outline.forEach((corner, index) => {
    const next = outline[(index + 1) % outline.length] as Point;
    twice += corner.x * next.y - next.x * corner.y;
  });
  return squareFeet(Math.abs(twice) / 2);
}

/** Net turf area of a zone: its outline less its cut-outs, ft²; never below 0. */
export function zoneArea(zone: Pick<Zone, 'outline' | 'cutouts'>): SquareFeet {
  const gross = polygonArea(zone.outline);
  const cut = zone.cutouts.reduce((sum, outline) => sum + polygonArea(outline), 0);
  return squareFeet(Math.max(0, gross - cut));
}

/** Length of the edge that leaves each corner, ft. */
export function edgeLengths(outline: readonly Point[]): number[] {
  return outline.map((corner, index) => {
    const next = outline[(index + 1) % outline.length] as Point;
    return Math.hypot(next.x - corner.x, next.y - corner.y);
  });
}

/**
 * Standard deviation of a polygon's area, ft², when each corner is off by `sigmaFt` along each axis:
 * (σ/2)·√Σ|P(i+1) − P(i−1)|². Derived from the shoelace formula.
 */
export function areaSigma(outline: readonly Point[], sigmaFt: number): number {
  const n = outline.length;
  const sum = outline.reduce((total, _, index) => {
    const before = outline[(index + n - 1) % n] as Point;
    const after = outline[(index + 1) % n] as Point;
    return total + (after.x - before.x) ** 2 + (after.y - before.y) ** 2;
  }, 0);
  return (sigmaFt / 2) * Math.sqrt(sum);
}
