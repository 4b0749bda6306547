import { i18next } from '@/i18n';

/** A number with at most so many digits behind the point. */
export const number = (value: number, digits = 0): string =>
  value.toLocaleString(i18next.language, { maximumFractionDigits: digits });

/** Three significant figures, as rates are read. */
export const rate = (value: number): string =>
  value.toLocaleString(i18next.language, { maximumSignificantDigits: 3 });

/** A whole per cent of a share; under one per cent says so. */
export const percent = (share: number): string =>
  share > 0 && share < 0.005 ? '<1' : number(share * 100);

/** Reads what was typed; a comma is a point. `null` when it is no number. */
export function typedNumber(text: string): number | null {
  const cleaned = text.trim().replace(',', '.');
  if (cleaned === '') return null;
  const value = Number(cleaned);
  return Number.isFinite(value) ? value : null;
}
