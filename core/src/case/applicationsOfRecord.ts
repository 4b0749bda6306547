import type { z } from 'zod';
import type { workRecordSchema } from '../contract/commands';
import type { Application } from '../rates';

/** A record zone by zone: its amounts are shared out by area. */
export const applicationsOfRecord = ({
  id,
  jobId,
  date,
  zones,
  materials,
  effect,
  targets,
}: z.output<typeof workRecordSchema>): Application[] => {
  const total = zones.reduce((sum, { areaFt2 }) => sum + areaFt2, 0);
  return zones.map(({ zoneId, areaFt2 }) => ({
    id: zones.length === 1 ? id : `${id}@${zoneId}`,
    zoneId,
    date,
    areaFt2,
    materials: materials.map((material) => ({
      ...material,
      amount: (material.amount * areaFt2) / total,
    })),
    ...(jobId === undefined ? {} : { stepId: jobId }),
    ...(effect === undefined ? {} : { effect }),
    ...(targets === undefined ? {} : { targets }),
  }));
};
