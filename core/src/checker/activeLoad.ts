import { activeName } from '../knowledge';
import type { ShelfHerbicide } from '../products';

/** lb of each active in an amount of product per acre, worked out apart from the planner. */
export function activeLoad(product: ShelfHerbicide, perAcre: number): Map<string, number> {
  const load = new Map<string, number>();
  const put = (name: string, lb: number) => load.set(name, (load.get(name) ?? 0) + lb);
  const pounds = (concentration: { amount: number; unit: string }) =>
    concentration.unit === 'lb-per-gal'
      ? (concentration.amount * perAcre) / 128
      : concentration.amount * (product.unit === 'oz' ? perAcre / 16 : perAcre);
  if (product.parts !== null) {
    for (const part of product.parts) {
      activeLoad(part.product, part.ratePerAcre * perAcre).forEach((lb, name) => put(name, lb));
    }
    return load;
  }
  if (product.actives !== null) product.actives.forEach((part) => put(part.active, pounds(part)));
  else if (product.concentration !== null) {
    put(activeName(product.slug), pounds(product.concentration));
  }
  return load;
}
