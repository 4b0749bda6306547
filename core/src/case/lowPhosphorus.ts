import { addDays, localDate } from '../units';
import type { SoilReport, SoilSampleBody } from '../contract/soilSample';

/**
 * Phosphorus below which a soil is low, ppm, by extractant (memory; laboratories draw the lines
 * differently).
 */
const LOW_BELOW_PPM: Record<SoilReport['extractant'], number> = {
  'mehlich-3': 27,
  'bray-1': 16,
  olsen: 13,
};
/** A test stands for so many days where the law asks for one (common practice: three years). */
const TEST_STANDS_DAYS = 3 * 365;

/**
 * Whether the latest soil test of a zone is low in phosphorus.
 * @returns `undefined` where no test of the last three years tells
 */
export function lowPhosphorus(
  samples: readonly Pick<SoilSampleBody, 'zoneId' | 'report'>[],
  zoneId: string,
  date: string,
): boolean | undefined {
  const day = localDate(date);
  const latest = samples
    .flatMap((sample) => (sample.zoneId === zoneId && sample.report ? [sample.report] : []))
    .filter(
      ({ reportedOn, phosphorusPpm }) =>
        phosphorusPpm !== null &&
        reportedOn <= day &&
        addDays(localDate(reportedOn), TEST_STANDS_DAYS) >= day,
    )
    .sort((a, b) => (a.reportedOn < b.reportedOn ? 1 : -1))[0];
  return latest ? latest.phosphorusPpm! < LOW_BELOW_PPM[latest.extractant] : undefined;
}
