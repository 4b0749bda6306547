import { activeName, herbicide, type Herbicide } from '../knowledge';

/** lb of each active in an amount of product per acre, worked out apart from the planner. */
export function activeLoad(product: Herbicide, perAcre: number): Map<string, number> {
  const load = new Map<string, number>();
  const put = (name: string, lb: number) => load.set(name, (load.get(name) ?? 0) + lb);
  const pounds = (concentration: { amount: number; unit: string }) =>
    concentration.unit === 'lb-per-gal'
      ? (concentration.amount * perAcre) / 128
      : concentration.amount * (product.unit === 'oz' ? perAcre / 16 : perAcre);
  if (product.tankMix !== null) {
    for (const part of product.tankMix) {
      const component = herbicide(part.herbicide);
      if (component === undefined) continue;
      activeLoad(component, part.ratePerAcre * perAcre).forEach((lb, name) => put(name, lb));
    }
    return load;
  }
  if (product.actives !== null) product.actives.forEach((part) => put(part.active, pounds(part)));
  else if (product.concentration !== null) {
    put(activeName(product.slug), pounds(product.concentration));
  }
  return load;
}
