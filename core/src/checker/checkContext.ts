import type { GrassSlug } from '../knowledge';
import type { StandShare } from '../lawn';
import { shelfOf, type Shelf, type ShelfLabel } from '../products';
import type { Application } from '../rates';
import { SQUARE_FEET_PER_ACRE, type LocalDate } from '../units';

/** What the place where the lawn lies has ruled about fertilizer. */
export interface Ordinance {
  /** Month-day from and to which no fertilizer may be spread; may wrap over the year. */
  blackout: readonly [from: string, to: string] | null;
  /** lb N per 1000 ft² at once and in a year. */
  mostNitrogen: number | null;
  mostNitrogenYear: number | null;
  /** Phosphorus only with a low soil test or new seed. */
  phosphorusNeedsReason: boolean;
}

/** What the judge knows beside the application itself. What is not known is not held against it. */
export interface CheckContext {
  stand: readonly StandShare[];
  desired: readonly GrassSlug[];
  zoneFt2: number;
  /** Other applications of the same zone, before and after, done or planned. */
  others: readonly Judged[];
  /** Highest air of the day, and air of the hour, °F; where only one is known it speaks for both. */
  airHighF?: number;
  airF?: number;
  soilF?: number;
  soilRising?: boolean;
  windMph?: number;
  drought?: boolean;
  irrigated?: boolean;
  /** Roots of trees or beds reach into the zone. */
  treeRoots?: boolean;
  /** Vegetables, grapes or flowers within 100 ft. */
  tenderPlants?: boolean;
  /** Sown, sodded or sprigged not long ago. */
  youngTurf?: boolean;
  /** ft to the nearest well and open water; `null`: near, and nobody measured. */
  wellFt?: number | null;
  waterFt?: number | null;
  /** Children or pets use the lawn. */
  children?: boolean;
  pets?: boolean;
  /** Mean first hard frost of the place, month-day. */
  firstFrost?: string;
  /** Somebody decided that what grows here is to die. */
  kill?: boolean;
  /** A certified applicator did it or stands by. */
  certified?: boolean;
  confirmedLabels?: readonly string[];
  /** The company's own labels; each outranks the library's entry. */
  labels?: readonly ShelfLabel[];
  /** Weeds or turf in bloom where it is put down. */
  bloom?: boolean;
  /** Hours to the next rain of a tenth of an inch, and what falls in the next day, in. */
  rainInHours?: number;
  rainSoonIn?: number;
  leafWet?: boolean;
  saturated?: boolean;
  /** Pace walked and the pace of the calibration, mph. */
  paceMph?: number;
  calibratedMph?: number;
  ordinance?: Ordinance;
  /** The soil test is low in phosphorus. */
  lowPhosphorus?: boolean;
}

/** An application and what it was for. */
export type Judged = Application & { targets?: readonly string[] };

/** Every product as the company has it that the judge judges for. */
export const shelfIn = ({ labels }: Pick<CheckContext, 'labels'>): Shelf => shelfOf(labels ?? []);

/** Highest air that is known of, °F. */
export function hottest({ airHighF, airF }: CheckContext): number | undefined {
  if (airHighF === undefined) return airF;
  return airF === undefined ? airHighF : Math.max(airHighF, airF);
}

/** Rounding at the cup and the scale is no breach. */
export const ROUNDING = 1.005;

export const perAcreOf = (amount: number, areaFt2: number): number =>
  (amount / areaFt2) * SQUARE_FEET_PER_ACRE;
export const per1000Of = (amount: number, areaFt2: number): number => (amount / areaFt2) * 1000;
export const sameYear = (a: string, b: string): boolean => a.slice(0, 4) === b.slice(0, 4);

/** One use of a product on the zone, at its rate per acre. */
export interface Use<Product> {
  product: Product;
  rate: number;
  date: LocalDate;
  /** Share of the zone that it was put on. */
  share: number;
  targets: readonly string[] | null;
}
