/** One thing wrong with an imported file, at its row. */
export interface RowError {
  /** 1 is the header line. */
  row: number;
  column: string | null;
  message: string;
}
