import { monthOf, type LocalDate } from '../units';

/** No lawn north of the equator has a summer day that stays under this, °F; 30-35 °C would read so. */
const LEAST_SUMMER_HIGH_F = 40;
const SUMMER = [6, 7, 8];

/** Why a day's high cannot be in the unit that its heading says; `null` where nothing speaks against it. */
export const summerHigh = ({ date, tmaxF }: { date: LocalDate; tmaxF: number }): string | null =>
  SUMMER.includes(monthOf(date)) && tmaxF < LEAST_SUMMER_HIGH_F
    ? `${Number(tmaxF.toFixed(1))} °F is no high of a summer day: is the column in °C?`
    : null;
