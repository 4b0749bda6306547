import { checkApplication } from '../checker';
import { zoneArea } from '../lawn';
import type { ApplicationRecordBody } from './applicationRecord';
import type { Company } from './company';
import type { LawnBody } from './lawn';
import { lowPhosphorus } from './lowPhosphorus';
import type { SoilSampleBody } from './soilSample';

/**
 * The checker's findings on a record, beside the other records and the soil tests of its zone. A zone
 * that is gone from the lawn gives none.
 */
export function judgeRecord(
  record: ApplicationRecordBody & { id: string },
  lawn: Pick<LawnBody, 'zones'>,
  others: readonly (ApplicationRecordBody & { id: string })[],
  policy: Company['policy'],
  samples: readonly SoilSampleBody[],
): ReturnType<typeof checkApplication> {
  const zone = lawn.zones.find(({ id }) => id === record.zoneId);
  if (!zone) return [];
  const low = lowPhosphorus(samples, record.zoneId, record.date);
  return checkApplication(record, {
    stand: zone.stand,
    desired: zone.desired,
    zoneFt2: zoneArea(zone),
    others: others.filter((other) => other.zoneId === record.zoneId && other.id !== record.id),
    airHighF: record.weather.airF,
    windMph: record.weather.windMph,
    irrigated: zone.site.irrigated === true,
    certified: policy.certified,
    confirmedLabels: policy.confirmedLabels,
    ordinance: policy.ordinance,
    labels: policy.labels,
    ...(low === undefined ? {} : { lowPhosphorus: low }),
    ...(record.bloom == null ? {} : { bloom: record.bloom }),
    ...(record.paceMph == null ? {} : { paceMph: record.paceMph }),
    ...(record.calibratedMph == null ? {} : { calibratedMph: record.calibratedMph }),
  });
}
