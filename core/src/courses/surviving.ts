import { doseEffect } from '../choice/chooseMix';
import type { ShelfHerbicide } from '../products';

/** One product in a tank against one weed. */
export interface Spray {
  product: ShelfHerbicide;
  ratePerAcre: number;
  /** Control at the full rate, %. */
  efficacyPct: number;
}

/**
 * Share of a weed that is expected to live through a walk, 0-1: each product works on what the others leave.
 * @param share of the walk that was made, 0-1
 */
export const surviving = (sprays: readonly Spray[], share = 1): number =>
  sprays.reduce(
    (left, { product, ratePerAcre, efficacyPct }) =>
      left * (1 - Math.min(1, (efficacyPct / 100) * doseEffect(product, ratePerAcre) * share)),
    1,
  );
