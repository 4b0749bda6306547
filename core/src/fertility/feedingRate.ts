import { grass, heatRule, type GrassSlug } from '../knowledge';
import type { ShelfFertilizer } from '../products';
import { THOUSANDS_PER_ACRE } from '../units';
import { productForNutrient } from './productForNutrient';
import { saltLoad, saltLoadLimit } from './saltLoad';

export interface FeedingInput {
  /** Grasses that govern: the most sparing one sets each limit. */
  grasses: readonly GrassSlug[];
  /** What this feeding should bring, lb N per 1000 ft². */
  wantedLbPer1000: number;
  /** Highest air high expected in the days of the feeding, °F. */
  airHighF: number;
  month: number;
  irrigated: boolean;
  /** Share of slow nitrogen that suits the season, 0-1. */
  slowShare: number;
  /** lb N per 1000 ft² already given this year. */
  givenLbPer1000: number;
  dryTopsoil?: boolean;
  /** Most that the law of the place allows now, lb N per 1000 ft². */
  placeLbPer1000?: number;
}

/** Grades to choose from. */
export interface FeedingShelf {
  fertilizers: readonly ShelfFertilizer[];
}

/** What held a feeding down. */
export type FeedingLimit =
  | 'wanted'
  | 'per-application'
  | 'year'
  | 'place'
  | 'heat'
  | 'hot'
  | 'not-irrigated-in-heat'
  | 'salt'
  | 'label';

export interface Feeding {
  fertilizer: ShelfFertilizer;
  nLbPer1000: number;
  productLbPer1000: number;
  saltLoad: number;
  saltLimit: number;
  limitedBy: FeedingLimit;
}

/** A feeding under this is not worth the walk, lb N per 1000 ft². */
export const WORTH_FEEDING = 0.2;
const SUMMER = [6, 7, 8];

/** How far a grade's release is from what the season asks for. */
const misfit = ({ fertilizer: { slowShare } }: Feeding, wanted: number): number =>
  Math.abs(slowShare - wanted);

/** What grass, year, law and heat leave of nitrogen that is slow to a share, lb N per 1000 ft². */
export function nitrogenLimits(
  input: FeedingInput,
  slowShare: number,
): { limit: FeedingLimit; lb: number }[] {
  const entries = input.grasses.map(grass);
  const cool = entries.some(({ season }) => season === 'cool');
  const slow = slowShare >= heatRule.slowShare;
  const summer = SUMMER.includes(input.month);
  const perApplication = Math.min(
    ...entries.map(({ nitrogen, season }) => {
      if (!nitrogen) return 0;
      if (slow) return nitrogen.maxSlowLbPer1000;
      return summer && season === 'cool'
        ? nitrogen.maxQuickSummerLbPer1000
        : nitrogen.maxQuickLbPer1000;
    }),
  );
  const year = Math.min(...entries.map(({ nitrogen }) => nitrogen?.yearLbPer1000[2] ?? 0));
  const limits: { limit: FeedingLimit; lb: number }[] = [
    { limit: 'wanted', lb: input.wantedLbPer1000 },
    { limit: 'per-application', lb: perApplication },
    { limit: 'year', lb: year - input.givenLbPer1000 },
    { limit: 'place', lb: input.placeLbPer1000 ?? Infinity },
  ];
  if (cool && input.airHighF >= heatRule.warmF) {
    if (!input.irrigated) limits.push({ limit: 'not-irrigated-in-heat', lb: 0 });
    else if (input.airHighF >= heatRule.hotF) {
      limits.push({ limit: 'hot', lb: slow ? heatRule.hotSlowLb : 0 });
    } else {
      limits.push({ limit: 'heat', lb: slow ? heatRule.warmSlowLb : heatRule.warmQuickLb });
    }
  }
  return limits;
}

/** The most of one grade that grass, year, law, heat, salt and its own label leave; may be nothing. */
export function gradeFeeding(product: ShelfFertilizer, input: FeedingInput): Feeding {
  const nPercent = product.grade[0];
  const saltLimit = saltLoadLimit({
    airHighF: input.airHighF,
    coatedAndWatered: input.irrigated && product.slowShare >= heatRule.slowShare,
    ...(input.dryTopsoil === undefined ? {} : { dryTopsoil: input.dryTopsoil }),
  });
  const saltCap = (saltLimit * 100) / product.saltIndex;
  const most = product.maxPerApplication ?? Infinity;
  const limits = [
    ...nitrogenLimits(input, product.slowShare),
    { limit: 'salt' as const, lb: (saltCap * nPercent) / 100 },
    { limit: 'label' as const, lb: (most / THOUSANDS_PER_ACRE) * (nPercent / 100) },
  ];
  const tightest = limits.reduce((a, b) => (b.lb < a.lb - 1e-9 ? b : a));
  const nLbPer1000 = Math.max(0, Math.floor(tightest.lb * 20 + 1e-6) / 20);
  const productLbPer1000 = nPercent > 0 ? productForNutrient(nLbPer1000, nPercent) : 0;
  return {
    fertilizer: product,
    nLbPer1000,
    productLbPer1000,
    saltLoad: saltLoad(productLbPer1000, product.saltIndex),
    saltLimit,
    limitedBy: tightest.limit,
  };
}

/**
 * The richest safe feeding: for each generic grade the tightest of grass, year, heat and salt limits
 * is taken, and the grade that comes nearest to what is wanted wins, the lower salt load on a tie.
 * Grades with phosphorus are left to soil tests and seeding.
 * @returns `null` when less than 0.2 lb N per 1000 ft² is safe, with nothing worth the walk
 */
export function feedingRate(input: FeedingInput, shelf: FeedingShelf): Feeding | null {
  const options = shelf.fertilizers
    .filter(({ grade }) => grade[1] === 0)
    .map((product) => gradeFeeding(product, input))
    .filter(({ nLbPer1000 }) => nLbPer1000 >= WORTH_FEEDING)
    .sort(
      (a, b) =>
        b.nLbPer1000 - a.nLbPer1000 ||
        misfit(a, input.slowShare) - misfit(b, input.slowShare) ||
        a.saltLoad - b.saltLoad,
    );
  return options[0] ?? null;
}
