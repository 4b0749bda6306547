/** ft³ and yd³ of a dressing over an area. */
export const dressingVolume = (areaFt2: number, depthIn: number) => ({
  cubicFeet: (areaFt2 * depthIn) / 12,
  cubicYards: (areaFt2 * depthIn) / 324,
});

/** ft² of sod to order, with waste as a share, and whole pallets and rolls. */
export function sodOrder(areaFt2: number, waste: number, palletFt2: number, rollFt2: number) {
  const orderFt2 = areaFt2 * (1 + waste);
  const pallets = orderFt2 / palletFt2;
  return {
    orderFt2,
    palletsExact: pallets,
    pallets: Math.ceil(pallets - 1e-9),
    rolls: Math.ceil(orderFt2 / rollFt2 - 1e-9),
  };
}

/** Rows of an equilateral triangle lie closer than those of a square: √3/2. */
const TRIANGLE = Math.sqrt(3) / 2;

/** Plugs for an area at a spacing, and the sod they are cut from, ft². */
export function plugOrder(
  areaFt2: number,
  spacingIn: number,
  plugIn: number,
  pattern: 'square' | 'triangle',
) {
  const perFt2 = 144 / (spacingIn ** 2 * (pattern === 'triangle' ? TRIANGLE : 1));
  const plugs = Math.ceil(perFt2 * areaFt2 - 1e-9);
  const perSod = Math.floor(12 / plugIn) ** 2;
  return { perFt2, plugs, sodFt2: Math.ceil(plugs / perSod - 1e-9) };
}

/**
 * Organic fertilizer and seed mixed by volume. The hopper parts them again: fill little, stir often.
 * @param ratio volumes of fertilizer to one of seed; densities in lb/ft³
 * @returns seed that goes with a fertilizer rate, and what is missing to the seed wanted, lb per 1000 ft²
 */
export function seedInFertilizer(
  ratio: number,
  fertilizerDensity: number,
  seedDensity: number,
  fertilizerLbPer1000: number,
  seedWanted: number,
) {
  const massRatio = (ratio * fertilizerDensity) / seedDensity;
  const seed = fertilizerLbPer1000 / massRatio;
  return { massRatio, seedLbPer1000: seed, seedOnlyLbPer1000: Math.max(0, seedWanted - seed) };
}
