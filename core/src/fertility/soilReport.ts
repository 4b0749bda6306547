import { z } from 'zod';
import { soilTests } from '../knowledge/soilTests';
import { addDays, localDate } from '../units';
import { localDateSchema } from '../weather';

const level = z.number().min(0).max(100_000).nullable();

/** What a soil laboratory reports. ppm are mg/kg. */
export const soilReportSchema = z.object({
  reportedOn: localDateSchema,
  ph: z.number().min(2, 'pH lies between 2 and 12').max(12, 'pH lies between 2 and 12'),
  bufferPh: z.number().min(2).max(12).nullable(),
  bufferMethod: z.enum(['smp', 'adams-evans', 'mehlich', 'sikora', 'modified-mehlich']).nullable(),
  extractant: z.enum(['mehlich-3', 'bray-1', 'olsen']),
  phosphorusPpm: level,
  potassiumPpm: level,
  magnesiumPpm: level,
  calciumPpm: level,
  sulfurPpm: level,
  organicMatterPct: z.number().min(0).max(100).nullable(),
  salinityDsM: level,
});
export type SoilReport = z.infer<typeof soilReportSchema>;

/** A bag of soil of a zone; without its report it is on its way. */
export const zoneSoilSchema = z.object({
  zoneId: z.uuid(),
  /** The day it was bagged. */
  date: localDateSchema,
  report: soilReportSchema.nullable().default(null),
});
export type ZoneSoil = z.infer<typeof zoneSoilSchema>;

/**
 * Whether the latest soil test of a zone is low in phosphorus.
 * @returns `undefined` where no test that still stands tells
 */
export function lowPhosphorus(
  samples: readonly Pick<ZoneSoil, 'zoneId' | 'report'>[],
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
        addDays(localDate(reportedOn), soilTests.standsDays) >= day,
    )
    .sort((a, b) => (a.reportedOn < b.reportedOn ? 1 : -1))[0];
  return latest
    ? latest.phosphorusPpm! < soilTests.lowPhosphorusBelowPpm[latest.extractant]
    : undefined;
}
