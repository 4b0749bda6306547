import { applicationRules, type ToleranceCondition } from '../knowledge';
import { desiredCover, type Zone } from '../lawn';
import { monthOf, type LocalDate } from '../units';
import { seasonDay, type SoilSeason } from '../weather';

/** Air and soil of one day, as the plan expects it. */
export interface ExpectedDay {
  airHighF: number;
  soilF: number | null;
  soilRising: boolean;
}

/** What a day is expected to be like; days outside the season repeat its last one. */
export function expectedDay(season: SoilSeason, date: LocalDate): ExpectedDay {
  const last = season.airHighF.length - 1;
  const index = Math.max(0, Math.min(last, seasonDay(season, date)));
  const soilF = season.meanF[index] ?? null;
  const before = season.meanF[Math.max(0, index - 10)] ?? soilF;
  return {
    airHighF: season.airHighF[index] as number,
    soilF,
    soilRising: soilF !== null && before !== null && soilF >= before,
  };
}

/** Highest expected air high over the days from `from` to `to`, °F. */
export function highestAir(season: SoilSeason, from: LocalDate, to: LocalDate): number {
  const last = season.airHighF.length - 1;
  const a = Math.max(0, Math.min(last, seasonDay(season, from)));
  const b = Math.max(a, Math.min(last, seasonDay(season, to)));
  return Math.max(...season.airHighF.slice(a, b + 1));
}

const DORMANT_SOIL_F = 50;
const GREEN_SOIL_F = 65;

/**
 * Conditions of the tolerance table that hold on a day in a zone.
 * @param treatedShare share of the zone's ground that is treated, 0-1
 */
export function toleranceConditions(
  zone: Pick<Zone, 'stand' | 'desired'> & { site: Pick<Zone['site'], 'newTurf'> },
  day: ExpectedDay,
  date: LocalDate,
  { drought, treatedShare }: { drought: boolean; treatedShare: number },
): Set<ToleranceCondition> {
  const conditions = new Set<ToleranceCondition>();
  if (day.airHighF > applicationRules.lightRateAboveF) conditions.add('air>85F');
  if (drought) conditions.add('drought');
  if (treatedShare < 0.05) conditions.add('spot');
  // How old new turf is nobody asks: it counts as the youngest.
  if (zone.site.newTurf === true) {
    conditions.add('young<16-months');
    conditions.add('newly-sprigged');
  }
  const month = monthOf(date);
  const winter = month === 12 || month <= 2;
  const soilF = day.soilF ?? GREEN_SOIL_F;
  if (winter && soilF < DORMANT_SOIL_F) conditions.add('fully-dormant');
  else if (day.soilRising && month <= 6 && soilF < GREEN_SOIL_F)
    conditions.add('spring-transition');
  else conditions.add('green');
  const wanted = desiredCover(zone);
  const shareOf = (species: string) => {
    const cover = zone.stand.find((share) => share.species === species)?.cover ?? 0;
    return wanted > 0 ? cover / wanted : 1;
  };
  if (zone.desired.some((species) => species === 'fine-fescue' && shareOf(species) > 0.2)) {
    conditions.add('alone-stand');
  }
  const carpetgrass = zone.stand.find(({ species }) => species === 'carpetgrass');
  if (carpetgrass) {
    conditions.add(
      carpetgrass.cover > 0.1 ? 'carpetgrass>10pct-cover' : 'carpetgrass<=10pct-cover',
    );
  }
  return conditions;
}
