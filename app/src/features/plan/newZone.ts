import { zoneSchema, type MeasureMethod, type Point, type Zone } from '@alfombra/core';
import { v7 as uuid } from 'uuid';

/** Room between a zone that was measured and the ones that are there, ft. */
const APART_FT = 4;

/** An outline as it came from the tape, the paces, the walk or the taps. */
interface NewOutline {
  outline: Point[];
  method: MeasureMethod;
  cornerSigmaFt: number | null;
  /** Tapped onto the plan, so that it lies where it is. */
  drawn: boolean;
}

const centreOf = (outline: readonly Point[]): Point => ({
  x: outline.reduce((sum, { x }) => sum + x, 0) / outline.length,
  y: outline.reduce((sum, { y }) => sum + y, 0) / outline.length,
});
const moved = (outline: readonly Point[], dx: number, dy: number): Point[] =>
  outline.map(({ x, y }) => ({ x: x + dx, y: y + dy }));

/** The zone with house, bed or drive cut out of it; one that was only measured goes to its middle. */
export function withCutout(zone: Zone, { outline, drawn }: NewOutline): Zone {
  const [middle, own] = [centreOf(zone.outline), centreOf(outline)];
  const placed = drawn ? outline : moved(outline, middle.x - own.x, middle.y - own.y);
  return { ...zone, cutouts: [...zone.cutouts, placed] };
}

/** A new zone: nothing is known of its grass; one that was only measured goes beside the others. */
export function newZone(
  zones: readonly Zone[],
  { outline, method, cornerSigmaFt, drawn }: NewOutline,
  name: string,
): Zone {
  const right = Math.max(0, ...zones.flatMap((entry) => entry.outline.map(({ x }) => x)));
  const placed = drawn || zones.length === 0 ? outline : moved(outline, right + APART_FT, 0);
  return zoneSchema.parse({
    id: uuid(),
    name,
    outline: placed,
    edges: placed.map(() => (method === 'sketch' ? 'assumed' : 'confirmed')),
    measure: { method, cornerSigmaFt },
    stand: [],
    desired: [],
    site: {},
  });
}
