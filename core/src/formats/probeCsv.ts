import { csvText } from './csvText';
import { probeReadingSchema, type ProbeReading } from '../weather';
import { csvRows } from './csvRows';
import type { RowError } from './rowError';

const COLUMNS = ['zone', 'date', 'hour', 'depth_in', 'values_f'] as const;
const bodySchema = probeReadingSchema.omit({ id: true });

/**
 * Reads soil thermometer readings: one row a reading, its spots in °F apart by spaces, the zone by
 * its name on the lawn.
 */
export function parseProbeCsv(
  text: string,
  zones: readonly { id: string; name: string }[],
): { readings: Omit<ProbeReading, 'id'>[]; errors: RowError[] } {
  const { rows, errors } = csvRows(text, COLUMNS, COLUMNS);
  const readings: Omit<ProbeReading, 'id'>[] = [];
  const found: RowError[] = [...errors];
  for (const { row, cells } of rows) {
    const name = (cells.zone ?? '').toLowerCase();
    const zone = zones.find((entry) => entry.name.toLowerCase() === name);
    if (!zone) {
      found.push({
        row,
        column: 'zone',
        message: `no zone is called "${cells.zone}"; there are ${zones.map((z) => z.name).join(', ')}`,
      });
      continue;
    }
    const parsed = bodySchema.safeParse({
      zoneId: zone.id,
      date: cells.date,
      hour: Number(cells.hour),
      depthIn: Number(cells.depth_in),
      valuesF: (cells.values_f ?? '').split(/\s+/).filter(Boolean).map(Number),
    });
    if (parsed.success) readings.push(parsed.data);
    else {
      const column = { hour: 'hour', depthIn: 'depth_in', valuesF: 'values_f' };
      for (const issue of parsed.error.issues) {
        const field = String(issue.path[0] ?? '');
        found.push({
          row,
          column: column[field as keyof typeof column] ?? field,
          message: issue.message,
        });
      }
    }
  }
  return { readings, errors: found };
}

/** Readings as CSV, in the columns that {@link parseProbeCsv} reads. */
export function writeProbeCsv(
  readings: readonly ProbeReading[],
  zones: readonly { id: string; name: string }[],
): string {
  const nameOf = new Map(zones.map(({ id, name }) => [id, name]));
  return csvText({
    fields: [...COLUMNS],
    data: readings.map(({ zoneId, date, hour, depthIn, valuesF }) => [
      nameOf.get(zoneId) ?? '',
      date,
      hour,
      depthIn,
      valuesF.join(' '),
    ]),
  });
}
