import { checkApplication, type CheckFinding, type Judged } from '../checker';
import type { ApplicationRecordBody } from '../contract/applicationRecord';
import type { Company } from '../contract/company';
import type { ZoneSoil } from '../fertility';
import { judgeContext, type JudgedLawn } from './judgeContext';

/** What of a record the judge reads: as it is typed in, and as it is kept. */
export type JudgedRecord = Pick<
  ApplicationRecordBody,
  | 'zoneId'
  | 'date'
  | 'areaFt2'
  | 'materials'
  | 'targets'
  | 'bloom'
  | 'paceMph'
  | 'calibratedMph'
  | 'kill'
  | 'moment'
> & { id: string; weather: Pick<ApplicationRecordBody['weather'], 'airF' | 'windMph'> };

/**
 * The checker's findings on a record, beside the other records and the soil tests of its zone. A zone
 * that is gone from the lawn gives none.
 */
export function judgeRecord(
  record: JudgedRecord,
  lawn: JudgedLawn,
  others: readonly Judged[],
  policy: Company['policy'],
  samples: readonly Pick<ZoneSoil, 'zoneId' | 'report'>[],
): CheckFinding[] {
  const { airF, windMph } = record.weather;
  const context = judgeContext(lawn, record, {
    others,
    policy,
    samples,
    moment: record.moment,
    airF,
    windMph,
    kill: record.kill,
    ...(record.bloom === null ? {} : { bloom: record.bloom }),
    ...(record.paceMph === null ? {} : { paceMph: record.paceMph }),
    ...(record.calibratedMph === null ? {} : { calibratedMph: record.calibratedMph }),
  });
  return context ? checkApplication(record, context) : [];
}
