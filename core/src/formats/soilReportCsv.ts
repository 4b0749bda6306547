import { csvNumber } from './csvNumber';
import { csvText } from './csvText';
import { soilReportSchema, type SoilReport } from '../fertility';
import { csvRows } from './csvRows';
import type { RowError } from './rowError';

const COLUMNS = [
  'bag',
  'reported_on',
  'ph',
  'buffer_ph',
  'buffer_method',
  'extractant',
  'p_ppm',
  'k_ppm',
  'mg_ppm',
  'ca_ppm',
  's_ppm',
  'om_pct',
  'ec_ds_m',
] as const;

/**
 * Reads a laboratory's reports, one bag a line. Units stand in the headings (ppm, per cent, dS/m).
 * Lines with a fault, or for a bag that is not among `bags`, are left out and named.
 */
export function parseSoilReportCsv(
  text: string,
  bags: readonly string[],
): { reports: { bagId: string; report: SoilReport }[]; errors: RowError[] } {
  const { rows, errors } = csvRows(text, COLUMNS, ['bag', 'reported_on', 'ph', 'extractant']);
  const reports: { bagId: string; report: SoilReport }[] = [];
  for (const { row, cells } of rows) {
    const bagId = cells.bag ?? '';
    if (!bags.includes(bagId)) {
      errors.push({ row, column: 'bag', message: `no bag “${bagId}” is waiting for a report` });
      continue;
    }
    const number = (value: string | undefined) =>
      value === undefined || value === '' ? null : csvNumber(value);
    const parsed = soilReportSchema.safeParse({
      reportedOn: cells.reported_on,
      ph: number(cells.ph),
      bufferPh: number(cells.buffer_ph),
      bufferMethod: cells.buffer_method ? cells.buffer_method.toLowerCase() : null,
      extractant: cells.extractant?.toLowerCase(),
      phosphorusPpm: number(cells.p_ppm),
      potassiumPpm: number(cells.k_ppm),
      magnesiumPpm: number(cells.mg_ppm),
      calciumPpm: number(cells.ca_ppm),
      sulfurPpm: number(cells.s_ppm),
      organicMatterPct: number(cells.om_pct),
      salinityDsM: number(cells.ec_ds_m),
    });
    if (parsed.success) reports.push({ bagId, report: parsed.data });
    else {
      for (const { path, message } of parsed.error.issues) {
        errors.push({ row, column: COLUMN_OF[String(path[0])] ?? null, message });
      }
    }
  }
  return { reports, errors };
}

const COLUMN_OF: Readonly<Record<string, (typeof COLUMNS)[number]>> = {
  reportedOn: 'reported_on',
  ph: 'ph',
  bufferPh: 'buffer_ph',
  bufferMethod: 'buffer_method',
  extractant: 'extractant',
  phosphorusPpm: 'p_ppm',
  potassiumPpm: 'k_ppm',
  magnesiumPpm: 'mg_ppm',
  calciumPpm: 'ca_ppm',
  sulfurPpm: 's_ppm',
  organicMatterPct: 'om_pct',
  salinityDsM: 'ec_ds_m',
};

/** Reports as CSV, in the columns that {@link parseSoilReportCsv} reads. */
export function writeSoilReportCsv(
  reports: readonly { bagId: string; report: SoilReport }[],
): string {
  return csvText({
    fields: [...COLUMNS],
    data: reports.map(({ bagId, report }) => [
      bagId,
      report.reportedOn,
      report.ph,
      report.bufferPh ?? '',
      report.bufferMethod ?? '',
      report.extractant,
      report.phosphorusPpm ?? '',
      report.potassiumPpm ?? '',
      report.magnesiumPpm ?? '',
      report.calciumPpm ?? '',
      report.sulfurPpm ?? '',
      report.organicMatterPct ?? '',
      report.salinityDsM ?? '',
    ]),
  });
}
