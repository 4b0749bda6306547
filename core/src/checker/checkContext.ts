import type { GrassSlug } from '../knowledge';
import type { StandShare } from '../lawn';
import { shelfOf, type Shelf, type ShelfLabel } from '../products';
import type { Application } from '../rates';

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
  others: readonly Application[];
  airHighF?: number;
  soilF?: number;
  soilRising?: boolean;
  windMph?: number;
  drought?: boolean;
  irrigated?: boolean;
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

/** Every product as the company has it that the judge judges for. */
export const shelfIn = ({ labels }: Pick<CheckContext, 'labels'>): Shelf => shelfOf(labels ?? []);
