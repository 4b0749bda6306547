/**
 * Wilson interval of a share from a point count. Source: Wilson 1927, JASA 22:209-212.
 * @param hits points on living desired turf
 * @param points all points, above 0
 * @param z normal quantile, 1.96 for 95 %
 */
export function wilsonInterval(
  hits: number,
  points: number,
  z = 1.96,
): [low: number, high: number] {
  const p = hits / points;
  const z2 = z * z;
  const centre = (p + z2 / (2 * points)) / (1 + z2 / points);
  const half =
    (z * Math.sqrt((p * (1 - p)) / points + z2 / (4 * points * points))) / (1 + z2 / points);
  return [Math.max(0, centre - half), Math.min(1, centre + half)];
}
