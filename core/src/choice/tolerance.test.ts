/** How grasses take products: the ratings are the library's own (labels and handbooks, see its data). */
import { toleranceOverrides, type GrassSlug, type ToleranceCondition } from '../knowledge';
import { LIBRARY, type ShelfHerbicide } from '../products';
import {
  hasLadder,
  rateCap,
  recipeOverCap,
  standTolerance,
  tolerance,
  unnamedGrass,
} from './tolerance';

const product = (slug: string): ShelfHerbicide => {
  const found = LIBRARY.herbicide(slug);
  if (!found) throw new RangeError(slug);
  return found;
};
const NONE: ReadonlySet<ToleranceCondition> = new Set();

describe('a stand', () => {
  const amine = product('24d-amine');
  const rated = (grasses: GrassSlug[]) => standTolerance(amine, grasses, NONE);
  const ratings = (slug: GrassSlug) => tolerance(amine, slug, NONE);
  it('is as tender as its tenderest grass, wherever that stands in the list', () => {
    const hardy = 'tall-fescue';
    const tender = 'st-augustine';
    expect(ratings(hardy)).toBe('safe');
    expect(ratings(tender)).not.toBe('safe');
    const worst = { rating: ratings(tender), species: tender };
    expect(rated([hardy, tender])).toEqual(worst);
    expect(rated([tender, hardy])).toEqual(worst);
  });
  it('names its first grass where all are alike, and none where there is no grass', () => {
    expect(rated(['tall-fescue', 'kentucky-bluegrass'])).toEqual({
      rating: 'safe',
      species: 'tall-fescue',
    });
    expect(rated([])).toEqual({ rating: 'safe', species: null });
  });
});

it('takes an override while its condition holds, or always where it has none', () => {
  for (const { herbicide, turf, condition, rating } of toleranceOverrides) {
    const rows = toleranceOverrides.filter(
      (row) => row.herbicide === herbicide && row.turf === turf,
    );
    const last = rows
      .filter((row) => row.condition === 'any' || row.condition === condition)
      .at(-1);
    const conditions = condition === 'any' ? NONE : new Set([condition]);
    expect([herbicide, turf, tolerance(product(herbicide), turf as GrassSlug, conditions)]).toEqual(
      [herbicide, turf, last?.rating ?? rating],
    );
  }
});

it('caps a rate at the lowest of its label and its grasses', () => {
  const capped = LIBRARY.herbicides.find(({ rateCaps }) => Object.keys(rateCaps).length > 0)!;
  const [[slug, cap]] = Object.entries(capped.rateCaps) as [[GrassSlug, number]];
  expect(rateCap(capped, [])).toBe(capped.maxPerApplication);
  expect(rateCap(capped, [slug])).toBe(Math.min(cap, capped.maxPerApplication));
});

it('finds the part of a recipe that is over its own cap, and none at it', () => {
  const part = product('prodiamine');
  const recipe = (ratePerAcre: number): ShelfHerbicide => ({
    ...part,
    parts: [{ product: part, ratePerAcre }] as never,
  });
  const cap = rateCap(part, ['tall-fescue']);
  expect(recipeOverCap(recipe(cap), ['tall-fescue'])).toBeNull();
  expect(recipeOverCap(recipe(cap + 0.1), ['tall-fescue'])).toBe('prodiamine');
});

it('has a ladder of weeks for prodiamine alone, and not where a label of one’s own names them', () => {
  expect([hasLadder(product('prodiamine')), hasLadder(product('dithiopyr'))]).toEqual([
    true,
    false,
  ]);
  const own = (seedAfterWeeks: number | null) =>
    hasLadder({ ...product('prodiamine'), own: { seedAfterWeeks } as never });
  expect([own(null), own(12)]).toEqual([true, false]);
});

it('finds the grass that a label of one’s own does not name', () => {
  const label = (turf: GrassSlug[]) => ({ own: { turf } as never });
  expect(unnamedGrass(label(['tall-fescue']), ['tall-fescue', 'zoysia-wide'])).toBe('zoysia-wide');
  expect(unnamedGrass(label(['tall-fescue']), ['tall-fescue'])).toBeUndefined();
  expect(unnamedGrass(label([]), ['zoysia-wide'])).toBeUndefined();
  expect(unnamedGrass({ own: undefined } as never, ['zoysia-wide'])).toBeUndefined();
});
