import { feedingRules, heatRule, type Nutrients } from '../knowledge';
import type { Shelf } from '../products';
import { materialRatePerAcre, type Application, type Material } from '../rates';
import {
  daysBetween,
  localDate,
  poundsOf,
  THOUSANDS_PER_ACRE,
  yearOf,
  type LocalDate,
} from '../units';
import type { Reason } from '../needs/reason';

/** Nitrogen that came, or is planned to come, to a zone on a day, whatever brought it. */
export interface Fed {
  date: LocalDate;
  nLbPer1000: number;
  /** Put down as a fertilizer. */
  asFertilizer: boolean;
  /** Not on record yet. */
  planned?: boolean;
  /** The work of the plan that it did. */
  work?: string | null;
  materials: { kind: string; slug: string; ratePerAcre: number }[];
}

/** What a record or a planned application brings of nitrogen. */
export function fedBy(
  { date, areaFt2, materials, stepId }: Omit<Application, 'id' | 'zoneId'>,
  shelf: Shelf,
): Fed {
  const lb = materials.reduce((sum, material) => sum + (shelf.nutrientsOf(material)?.n ?? 0), 0);
  return {
    date: localDate(date),
    nLbPer1000: (lb / areaFt2) * 1000,
    ...(stepId ? { work: stepId } : {}),
    asFertilizer: materials.some(({ kind }) => kind === 'fertilizer'),
    materials: materials.map((material: Material) => ({
      kind: material.kind,
      slug: material.slug,
      ratePerAcre: materialRatePerAcre(material, areaFt2),
    })),
  };
}

/** lb N per 1000 ft² that came in the year of a day. */
export const nitrogenInYear = (fed: readonly Fed[], date: LocalDate): number =>
  fed
    .filter((feeding) => yearOf(feeding.date) === yearOf(date))
    .reduce((sum, { nLbPer1000 }) => sum + nLbPer1000, 0);

/** Days with more than a trace of nitrogen, in order. */
export const fedOn = (fed: readonly Fed[]): LocalDate[] =>
  fed
    .filter(({ nLbPer1000 }) => nLbPer1000 >= feedingRules.traceLb)
    .map(({ date }) => date)
    .sort();

/** Last day with more than a trace of nitrogen that is nearer to a day than the gap, before it or after; `null`: none. */
export function fedWithinGap(fed: readonly Fed[], date: LocalDate): LocalDate | null {
  return (
    fedOn(fed)
      .filter((day) => Math.abs(daysBetween(day, date)) < feedingRules.gapDays)
      .pop() ?? null
  );
}

/** lb N per 1000 ft² that may come with a product put down for another purpose, by how slow it is. */
export interface NitrogenRoom {
  quick: number;
  slow: number;
}

/** Whether what a product feeds beside stands in the way of its rate; `null`: it does not. */
export function feedRefusal(
  { nutrients, unit }: { nutrients: Nutrients | null; unit: string | null },
  ratePerAcre: number,
  room: () => NitrogenRoom,
): Reason | null {
  if (!nutrients) return null;
  const lb = (poundsOf(ratePerAcre, unit ?? 'lb') / THOUSANDS_PER_ACRE) * (nutrients.n / 100);
  const { quick, slow } = room();
  const most =
    nutrients.slowShare === 1
      ? slow * feedingRules.mealFactor
      : nutrients.slowShare >= heatRule.slowShare
        ? slow
        : quick;
  return lb > most + 1e-9 ? { rule: 'R18-nitrogen', inputs: { lb, max: most } } : null;
}
