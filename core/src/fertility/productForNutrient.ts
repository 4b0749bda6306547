/** lb of product per 1000 ft² that carries a wanted lb of nutrient, by its percent of the weight. */
export const productForNutrient = (nutrientLbPer1000: number, percent: number): number =>
  nutrientLbPer1000 / (percent / 100);
