const DECIMAL = /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i;

/** A cell as a number; `NaN` for anything but a decimal one: `0x40` is no 64 °F, and nothing is no 0. */
export const csvNumber = (cell: string): number => (DECIMAL.test(cell.trim()) ? Number(cell) : NaN);
