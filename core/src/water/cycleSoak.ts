import { irrigationRules, slopeClassesPct, soilWater, surfaceStorageIn } from '../knowledge/water';
import type { SoilTexture } from '../knowledge';

export interface CycleSoak {
  cycles: number;
  minutesEach: number;
  /** Rest between runs, min; 0 when one run does. */
  soakMinutes: number;
  /** Longest run before water moves on the surface, min; infinite when the soil keeps up. */
  longestRun: number;
}

/** Slope class of the intake table: 0-4, 5-8, 9-12, over 12 %. */
export const slopeClass = (slopePct: number): 0 | 1 | 2 | 3 =>
  slopeClassesPct.filter((bound) => slopePct > bound).length as 0 | 1 | 2 | 3;

/** Intake and surface storage of a soil on a slope: in/h and in. */
export function intakeOf(
  texture: SoilTexture,
  slopePct: number,
): { intake: number; storage: number } {
  const column = slopeClass(slopePct);
  const clayey = texture.includes('clay');
  return {
    intake: soilWater[texture].intakeInPerHour[column],
    storage: surfaceStorageIn[clayey ? 'clayey' : 'sandy'][column],
  };
}

/**
 * Splits a run so that the ground takes it.
 * @param minutes run wanted; @param rate precipitation, in/h; @param intake of the soil, in/h
 * @param storage depth that stands before it runs, in
 */
export function cycleSoak(
  minutes: number,
  rate: number,
  intake: number,
  storage: number,
): CycleSoak {
  if (rate <= intake)
    return { cycles: 1, minutesEach: minutes, soakMinutes: 0, longestRun: Infinity };
  const longestRun = (storage / (rate - intake)) * 60;
  const cycles = Math.max(1, Math.ceil(minutes / longestRun - 1e-9));
  const each = minutes / cycles;
  const [least, most] = irrigationRules.soakMinutes;
  const rest = (each * rate) / intake - each;
  return {
    cycles,
    minutesEach: each,
    soakMinutes: cycles === 1 ? 0 : Math.max(least, Math.min(most, rest)),
    longestRun,
  };
}

/**
 * Next run time from when the turf first wilted: too early, longer; too late, shorter.
 * @param minutes of the last run; @param wiltDay days from it to the first wilt, `null`: none by `goal`
 * @param longest minutes before water runs off
 */
export function tunedRun(
  minutes: number,
  wiltDay: number,
  goalDays: number = irrigationRules.goalDays,
  longest = Infinity,
): number {
  const { earlyDays, lateDays, mostLonger, shorter } = irrigationRules;
  if (wiltDay < goalDays - earlyDays) {
    return Math.min(minutes * Math.min(goalDays / wiltDay, mostLonger), longest);
  }
  return wiltDay > goalDays + lateDays ? minutes * shorter : minutes;
}
