import { saltLimit } from '../knowledge';

export interface BurnConditions {
  /** Highest forecast high of the days after feeding, °F. */
  airHighF: number;
  /** Topsoil dry and nobody waters it in within a day. */
  dryTopsoil?: boolean;
  wetLeaf?: boolean;
  /** Grass younger than six weeks. */
  seedling?: boolean;
  /** At least half of the nitrogen is slow, and it is watered in the same day. */
  coatedAndWatered?: boolean;
}

/** Salt load of a rate, lb sodium-nitrate equivalent per 1000 ft². */
export const saltLoad = (lbProductPer1000: number, saltIndex: number): number =>
  (lbProductPer1000 * saltIndex) / 100;

/** Highest salt load that does not burn, lb sodium-nitrate equivalent per 1000 ft². */
export function saltLoadLimit(conditions: BurnConditions): number {
  const step = saltLimit.steps.find(({ belowF }) => conditions.airHighF < belowF);
  let limit: number = step?.limit ?? 0;
  if (conditions.dryTopsoil) limit *= saltLimit.dryTopsoilFactor;
  if (conditions.wetLeaf) limit *= saltLimit.wetLeafFactor;
  if (conditions.coatedAndWatered) limit *= saltLimit.coatedWateredFactor;
  if (conditions.seedling) limit *= saltLimit.seedlingFactor;
  return limit;
}
