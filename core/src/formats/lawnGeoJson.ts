import geodesic from 'geographiclib-geodesic';
import { z } from 'zod';
import { polygonArea, toGeo, toPlan, type GeoPoint, type Point, type Zone } from '../lawn';
import { crossesItself } from '../lawn/editOutline';
import { SQUARE_METRES_PER_SQUARE_FOOT } from '../units';

type Position = [number, number];
type Ring = Position[];

const positionSchema = z.tuple([z.number(), z.number()]).rest(z.number());
const polygonSchema = z.object({
  type: z.literal('Polygon'),
  coordinates: z.array(z.array(positionSchema)).min(1),
});
const multiPolygonSchema = z.object({
  type: z.literal('MultiPolygon'),
  coordinates: z.array(polygonSchema.shape.coordinates),
});
const featureSchema = z.object({
  type: z.literal('Feature'),
  properties: z.record(z.string(), z.unknown()).nullable(),
  geometry: z.union([polygonSchema, multiPolygonSchema]).nullable(),
});
const fileSchema = z.union([
  z.object({ type: z.literal('FeatureCollection'), features: z.array(z.unknown()) }),
  featureSchema,
  polygonSchema,
  multiPolygonSchema,
]);

/** A zone as it came from a file. */
export interface ImportedZone {
  name: string | null;
  outline: Point[];
  cutouts: Point[][];
  /** Net area on the ellipsoid, ft² (Karney 2013, by GeographicLib). */
  geodesicFt2: number;
}

export interface GeoJsonImport {
  /** Where the plan's (0, 0) lies: the north-west corner of everything that came in. */
  origin: GeoPoint | null;
  zones: ImportedZone[];
  errors: { feature: number; message: string }[];
}

/**
 * The zones of a lawn as GeoJSON (RFC 7946): WGS 84, longitude first, outer rings counter-clockwise
 * and holes clockwise.
 */
export function writeLawnGeoJson(lawn: {
  name: string;
  zones: readonly Pick<Zone, 'id' | 'name' | 'outline' | 'cutouts' | 'edges' | 'measure'>[];
  origin: GeoPoint;
}) {
  const ring = (outline: readonly Point[], clockwise: boolean): Ring => {
    const positions = outline.map((point): Position => {
      const { lat, lon } = toGeo(point, lawn.origin);
      return [round(lon), round(lat)];
    });
    if (isClockwise(positions) !== clockwise) positions.reverse();
    return [...positions, positions[0] as Position];
  };
  return {
    type: 'FeatureCollection' as const,
    features: lawn.zones.map((zone) => ({
      type: 'Feature' as const,
      id: zone.id,
      properties: {
        lawn: lawn.name,
        name: zone.name,
        measuredBy: zone.measure.method,
        assumedEdges: zone.edges.filter((state) => state === 'assumed').length,
      },
      geometry: {
        type: 'Polygon' as const,
        coordinates: [
          ring(zone.outline, false),
          ...zone.cutouts.map((cutout) => ring(cutout, true)),
        ],
      },
    })),
  };
}

/**
 * Reads polygons from GeoJSON text as zones on one plan. Rings may wind either way, as the standard
 * asks of readers. A fault is named with the number of its feature, from 1; the others still come in.
 */
export function parseLawnGeoJson(text: string): GeoJsonImport {
  const failed = (message: string): GeoJsonImport => ({
    origin: null,
    zones: [],
    errors: [{ feature: 0, message }],
  });
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return failed('this is no JSON');
  }
  const file = fileSchema.safeParse(json);
  if (!file.success) return failed('this is no GeoJSON with polygons');
  const features =
    file.data.type === 'FeatureCollection'
      ? file.data.features
      : file.data.type === 'Feature'
        ? [file.data]
        : [{ type: 'Feature', properties: null, geometry: file.data }];
  const errors: GeoJsonImport['errors'] = [];
  const found: { name: string | null; rings: Ring[] }[] = [];
  features.forEach((raw, index) => {
    const feature = featureSchema.safeParse(raw);
    const geometry = feature.success ? feature.data.geometry : null;
    if (!feature.success || !geometry) {
      errors.push({ feature: index + 1, message: 'only polygons can be zones' });
      return;
    }
    const name = feature.data.properties?.name;
    const polygons = geometry.type === 'Polygon' ? [geometry.coordinates] : geometry.coordinates;
    for (const polygon of polygons) {
      const rings = polygon.map((ring) => ring.map(([lon, lat]): Position => [lon, lat]));
      const problem = rings.map(ringProblem).find((message) => message !== null);
      if (problem) errors.push({ feature: index + 1, message: problem });
      else found.push({ name: typeof name === 'string' ? name : null, rings });
    }
  });
  if (found.length === 0) return { origin: null, zones: [], errors };
  const all = found.flatMap(({ rings }) => rings.flat());
  const origin = {
    lon: Math.min(...all.map(([lon]) => lon)),
    lat: Math.max(...all.map(([, lat]) => lat)),
  };
  return {
    origin,
    zones: found.map(({ name, rings }) => toZone(name, rings, origin)),
    errors,
  };
}

function toZone(name: string | null, rings: readonly Ring[], origin: GeoPoint): ImportedZone {
  const outlines = rings.map((ring) =>
    ring.slice(0, -1).map(([lon, lat]) => toPlan({ lat, lon }, origin)),
  );
  const [outline, ...cutouts] = outlines as [Point[], ...Point[][]];
  const geodesicFt2 = rings.reduce(
    (net, ring, index) => net + (index === 0 ? 1 : -1) * geodesicArea(ring),
    0,
  );
  const planar = cutouts.reduce(
    (net, cutout) => net - polygonArea(cutout),
    polygonArea(outline) as number,
  );
  // The plane's own error is far below a tape's, but the area on the ellipsoid is the one to keep.
  const scale = planar > 0 ? Math.sqrt(geodesicFt2 / planar) : 1;
  const scaled = (points: readonly Point[]) =>
    points.map(({ x, y }) => ({ x: x * scale, y: y * scale }));
  return { name, outline: scaled(outline), cutouts: cutouts.map(scaled), geodesicFt2 };
}

function geodesicArea(ring: Ring): number {
  const polygon = geodesic.Geodesic.WGS84.Polygon(false);
  ring.slice(0, -1).forEach(([lon, lat]) => polygon.AddPoint(lat, lon));
  return Math.abs(polygon.Compute(false, true).area ?? 0) / SQUARE_METRES_PER_SQUARE_FOOT;
}

function ringProblem(ring: Ring): string | null {
  if (ring.length < 4) return 'a ring has at least four positions';
  const [first, last] = [ring[0] as Position, ring[ring.length - 1] as Position];
  if (first[0] !== last[0] || first[1] !== last[1]) return 'a ring ends where it began';
  if (ring.some(([lon, lat]) => Math.abs(lon) > 180 || Math.abs(lat) > 90)) {
    return 'positions are longitude, then latitude, in degrees';
  }
  if (crossesItself(ring.slice(0, -1).map(([x, y]) => ({ x, y })))) return 'a ring crosses itself';
  return null;
}

/** Shoelace sign in longitude and latitude, where north is up. */
function isClockwise(ring: readonly Position[]): boolean {
  let twice = 0;
  ring.forEach(([x, y], index) => {
    const [nextX, nextY] = ring[(index + 1) % ring.length] as Position;
    twice += x * nextY - nextX * y;
  });
  return twice < 0;
}

/** A billionth of a degree is a tenth of a millimetre. */
const round = (degrees: number) => Number(degrees.toFixed(9));
