import { areaInterval, type Lawn, type Visit } from '@alfombra/core';

type Weeds = Visit['looks'][number]['weeds'];

/**
 * Weeds of a zone as they are drawn on the plan: each patch an ellipse of its length and width, of
 * which `cover` is under the weed, as a share of the zone's ground. Patches without a name are left out.
 */
export function drawnWeeds(lawn: Pick<Lawn, 'zones' | 'weedPatches'>, zoneId: string): Weeds {
  const zone = lawn.zones.find(({ id }) => id === zoneId);
  const ground = zone ? areaInterval(zone).areaFt2 : 0;
  if (ground <= 0) return [];
  const shares = new Map<string, number>();
  for (const { zoneId: own, plant, lengthFt, widthFt, cover } of lawn.weedPatches) {
    if (own !== zoneId || plant.kind !== 'weed') continue;
    const under = (Math.PI / 4) * lengthFt * widthFt * cover;
    shares.set(plant.weed, (shares.get(plant.weed) ?? 0) + under / ground);
  }
  return [...shares].map(([weed, cover]) => ({ weed, cover: Math.min(1, cover), growing: true }));
}

/** What was known of a zone's weeds with the drawn ones in place of their own earlier entries. */
export const withDrawn = (known: Weeds, drawn: Weeds): Weeds => [
  ...known.filter(({ weed }) => !drawn.some((entry) => entry.weed === weed)),
  ...drawn,
];
