import Papa from 'papaparse';

/** A table with a line of headings. */
export interface CsvTable {
  fields: string[];
  data: (string | number | boolean | null | undefined)[][];
}

/**
 * A table as CSV (RFC 4180). A text that a spreadsheet would take for a formula goes behind an
 * apostrophe; reading it in again takes that away.
 * @see OWASP, CSV Injection
 */
export const csvText = (table: CsvTable): string => Papa.unparse(table, { escapeFormulae: true });

/** A cell as it was before {@link csvText} made it harmless. */
export const plainCell = (cell: string): string => cell.replace(/^'(?=[=+\-@\t\r])/, '');
