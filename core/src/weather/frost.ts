import { localDate, type LocalDate } from '../units';
import type { WeatherBundle } from './weatherBundle';

/** Low of a hard frost, °F: it kills tender leaves to the ground. */
const HARD_FROST_F = 28;
/** Fewer years say nothing of a mean. */
const LEAST_YEARS = 8;
/** Index of 1 August among 366 days. */
const FIRST_DAY = 213;

/**
 * Mean first hard frost of a station's own years, month-day; `null` where it has too few of them, or half of them
 * have none. A year's low of a day is the normal low moved by the day's departure.
 */
export function stationFrost({
  climate,
  past,
}: Pick<WeatherBundle, 'climate' | 'past'>): string | null {
  if (past.length < LEAST_YEARS) return null;
  const days = past.flatMap(({ anomalyF }) => {
    const day = climate.findIndex(
      ({ tminF }, index) =>
        index >= FIRST_DAY && tminF + (anomalyF[index] as number) <= HARD_FROST_F,
    );
    return day < 0 ? [] : [day];
  });
  if (days.length * 2 <= past.length) return null;
  const mean = Math.round(days.reduce((sum, day) => sum + day, 0) / days.length);
  // The 366 days are those of a leap year.
  const date: LocalDate = localDate(
    new Date(Date.UTC(2024, 0, 1 + mean)).toISOString().slice(0, 10),
  );
  return date.slice(5);
}
