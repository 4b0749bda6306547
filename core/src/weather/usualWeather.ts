import { addDays, calendarRun, daysBetween, localDate, yearOf, type LocalDate } from '../units';
import type { ClimateDay, PastYear } from './dailyWeather';
import type { WeatherBundle } from './weatherBundle';

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

/** Rain that a day of the year usually has, in; of the years that have been, else of the one that is measured. */
function usualRain({ past, days }: Pick<WeatherBundle, 'past' | 'days'>, day: number): number {
  return past.length > 0
    ? mean(past.map((year: PastYear) => year.rainIn[day] as number))
    : mean(days.map(({ rainIn }) => rainIn));
}

/**
 * A station's weather as it is to be expected on a day of a later year: what is usual there from 1 January on, and
 * nothing foretold.
 */
export function usualWeather(weather: WeatherBundle, today: LocalDate): WeatherBundle {
  const start = localDate(`${yearOf(today)}-01-01`);
  const { dayOfYear } = calendarRun(start, daysBetween(start, today) + 1);
  return {
    ...weather,
    today,
    days: Array.from(dayOfYear, (day, index) => {
      const { tmaxF, tminF } = weather.climate[day - 1] as ClimateDay;
      return { date: addDays(start, index), tmaxF, tminF, rainIn: usualRain(weather, day - 1) };
    }),
    forecast: [],
  };
}
