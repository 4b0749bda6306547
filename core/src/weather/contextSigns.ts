import { meanAir, type DailyWeather } from './dailyWeather';
import { snowCover } from '../knowledge';
import { dampnessOf } from './riskModels';

const mean = (values: readonly number[]) =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

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
  if (days.length >= 4) {
    const nights = last(4).map((day) => ({ lowF: day.tminF, humid: dampnessOf(day)?.humidHours }));
    const warm = nights.filter(({ lowF }) => lowF >= 68);
    if (warm.length < 2) answers['c-warm-night'] = false;
    else if (warm.every(({ humid }) => humid !== undefined)) {
      answers['c-warm-night'] = warm.filter(({ humid }) => humid! >= 10).length >= 2;
    }
  }
  if (days.length >= 7) {
    const wet = last(7).filter((day) => day.rainIn >= 0.05).length;
    const air = mean(last(7).map(meanAir));
    const humidity = last(7).flatMap(({ rhPct }) => (rhPct === undefined ? [] : [rhPct]));
    answers['c-rain'] = rain(7) > 2 || wet >= 5;
    answers['c-coolwet'] =
      air >= 40 && air <= 65 && (wet >= 4 || (humidity.length === 7 && mean(humidity) >= 85));
  }
  const { coverIn, longDays, shortDays } = snowCover;
  const known = days.filter(({ snowIn }) => snowIn !== undefined);
  const covered = known.filter(({ snowIn }) => (snowIn as number) >= coverIn).length;
  if (covered >= longDays) answers['c-snow'] = true;
  else if (known.length >= snowCover.winterDays && covered < shortDays) answers['c-snow'] = false;
  if (days.length >= 21) answers['c-frost'] = last(21).some((day) => day.tminF < 30);
  return answers;
}
