import { growthPotential, nitrogenLimits } from '../fertility';
import { countingRules, dayRules, feedingRules, grass, type GrassSlug } from '../knowledge';
import type { ShelfFertilizer } from '../products';
import { daysBetween, monthOf, yearOf, type LocalDate } from '../units';
import { fedWithinGap, nitrogenInYear, type NitrogenRoom } from './fed';
import { seasonDay } from '../weather';
import { blackoutShuts } from './ordinance';
import type { Reason } from '../needs/reason';
import { expectedDay } from './sprayDay';
import { unnamedGrass } from './tolerance';
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

/** Whether warm-season turf alone lies over soil in which it has not woken. */
const isDormant = (grasses: readonly GrassSlug[], soilF: number | null): boolean =>
  grasses.length > 0 &&
  grasses.every((slug) => grass(slug).season === 'warm') &&
  soilF !== null &&
  soilF < feedingRules.dormantF;

/** Whether turf makes nothing of nitrogen on a day: it does not grow and its roots are cold, or it has not woken. */
export function isAsleep(zoneCase: ZoneCase, date: LocalDate): boolean {
  const { soilF } = expectedDay(zoneCase.season, date);
  if (isDormant(zoneCase.grasses, soilF)) return true;
  return (
    growthAt(zoneCase, seasonDay(zoneCase.season, date)) < feedingRules.growing &&
    (soilF === null || soilF < feedingRules.rootsF)
  );
}

/**
 * lb N per 1000 ft² that a product put down for another purpose may bring on a day, by how slow it is: what grass,
 * year, gap, heat, winter and the law of the place leave.
 */
export function nitrogenRoom(zoneCase: ZoneCase, date: LocalDate, airHighF: number): NitrogenRoom {
  const { fed, grasses, zone, season, input } = zoneCase;
  const { soilF } = expectedDay(season, date);
  const warm = grasses.length > 0 && grasses.every((slug) => grass(slug).season === 'warm');
  const frozen = soilF !== null && soilF <= dayRules.frozenF;
  const toFrost = daysBetween(date, firstFrost(input.region, yearOf(date)));
  const asleep = isDormant(grasses, soilF) || (warm && toFrost < feedingRules.warmDaysBeforeFrost);
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

/** Amounts of a fertilizer that were put down or are planned, with their days. */
const usesOf = ({ fed }: ZoneCase, { slug }: ShelfFertilizer) =>
  fed.flatMap(({ date, materials }) =>
    materials
      .filter((material) => material.kind === 'fertilizer' && material.slug === slug)
      .map(({ ratePerAcre }) => ({ date, ratePerAcre })),
  );

/** What home lawns, grass, store, number and interval of its own label say against a fertilizer on a day. */
export function fertilizerRefusals(
  zoneCase: ZoneCase,
  product: ShelfFertilizer,
  date: LocalDate,
): Reason[] {
  const { shelf, grasses, input } = zoneCase;
  const reasons: Reason[] = [];
  const refuse = (rule: string, inputs: Reason['inputs'] = {}) => reasons.push({ rule, inputs });
  if (product.residential === 'no') refuse('R02-site');
  const off = unnamedGrass(product, grasses);
  if (off) refuse('R01-off-label', { species: off });
  if (input.policy.onlyShelf && !shelf.inStore.has(product.slug)) refuse('card-not-in-store');
  const uses = usesOf(zoneCase, product);
  const used = uses.filter((use) => yearOf(use.date) === yearOf(date)).length;
  const { maxApplications: max, minIntervalDays: min } = product;
  if (max !== null && used >= max) refuse('R14-year-count', { used, max });
  const days = Math.min(...uses.map((use) => Math.abs(daysBetween(use.date, date))));
  if (min !== null && days < min) refuse('R15-interval', { days, min });
  return reasons;
}

/** The product with what is left of its label's year as the most of one application. */
export function withinYear(
  zoneCase: ZoneCase,
  product: ShelfFertilizer,
  date: LocalDate,
): ShelfFertilizer {
  if (product.maxPerYear === null) return product;
  const uses = usesOf(zoneCase, product);
  const sum = (within: (day: LocalDate) => boolean) =>
    uses
      .filter((use) => within(use.date))
      .reduce((total, { ratePerAcre }) => total + ratePerAcre, 0);
  // A year's amount may not lie within half a year either, whatever the calendar says.
  const used = Math.max(
    sum((day) => yearOf(day) === yearOf(date)),
    sum((day) => Math.abs(daysBetween(day, date)) < countingRules.seasonDays),
  );
  const left = product.maxPerYear - used;
  return { ...product, maxPerApplication: Math.min(product.maxPerApplication ?? Infinity, left) };
}

/** Grades that may be spread on a zone on a day by their own labels, each capped by what its year has left. */
export const fertilizersOn = (zoneCase: ZoneCase, date: LocalDate): ShelfFertilizer[] =>
  zoneCase.shelf.fertilizers
    .filter((product) => fertilizerRefusals(zoneCase, product, date).length === 0)
    .map((product) => withinYear(zoneCase, product, date));
