import { FEET_PER_METRE } from '../units';
import type { Point } from './zone';

/** A place on the WGS 84 ellipsoid, degrees. */
export interface GeoPoint {
  lat: number;
  lon: number;
}

const radians = (degrees: number) => (degrees * Math.PI) / 180;

/**
 * Metres in a degree of latitude and of longitude at a latitude, on WGS 84.
 * Source: series of the meridian and parallel arcs (111 034.6 and 85 393.9 m at 40°).
 */
export function metresPerDegree(lat: number): { lat: number; lon: number } {
  const phi = radians(lat);
  return {
    lat:
      111_132.954 -
      559.822 * Math.cos(2 * phi) +
      1.175 * Math.cos(4 * phi) -
      0.0023 * Math.cos(6 * phi),
    lon: 111_412.84 * Math.cos(phi) - 93.5 * Math.cos(3 * phi) + 0.118 * Math.cos(5 * phi),
  };
}

/** A place on the plan whose (0, 0) is `origin`: ft east and ft south. */
export function toPlan(place: GeoPoint, origin: GeoPoint): Point {
  const scale = metresPerDegree(origin.lat);
  return {
    x: (place.lon - origin.lon) * scale.lon * FEET_PER_METRE,
    y: (origin.lat - place.lat) * scale.lat * FEET_PER_METRE,
  };
}

/** The place of a corner of the plan. */
export function toGeo(point: Point, origin: GeoPoint): GeoPoint {
  const scale = metresPerDegree(origin.lat);
  return {
    lat: origin.lat - point.y / FEET_PER_METRE / scale.lat,
    lon: origin.lon + point.x / FEET_PER_METRE / scale.lon,
  };
}
