import { fertilizers, herbicides, treatments, type Fertilizer } from '../knowledge';
import type { ShelfLabel } from './label';
import {
  labelledHerbicide,
  labelledTreatment,
  type ShelfHerbicide,
  type ShelfTreatment,
} from './labelled';

export type { ShelfHerbicide, ShelfTreatment };

/**
 * Every product as this company has it: its own label where there is one, else the library's entry. The only
 * way to a product: a rule that looks it up elsewhere forgets the label.
 */
export interface Shelf {
  readonly herbicides: readonly ShelfHerbicide[];
  readonly treatments: readonly ShelfTreatment[];
  readonly fertilizers: readonly Fertilizer[];
  /** The product of a slug, or `undefined` when there is none. */
  herbicide: (slug: string) => ShelfHerbicide | undefined;
  treatment: (slug: string) => ShelfTreatment | undefined;
  fertilizer: (slug: string) => Fertilizer | undefined;
  /** Entries of the library that are in store, by slug. */
  readonly inStore: ReadonlySet<string>;
}

/** A recipe is held to the strictest of its parts that have a label of their own. */
function withParts(
  whole: ShelfHerbicide,
  single: ReadonlyMap<string, ShelfHerbicide>,
): ShelfHerbicide {
  if (!whole.tankMix) return whole;
  const parts = whole.tankMix.flatMap(({ herbicide, ratePerAcre }) => {
    const product = single.get(herbicide);
    return product ? [{ product: withParts(product, single), ratePerAcre }] : [];
  });
  return parts
    .filter(({ product }) => product.own)
    .reduce<ShelfHerbicide>(
      (recipe, { product }) => ({
        ...recipe,
        airF: [
          Math.max(recipe.airF[0], product.airF[0]),
          Math.min(recipe.airF[1], product.airF[1]),
        ],
        seedlingAgeWeeks: Math.max(recipe.seedlingAgeWeeks, product.seedlingAgeWeeks),
        waitBeforeSeedingWeeks: [
          Math.max(recipe.waitBeforeSeedingWeeks[0], product.waitBeforeSeedingWeeks[0]),
          Math.max(recipe.waitBeforeSeedingWeeks[1], product.waitBeforeSeedingWeeks[1]),
        ],
        minIntervalDays: Math.max(recipe.minIntervalDays, product.minIntervalDays),
        maxApplications: Math.min(recipe.maxApplications, product.maxApplications),
        residential: product.residential === 'no' ? 'no' : recipe.residential,
      }),
      { ...whole, parts },
    );
}

function built(labels: readonly ShelfLabel[]): Shelf {
  const single = new Map<string, ShelfHerbicide>(
    herbicides.map((product) => [product.slug, labelledHerbicide(product, labels)]),
  );
  const weeds = [...single.values()].map((product) => withParts(product, single));
  const herbicideOf = new Map(weeds.map((product) => [product.slug, product]));
  const others = treatments.map((product) => labelledTreatment(product, labels));
  const treatmentOf = new Map(others.map((product) => [product.slug, product]));
  const fertilizerOf = new Map(fertilizers.map((product) => [product.slug, product]));
  return {
    herbicides: weeds,
    treatments: others,
    fertilizers,
    herbicide: (slug) => herbicideOf.get(slug),
    treatment: (slug) => treatmentOf.get(slug),
    fertilizer: (slug) => fertilizerOf.get(slug),
    inStore: new Set(
      labels.flatMap(({ base, inUse, packages }) =>
        base && inUse && packages > 0 ? [base.slug] : [],
      ),
    ),
  };
}

/** The shelf of a company without a label of its own. */
export const LIBRARY: Shelf = built([]);

const shelves = new WeakMap<readonly ShelfLabel[], Shelf>();

/** The shelf of a company by its labels; put together once for each list of them. */
export function shelfOf(labels: readonly ShelfLabel[]): Shelf {
  if (labels.length === 0) return LIBRARY;
  let shelf = shelves.get(labels);
  if (!shelf) shelves.set(labels, (shelf = built(labels)));
  return shelf;
}
