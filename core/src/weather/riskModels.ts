import {
  armywormDevelopment,
  brownPatchModel,
  crabgrassDegreeDays,
  dewDepressionF,
  dollarSpotModel,
  grayLeafSpotModel,
  insectDegreeDays,
  pythiumModel,
} from '../knowledge/riskModels';
import type { DailyWeather } from './dailyWeather';
import { hoursOf } from './syntheticWeather';

const toC = (f: number): number => ((f - 32) * 5) / 9;

/** Chance of dollar spot, 0-1, from 5-day means; `null` outside the model's range. */
export function dollarSpotProbability(meanC: number, meanRhPct: number): number | null {
  const { intercept, perDegreeC, perPercent, validC } = dollarSpotModel;
  if (meanC < validC[0] || meanC > validC[1]) return null;
  return 1 / (1 + Math.exp(-(intercept + perDegreeC * meanC + perPercent * meanRhPct)));
}

/** Brown patch environmental index from a day's mean humidity, %, and low, °C. */
export function brownPatchIndex(meanRhPct: number, lowC: number): number {
  const { intercept, perPercent, perDegreeC, perDegreeC2 } = brownPatchModel;
  return intercept + perPercent * meanRhPct + perDegreeC * lowC + perDegreeC2 * lowC ** 2;
}

/** Whether a hot day and the humid night after it call for a pythium warning. */
export const pythiumWarns = (highF: number, lowF: number, humidHours: number): boolean =>
  highF > pythiumModel.dayAboveF &&
  lowF >= pythiumModel.nightFromF &&
  humidHours >= pythiumModel.humidHours;

/** Class 0-3 of a night's gray leaf spot weather. */
export function grayLeafSpotClass(wetHours: number, wetMeanF: number): 0 | 1 | 2 | 3 {
  const { hourBands, degreeBands, classes } = grayLeafSpotModel;
  const column = degreeBands.filter((from) => wetMeanF >= from).length - 1;
  if (column < 0) return 0;
  const row = hourBands.filter((from) => wetHours >= from).length;
  return classes[row]![column] as 0 | 1 | 2 | 3;
}

/** °C-days of one day over the crabgrass base, simple average. */
export const crabgrassDay = (highF: number, lowF: number): number =>
  Math.max(0, (toC(highF) + toC(lowF)) / 2 - crabgrassDegreeDays.baseC);

/** °F-days of one day over a base, simple average. */
export const degreeDay = (
  highF: number,
  lowF: number,
  baseF: number = insectDegreeDays.baseF,
): number => Math.max(0, (highF + lowF) / 2 - baseF);

/** Days of one armyworm generation at a mean temperature, °C; `null` when it is too cold to grow. */
export const armywormGenerationDays = (meanC: number): number | null =>
  meanC > armywormDevelopment.baseC
    ? armywormDevelopment.eggToAdultCDays / (meanC - armywormDevelopment.baseC)
    : null;

/** Dew point, °F, by the Magnus formula (Alduchov & Eskridge 1996 coefficients). */
export function dewPointF(airF: number, rhPct: number): number {
  const c = toC(airF);
  const gamma = Math.log(Math.max(1, rhPct) / 100) + (17.625 * c) / (243.04 + c);
  return ((243.04 * gamma) / (17.625 - gamma)) * 1.8 + 32;
}

export interface Dampness {
  /** Hours with humidity above 90 % while it is at least 68 °F. */
  warmHumidHours: number;
  /** Hours with humidity of 90 % or more. */
  humidHours: number;
  /** Hours in which leaves are wet: close to the dew point. */
  wetHours: number;
  /** Mean air of the wet hours, °F; `null` when there are none. */
  wetMeanF: number | null;
}

/** How long a day is humid and leaves wet, from its hours; `null` when its humidity is not known. */
export function dampnessOf(day: DailyWeather): Dampness | null {
  if (day.rhPct === undefined) return null;
  const hours = hoursOf(day);
  const wet = hours.filter(({ airF, rhPct }) => airF - dewPointF(airF, rhPct) <= dewDepressionF);
  return {
    warmHumidHours: hours.filter(
      ({ airF, rhPct }) => rhPct > pythiumModel.humidAbovePct && airF >= pythiumModel.nightFromF,
    ).length,
    humidHours: hours.filter(({ rhPct }) => rhPct >= pythiumModel.humidAbovePct).length,
    wetHours: wet.length,
    wetMeanF: wet.length > 0 ? wet.reduce((sum, { airF }) => sum + airF, 0) / wet.length : null,
  };
}
