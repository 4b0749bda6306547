import * as polyclip from 'polyclip-ts';
import { planDrawing } from '../knowledge';
import { polygonArea } from './area';
import type { Point, Zone } from './zone';

/** Two zones that lie over each other, and on how much ground, ft². */
export interface Overlap {
  a: string;
  b: string;
  areaFt2: number;
}

/** Pairs of zones that overlap by more than a strip nobody would notice. */
export function zoneOverlaps(zones: readonly Pick<Zone, 'id' | 'outline'>[]): Overlap[] {
  const overlaps: Overlap[] = [];
  zones.forEach((a, index) => {
    for (const b of zones.slice(index + 1)) {
      const areaFt2 = sharedArea(a.outline, b.outline);
      if (areaFt2 > planDrawing.overlapFt2) overlaps.push({ a: a.id, b: b.id, areaFt2 });
    }
  });
  return overlaps;
}

/** Ground that two outlines share, ft². */
export function sharedArea(a: readonly Point[], b: readonly Point[]): number {
  const ring = (outline: readonly Point[]) => [outline.map(({ x, y }): [number, number] => [x, y])];
  const toPoints = (part: [number, number][]) => part.map(([x, y]) => ({ x, y }));
  return polyclip
    .intersection(ring(a), ring(b))
    .reduce(
      (sum, polygon) =>
        sum +
        polygon.reduce(
          (net, part, index) => net + (index === 0 ? 1 : -1) * polygonArea(toPoints(part)),
          0,
        ),
      0,
    );
}
