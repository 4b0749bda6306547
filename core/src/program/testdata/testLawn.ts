import type { GrassSlug, SiteFactor } from '../../knowledge';
import { zoneSchema, type Zone } from '../../lawn';

/** A rectangular zone for tests. */
export function testZone(
  index: number,
  stand: { species: GrassSlug; cover: number }[],
  fields: {
    desired?: GrassSlug[];
    width?: number;
    length?: number;
    factors?: SiteFactor[];
    irrigated?: boolean | null;
    treeRoots?: boolean;
    sensitivePlants?: boolean;
    newTurf?: boolean | null;
  } = {},
): Zone {
  const { width = 60, length = 50 } = fields;
  return zoneSchema.parse({
    id: `0190a000-0000-7000-8000-${String(index).padStart(12, '0')}`,
    name: `Zone ${index}`,
    outline: [
      { x: 0, y: 0 },
      { x: width, y: 0 },
      { x: width, y: length },
      { x: 0, y: length },
    ],
    edges: ['confirmed', 'confirmed', 'confirmed', 'confirmed'],
    stand,
    desired: fields.desired ?? [stand[0]?.species ?? 'tall-fescue'],
    site: {
      factors: fields.factors ?? ['full-sun-tall'],
      irrigated: fields.irrigated ?? null,
      treeRoots: fields.treeRoots ?? false,
      sensitivePlants: fields.sensitivePlants ?? false,
      newTurf: fields.newTurf ?? null,
    },
  });
}
