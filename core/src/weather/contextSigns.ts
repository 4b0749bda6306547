import type { DailyWeather } from './dailyWeather';

/**
 * Signs of the `context` posture that the weather record answers by itself. Irrigation counts as
 * rain and is not in the record, so a dry spell is answered only where nothing is watered.
 * @param days in order, ending on the day of the visit; at least 21 for every sign to be answered
 * @param irrigated `null` when nobody knows
 */
export function contextSigns(
  days: readonly DailyWeather[],
  irrigated: boolean | null,
): Record<string, boolean> {
  const last = (count: number) => days.slice(-count);
  const rain = (count: number) => last(count).reduce((sum, day) => sum + day.rainIn, 0);
  const answers: Record<string, boolean> = {};
  if (days.length >= 10) {
    answers['c-heat'] = last(10).filter((day) => day.tmaxF >= 90).length >= 3;
  }
  if (days.length >= 14) {
    const dry = rain(14) < 0.5;
    if (!dry) answers['c-dry'] = false;
    else if (irrigated === false) answers['c-dry'] = true;
  }
  if (days.length >= 7) {
    answers['c-rain'] = rain(7) > 2 || last(7).filter((day) => day.rainIn >= 0.1).length >= 5;
    answers['c-coolwet'] =
      last(7).every((day) => day.tmaxF <= 65 && day.tminF >= 33) &&
      last(7).filter((day) => day.rainIn >= 0.05).length >= 4;
  }
  if (days.length >= 21) answers['c-frost'] = last(21).some((day) => day.tminF < 30);
  return answers;
}
