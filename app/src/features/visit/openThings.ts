import { mainGrass, type Lawn, type Visit } from '@alfombra/core';

/** What a visit still has to do, in walking order. */
export type OpenThing =
  { kind: 'measure' } | { kind: 'grass'; zoneId: string } | { kind: 'patch'; patchId: string };

/**
 * What is open at a lawn today: a plan, the grass of each zone, each damaged place that nobody has decided
 * about on this visit. The rest of a visit is as the technician likes.
 */
export function openThings(lawn: Lawn, current: Visit | undefined): OpenThing[] {
  if (lawn.zones.length === 0) return [{ kind: 'measure' }];
  const looked = new Set((current?.looks ?? []).map(({ patchId }) => patchId));
  return [
    ...lawn.zones
      .filter((zone) => mainGrass(zone) === null)
      .map(({ id }): OpenThing => ({ kind: 'grass', zoneId: id })),
    ...lawn.patches
      .filter(({ id }) => !looked.has(id))
      .map(({ id }): OpenThing => ({ kind: 'patch', patchId: id })),
  ];
}
