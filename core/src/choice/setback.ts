import { setbacks } from '../knowledge';
import type { Reason } from '../needs/reason';
import type { Near } from '../needs/seasonInput';

/**
 * What wells and open water say against a product in a zone. One that is there, nobody knows how far, counts as near.
 * @param near distances from the zone, ft; left out: there is none, `null`: nobody knows
 */
export function setbackRefusals(
  { wellFt, waterFt }: Near,
  { slug, group }: { slug: string; group?: string },
): Reason[] {
  const refuse = (rule: string, feet: number | null | undefined, min: number | undefined) =>
    feet === undefined || min === undefined || (feet ?? 0) >= min
      ? []
      : [{ rule, inputs: { min } }];
  return [
    ...refuse('R19-well', wellFt, setbacks.well[slug]),
    ...refuse('R20-open-water', waterFt, group === undefined ? undefined : setbacks.water[group]),
  ];
}
