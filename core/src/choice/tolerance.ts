import {
  grass,
  TOLERANCE_RATINGS,
  toleranceOverrides,
  type GrassSlug,
  type Herbicide,
  type Tolerance,
  type ToleranceCondition,
} from '../knowledge';
import type { ShelfFertilizer, ShelfHerbicide, ShelfTreatment } from '../products';

const severity = (rating: Tolerance): number => TOLERANCE_RATINGS.indexOf(rating);

/**
 * How one grass takes a product while conditions hold: the base rating, replaced by each override
 * whose condition holds, in table order. A grass without a column is not on the label.
 */
export function tolerance(
  product: Herbicide,
  species: GrassSlug,
  conditions: ReadonlySet<ToleranceCondition>,
): Tolerance {
  const column = grass(species).herbicideTurf === 'zoysia' ? species : grass(species).herbicideTurf;
  let rating: Tolerance = (column && product.tolerance[column]) || 'not-labelled';
  for (const override of toleranceOverrides) {
    if (
      override.herbicide === product.slug &&
      override.turf === species &&
      (override.condition === 'any' || conditions.has(override.condition))
    ) {
      rating = override.rating;
    }
  }
  return rating;
}

/** The worst rating over the grasses that govern, and the grass that has it. */
export function standTolerance(
  product: Herbicide,
  grasses: readonly GrassSlug[],
  conditions: ReadonlySet<ToleranceCondition>,
): { rating: Tolerance; species: GrassSlug | null } {
  return grasses.reduce<{ rating: Tolerance; species: GrassSlug | null }>(
    (worst, species) => {
      const rating = tolerance(product, species, conditions);
      return worst.species === null || severity(rating) > severity(worst.rating)
        ? { rating, species }
        : worst;
    },
    { rating: 'safe', species: null },
  );
}

/** Highest product rate per acre that every governing grass allows, as a share of nothing lower. */
export function rateCap(product: Herbicide, grasses: readonly GrassSlug[]): number {
  return Math.min(
    product.maxPerApplication,
    ...grasses.map((species) => product.rateCaps[species] ?? Infinity),
  );
}

/** Components of a recipe whose own cap at one of the grasses is under the recipe's rate. */
export function recipeOverCap(
  product: ShelfHerbicide,
  grasses: readonly GrassSlug[],
): string | null {
  const over = product.parts?.find(
    (part) => part.ratePerAcre > rateCap(part.product, grasses) + 1e-9,
  );
  return over?.product.slug ?? null;
}

/** Whose weeks before seed go by its rate; a label of one's own that names them outranks the ladder. */
export const hasLadder = ({ slug, own }: ShelfHerbicide): boolean =>
  slug === 'prodiamine' && (own?.seedAfterWeeks ?? null) === null;

/** A grass that a label of one's own does not name; `undefined` where it names them all, or none. */
export const unnamedGrass = (
  { own }: Pick<ShelfTreatment | ShelfFertilizer, 'own'>,
  grasses: readonly GrassSlug[],
): GrassSlug | undefined =>
  own && own.turf.length > 0 ? grasses.find((slug) => !own.turf.includes(slug)) : undefined;
