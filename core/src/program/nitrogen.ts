import { growthPotential, nitrogenLimits } from '../fertility';
import { dayRules, feedingRules, grass } from '../knowledge';
import type { ShelfFertilizer } from '../products';
import { daysBetween, monthOf, yearOf, type LocalDate } from '../units';
import { fedWithinGap, nitrogenInYear } from './fed';
import { seasonDay } from '../weather';
import { blackoutShuts } from './ordinance';
import { expectedDay } from './sprayDay';
import { firstFrost, type ZoneCase } from './zoneCase';

/** Place of an upkeep in the low, usual and high year of a grass. */
export const UPKEEP_INDEX = { basic: 0, standard: 1, showpiece: 2 } as const;

/** lb N per 1000 ft² that the law of the place still allows at once on a day. */
export const placeRoom = ({ input, fed }: ZoneCase, date: LocalDate): number => {
  const { ordinance } = input.policy;
  if (ordinance.blackout && blackoutShuts(ordinance.blackout, date)) return 0;
  return Math.min(
    ordinance.mostNitrogen ?? Infinity,
    (ordinance.mostNitrogenYear ?? Infinity) - nitrogenInYear(fed, date),
  );
};

/** Days over which the air decides how turf grows. */
const GROWTH_DAYS = 7;

/** Growth potential of the week before a day of the season, 0-1, by its place in it. */
export function growthAt({ season, main }: ZoneCase, day: number): number {
  const last = Math.max(0, Math.min(season.airHighF.length - 1, day));
  const from = Math.max(0, last - GROWTH_DAYS + 1);
  let sum = 0;
  for (let index = from; index <= last; index += 1) {
    sum += ((season.airHighF[index] as number) + (season.airLowF[index] as number)) / 2;
  }
  return growthPotential(sum / (last - from + 1), grass(main).season);
}

/** Whether turf makes nothing of nitrogen on a day: it does not grow, and its roots are cold. */
export function isAsleep(zoneCase: ZoneCase, date: LocalDate): boolean {
  const { soilF } = expectedDay(zoneCase.season, date);
  return (
    growthAt(zoneCase, seasonDay(zoneCase.season, date)) < feedingRules.growing &&
    (soilF === null || soilF < feedingRules.rootsF)
  );
}

/**
 * lb N per 1000 ft² that a product put down for another purpose may bring on a day, by how slow it is: what grass,
 * year, gap, heat, winter and the law of the place leave.
 */
export function nitrogenRoom(
  zoneCase: ZoneCase,
  date: LocalDate,
  airHighF: number,
): { quick: number; slow: number } {
  const { fed, grasses, zone, season, input } = zoneCase;
  const { soilF } = expectedDay(season, date);
  const warm = grasses.length > 0 && grasses.every((slug) => grass(slug).season === 'warm');
  const frozen = soilF !== null && soilF <= dayRules.frozenF;
  const toFrost = daysBetween(date, firstFrost(input.region, yearOf(date)));
  const asleep =
    warm &&
    ((soilF !== null && soilF < feedingRules.dormantF) ||
      toFrost < feedingRules.warmDaysBeforeFrost);
  if (frozen || asleep || fedWithinGap(fed, date)) return { quick: 0, slow: 0 };
  const most = (slowShare: number) =>
    Math.max(
      0,
      Math.min(
        ...nitrogenLimits(
          {
            grasses,
            wantedLbPer1000: Infinity,
            airHighF,
            month: monthOf(date),
            irrigated: zone.site.irrigated === true,
            slowShare,
            givenLbPer1000: nitrogenInYear(fed, date),
            placeLbPer1000: placeRoom(zoneCase, date),
          },
          slowShare,
        ).map(({ lb }) => lb),
      ),
    );
  return { quick: most(0), slow: most(1) };
}

/**
 * Grades that may be spread on a zone on a day by their own labels: what is left of each one's year caps its
 * application, and one that is too near to its last use, not named for this grass or not in store is left out.
 */
export function fertilizersOn(zoneCase: ZoneCase, date: LocalDate): ShelfFertilizer[] {
  const { shelf, fed, grasses, input } = zoneCase;
  return shelf.fertilizers.flatMap((product): ShelfFertilizer[] => {
    if (product.residential === 'no') return [];
    if (input.policy.onlyShelf && !shelf.inStore.has(product.slug)) return [];
    const turf = product.own?.turf ?? [];
    if (turf.length > 0 && grasses.some((slug) => !turf.includes(slug))) return [];
    const uses = fed.flatMap((feeding) =>
      feeding.materials
        .filter(({ kind, slug }) => kind === 'fertilizer' && slug === product.slug)
        .map(({ ratePerAcre }) => ({ date: feeding.date, ratePerAcre })),
    );
    const year = uses.filter((use) => yearOf(use.date) === yearOf(date));
    const { maxApplications, minIntervalDays, maxPerApplication, maxPerYear } = product;
    if (maxApplications !== null && year.length >= maxApplications) return [];
    if (
      minIntervalDays !== null &&
      uses.some((use) => Math.abs(daysBetween(use.date, date)) < minIntervalDays)
    ) {
      return [];
    }
    if (maxPerYear === null) return [product];
    const left = maxPerYear - year.reduce((sum, use) => sum + use.ratePerAcre, 0);
    return [{ ...product, maxPerApplication: Math.min(maxPerApplication ?? Infinity, left) }];
  });
}
