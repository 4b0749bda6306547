import { locale } from '@/i18n';

/** A number with at most so many digits behind the point. */
export const number = (value: number, digits = 0): string =>
  value.toLocaleString(locale(), { maximumFractionDigits: digits });

/** Three significant figures, as rates are read. */
export const rate = (value: number): string =>
  value.toLocaleString(locale(), { maximumSignificantDigits: 3 });

/** A whole per cent of a share; under one per cent says so. */
export const percent = (share: number): string =>
  share > 0 && share < 0.005 ? '<1' : number(share * 100);

/** Money of the price list, with its cents. */
export const money = (value: number): string =>
  value.toLocaleString(locale(), { minimumFractionDigits: 2, maximumFractionDigits: 2 });
