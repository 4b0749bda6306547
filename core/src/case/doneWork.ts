import type { ApplicationRecord } from '../contract/applicationRecord';

/** Records by the piece of work that they were written down as, in their order: one over several zones stands once. */
export function doneWork<Row extends { id: string; batchId?: string | null }>(
  records: readonly Row[],
): Row[][] {
  const works = new Map<string, Row[]>();
  for (const record of records) {
    const work = record.batchId ?? record.id;
    works.set(work, [...(works.get(work) ?? []), record]);
  }
  return [...works.values()];
}

/** What was put down over all zones of one piece of work: its ground, its amounts and its water added. */
export function totalOf(
  work: readonly Pick<ApplicationRecord, 'areaFt2' | 'materials' | 'carrierGal'>[],
): Pick<ApplicationRecord, 'areaFt2' | 'materials' | 'carrierGal'> {
  const materials = new Map<string, ApplicationRecord['materials'][number]>();
  for (const material of work.flatMap((record) => record.materials)) {
    const key = `${material.kind} ${material.slug} ${material.unit}`;
    const known = materials.get(key);
    materials.set(key, known ? { ...known, amount: known.amount + material.amount } : material);
  }
  const gallons = work.flatMap(({ carrierGal }) => carrierGal ?? []);
  return {
    areaFt2: work.reduce((sum, { areaFt2 }) => sum + areaFt2, 0),
    materials: [...materials.values()],
    carrierGal: gallons.length === 0 ? null : gallons.reduce((sum, gal) => sum + gal, 0),
  };
}
