import type { Zone } from '../lawn';
import type { Lawn, Property } from './lawn';

/** A caution of the place, for every card of work that is done there; the label and local rules outrank it. */
export interface SiteCaution {
  rule:
    | 'site-pond'
    | 'site-well'
    | 'site-pets'
    | 'site-children'
    | 'site-neighbours'
    | 'site-tree-roots'
    | 'site-tender-plants';
  inputs: Record<string, string>;
}

/** What the property and the zone ask to be careful of, the water first. */
export function siteCautions(
  { waterNear, pets, children, sensitiveNeighbours }: Property,
  site: Pick<Zone['site'], 'treeRoots' | 'sensitivePlants' | 'dog'>,
): SiteCaution[] {
  const caution = (
    holds: boolean,
    rule: SiteCaution['rule'],
    inputs: SiteCaution['inputs'] = {},
  ): SiteCaution[] => (holds ? [{ rule, inputs }] : []);
  const who = sensitiveNeighbours.trim();
  return [
    ...caution(waterNear === 'pond-or-stream', 'site-pond'),
    ...caution(waterNear === 'well', 'site-well'),
    ...caution(pets === true || site.dog === true, 'site-pets'),
    ...caution(children === true, 'site-children'),
    ...caution(who !== '', 'site-neighbours', { who }),
    ...caution(site.treeRoots, 'site-tree-roots'),
    ...caution(site.sensitivePlants, 'site-tender-plants'),
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
