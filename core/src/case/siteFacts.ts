import type { Point, Zone } from '../lawn';
import { gapTo } from '../lawn/gap';
import type { Near } from '../needs/seasonInput';
import type { Lawn, Weekday } from '../contract/lawn';

/** A caution of the place, for every card of work that is done there; the label and local rules outrank it. */
export interface SiteCaution {
  rule:
    | 'site-pond'
    | 'site-pond-at'
    | 'site-well'
    | 'site-well-at'
    | 'site-dog'
    | 'site-pets'
    | 'site-children'
    | 'site-neighbours'
    | 'site-tree-roots'
    | 'site-tender-plants'
    | 'site-mow-days'
    | 'site-water-days';
  inputs: { who?: string; feet?: number; days?: readonly Weekday[] };
}

/** A drawn pond or well farther than this from a zone is no matter of that zone, ft (common practice). */
const WATER_REACH_FT = 200;

/** The nearest water and well that are drawn, whole feet from the zone; `null`: none in reach. */
export function drawnWater(
  { features, pins }: Pick<Lawn, 'features' | 'pins'>,
  { outline }: Pick<Zone, 'outline'>,
) {
  const nearest = (places: readonly (readonly Point[])[]): number | null => {
    const feet = Math.min(Infinity, ...places.map((place) => gapTo(outline, place)));
    return feet <= WATER_REACH_FT ? Math.round(feet) : null;
  };
  return {
    water: nearest(features.flatMap(({ kind, outline: at }) => (kind === 'water' ? [at] : []))),
    well: nearest(pins.flatMap(({ kind, at }) => (kind === 'well' ? [[at]] : []))),
  };
}

/** Wells and open water by a zone: what is drawn says how far, what was only ticked does not. */
export function nearZone(lawn: Pick<Lawn, 'features' | 'pins' | 'property'>, zone: Zone): Near {
  const { well, water } = drawnWater(lawn, zone);
  const { waterNear } = lawn.property;
  return {
    ...(well !== null ? { wellFt: well } : waterNear === 'well' ? { wellFt: null } : {}),
    ...(water !== null
      ? { waterFt: water }
      : waterNear === 'pond-or-stream'
        ? { waterFt: null }
        : {}),
  };
}

/** The same for every zone of a lawn that is near any. */
export const nearZones = (
  lawn: Pick<Lawn, 'zones' | 'features' | 'pins' | 'property'>,
): (Near & { zoneId: string })[] =>
  lawn.zones.flatMap((zone) => {
    const near = nearZone(lawn, zone);
    return Object.keys(near).length > 0 ? [{ zoneId: zone.id, ...near }] : [];
  });

/**
 * What the property and the zone ask to be careful of, the water first. What is drawn on the plan says how far
 * it is; the days of mowing and watering say what to keep clear of.
 */
export function siteCautions(
  lawn: Pick<Lawn, 'features' | 'pins' | 'property'>,
  zone: Zone,
): SiteCaution[] {
  const { waterNear, pets, children, sensitiveNeighbours, mowDays, waterDays } = lawn.property;
  const { site } = zone;
  const caution = (
    holds: boolean,
    rule: SiteCaution['rule'],
    inputs: SiteCaution['inputs'] = {},
  ): SiteCaution[] => (holds ? [{ rule, inputs }] : []);
  const who = sensitiveNeighbours.trim();
  const drawn = drawnWater(lawn, zone);
  return [
    ...(drawn.water === null
      ? caution(waterNear === 'pond-or-stream', 'site-pond')
      : caution(true, 'site-pond-at', { feet: drawn.water })),
    ...(drawn.well === null
      ? caution(waterNear === 'well', 'site-well')
      : caution(true, 'site-well-at', { feet: drawn.well })),
    ...(site.whichDog !== ''
      ? caution(true, 'site-dog', { who: site.whichDog })
      : caution(pets === true || site.dog === true, 'site-pets')),
    ...caution(children === true, 'site-children'),
    ...caution(who !== '', 'site-neighbours', { who }),
    ...caution(site.treeRoots, 'site-tree-roots'),
    ...caution(site.sensitivePlants, 'site-tender-plants'),
    ...caution(mowDays.length > 0, 'site-mow-days', { days: mowDays }),
    ...caution(waterDays.length > 0, 'site-water-days', { days: waterDays }),
  ];
}

/**
 * The zones with what is known of the whole property where nobody looked at the zone itself: who waters, and
 * that no pet is there.
 */
export const zonesAsKnown = ({ zones, property }: Pick<Lawn, 'zones' | 'property'>): Zone[] =>
  zones.map((zone) => ({
    ...zone,
    site: {
      ...zone.site,
      irrigated:
        zone.site.irrigated ??
        (property.waters === 'system' ? true : property.waters === 'nobody' ? false : null),
      dog: zone.site.dog ?? (property.pets === false ? false : null),
    },
  }));
