import { polygonArea } from './area';
import type { Point, Zone } from './zone';

/** Whether a place lies in an outline (ray casting). */
export function inOutline(at: Point, outline: readonly Point[]): boolean {
  let within = false;
  outline.forEach((a, index) => {
    const b = outline[(index + 1) % outline.length] as Point;
    if (a.y > at.y !== b.y > at.y && at.x < ((b.x - a.x) * (at.y - a.y)) / (b.y - a.y) + a.x) {
      within = !within;
    }
  });
  return within;
}

/** The zone on whose turf a place lies; of zones that lie over each other the smallest. `null` outside all. */
export function zoneAt<Of extends Pick<Zone, 'outline' | 'cutouts'>>(
  zones: readonly Of[],
  at: Point,
): Of | null {
  return (
    zones
      .filter(
        ({ outline, cutouts }) =>
          inOutline(at, outline) && !cutouts.some((cutout) => inOutline(at, cutout)),
      )
      .sort((a, b) => polygonArea(a.outline) - polygonArea(b.outline))[0] ?? null
  );
}
