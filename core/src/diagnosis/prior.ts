import {
  causes,
  diagnosisModel,
  grass,
  monthWindowsSchema,
  type Cause,
  type Region,
} from '../knowledge';
import type { StandShare } from '../lawn';
import { monthInWindow } from '../units';
import type { z } from 'zod';

const { hostFactor, monthFactor, soilFactor, protectionFactor, leak } = diagnosisModel;

/** Susceptibility factor of one grass; carpetgrass has no row and takes half of St. Augustine's. */
function hostFactorOf(cause: Cause, species: StandShare['species']): number {
  const host = grass(species).diagnosisHost;
  if (host === null) return (hostFactor[cause.host['st-augustine']] as number) / 2;
  return hostFactor[cause.host[host]] as number;
}

/** Cover-weighted susceptibility factor of a stand; 1 when the grass is not known. */
export function standHostFactor(cause: Cause, stand: readonly StandShare[]): number {
  const total = stand.reduce((sum, share) => sum + share.cover, 0);
  if (total <= 0) return 1;
  return (
    stand.reduce((sum, share) => sum + share.cover * hostFactorOf(cause, share.species), 0) / total
  );
}

/** Factor of the month: inside the cause's window, next to it, or neither. */
export function monthFactorOf(
  windows: z.infer<typeof monthWindowsSchema>,
  region: Region,
  month: number,
): number {
  const window = windows[region];
  if (window === null) return monthFactor.noWindow;
  if (monthInWindow(month, window)) return monthFactor.inside;
  const before = window[0] === 1 ? 12 : window[0] - 1;
  const after = window[1] === 12 ? 1 : window[1] + 1;
  return month === before || month === after ? monthFactor.adjacent : monthFactor.outside;
}

/** Factor of the soil temperature at 2 in; 1 without a reading. */
export function soilFactorOf(range: readonly [number, number], soilTempF?: number): number {
  if (soilTempF === undefined) return 1;
  const outside = Math.max(range[0] - soilTempF, soilTempF - range[1], 0);
  if (outside === 0) return soilFactor.inside;
  if (outside <= 5) return soilFactor.within5;
  return outside <= 10 ? soilFactor.within10 : soilFactor.beyond;
}

/** Factor of what was, or was not, done against a cause; 1 when nothing is known. */
export const protectionFactorOf = (state: keyof typeof protectionFactor | undefined): number =>
  state === undefined ? 1 : protectionFactor[state];

/**
 * Prior of every cause for a stand, region, month, soil temperature and prevention: named causes share
 * 1 − leak; the last entry is "something not in the library".
 * @returns shape (causes + 1), sums to 1
 */
export function prior(
  stand: readonly StandShare[],
  region: Region,
  month: number,
  soilTempF?: number,
  protection: Readonly<Record<string, keyof typeof protectionFactor>> = {},
): number[] {
  const weights = causes.map(
    (cause) =>
      cause.baseWeight *
      standHostFactor(cause, stand) *
      monthFactorOf(cause.months, region, month) *
      soilFactorOf(cause.soilF, soilTempF) *
      protectionFactorOf(protection[cause.slug]),
  );
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return [...weights.map((weight) => ((1 - leak) * weight) / total), leak];
}
