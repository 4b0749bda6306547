import {
  fertilizers,
  grasses,
  herbicides,
  seedMixes,
  treatments,
  type Nutrients,
} from '../knowledge';
import { poundsOf } from '../units';
import type { ShelfLabel } from './label';
import {
  labelledFertilizer,
  labelledHerbicide,
  labelledSeed,
  labelledTreatment,
  type ShelfFertilizer,
  type ShelfHerbicide,
  type ShelfSeed,
  type ShelfTreatment,
} from './labelled';

export type { ShelfFertilizer, ShelfHerbicide, ShelfSeed, ShelfTreatment };

/** What was put down, as plan and record have it. */
export interface PutDown {
  kind: string;
  slug: string;
  amount: number;
  unit: string;
}

/**
 * Every product as this company has it: its own label where there is one, else the library's entry. The only
 * way to a product: a rule that looks it up elsewhere forgets the label.
 */
export interface Shelf {
  readonly herbicides: readonly ShelfHerbicide[];
  readonly treatments: readonly ShelfTreatment[];
  readonly fertilizers: readonly ShelfFertilizer[];
  /** Mixes, and every grass that seed is sold of. */
  readonly seeds: readonly ShelfSeed[];
  /** The product of a slug, or `undefined` when there is none. */
  herbicide: (slug: string) => ShelfHerbicide | undefined;
  treatment: (slug: string) => ShelfTreatment | undefined;
  fertilizer: (slug: string) => ShelfFertilizer | undefined;
  seed: (slug: string) => ShelfSeed | undefined;
  /** Nutrients that came with something, lb in all, whatever it was put down for; `null`: none. */
  nutrientsOf: (material: PutDown) => (Nutrients & { lb: number }) | null;
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
  const feeds = fertilizers.map((product) => labelledFertilizer(product, labels));
  const fertilizerOf = new Map(feeds.map((product) => [product.slug, product]));
  const sown = [
    ...seedMixes,
    ...grasses.flatMap(({ slug, seed }) =>
      seed ? [{ slug, parts: [{ species: slug, share: 1 }] }] : [],
    ),
  ].map(({ slug, parts }) => labelledSeed(slug, parts, labels));
  const seedOf = new Map(sown.map((product) => [product.slug, product]));
  const contentOf = ({ kind, slug }: PutDown): Nutrients | null => {
    if (kind === 'herbicide') return herbicideOf.get(slug)?.nutrients ?? null;
    if (kind === 'treatment') return treatmentOf.get(slug)?.nutrients ?? null;
    const feed = kind === 'fertilizer' ? fertilizerOf.get(slug) : undefined;
    if (!feed) return null;
    const [n, p2o5, k2o] = feed.grade;
    return { n, p2o5, k2o, slowShare: feed.slowShare };
  };
  return {
    herbicides: weeds,
    treatments: others,
    fertilizers: feeds,
    seeds: sown,
    herbicide: (slug) => herbicideOf.get(slug),
    treatment: (slug) => treatmentOf.get(slug),
    fertilizer: (slug) => fertilizerOf.get(slug),
    seed: (slug) => seedOf.get(slug),
    nutrientsOf: (material) => {
      const content = contentOf(material);
      if (!content) return null;
      const lb = poundsOf(material.amount, material.unit);
      return {
        n: (lb * content.n) / 100,
        p2o5: (lb * content.p2o5) / 100,
        k2o: (lb * content.k2o) / 100,
        slowShare: content.slowShare,
        lb,
      };
    },
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
