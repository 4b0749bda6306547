import Papa from 'papaparse';
import { plainCell } from './csvText';
import type { RowError } from './rowError';

/** A table read from CSV: its cells by column name. */
export interface CsvRows<Column extends string> {
  rows: { row: number; cells: Partial<Record<Column, string>> }[];
  errors: RowError[];
}

/**
 * Reads CSV with a header. Headings are matched without regard to case, spaces and underscores;
 * columns that are not asked for are left out, and required ones that are missing are errors.
 */
export function csvRows<Column extends string>(
  text: string,
  columns: readonly Column[],
  required: readonly Column[],
): CsvRows<Column> {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [header, ...body] = parsed.data;
  if (!header) {
    return { rows: [], errors: [{ row: 1, column: null, message: 'the file is empty' }] };
  }
  const plain = (name: string) => name.toLowerCase().replace(/[\s_-]+/g, '');
  const index = new Map<Column, number>();
  for (const column of columns) {
    const at = header.findIndex((cell) => plain(cell) === plain(column));
    if (at >= 0) index.set(column, at);
  }
  const errors: RowError[] = required
    .filter((column) => !index.has(column))
    .map((column) => ({ row: 1, column, message: `there is no column ${column}` }));
  for (const { row, message } of parsed.errors) {
    if (row !== undefined) errors.push({ row: row + 1, column: null, message });
  }
  const rows = body.map((cells, at) => ({
    row: at + 2,
    cells: Object.fromEntries(
      [...index].map(([column, place]) => [column, plainCell((cells[place] ?? '').trim())]),
    ) as Partial<Record<Column, string>>,
  }));
  return { rows: errors.some(({ row }) => row === 1) ? [] : rows, errors };
}
