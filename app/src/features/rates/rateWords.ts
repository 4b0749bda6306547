import { measuredAmount, perAcre, toPer1000 } from '@alfombra/core';
import type { MovedFigure, RateCardRow } from '@alfombra/core/planning';
import type { TFunction } from 'i18next';
import { number, rate } from '@/ui';

/** "1.47 fl oz": what goes on 1,000 ft², as it is measured out; `null` where nothing goes. */
export function per1000Rate(t: TFunction, { ratePerAcre, unit }: RateCardRow): string | null {
  return ratePerAcre === null
    ? null
    : `${rate(toPer1000(perAcre(ratePerAcre)))} ${t(`unit.${unit}`)}`;
}

/** The label's own range per acre on this grass. */
export function labelRange(t: TFunction, row: RateCardRow): string {
  const { lightPerAcre, fullPerAcre } = row;
  if (fullPerAcre === null) return t('rateCard.readLabel');
  const unit = t(`unit.${row.unit}`);
  const high = rate(fullPerAcre);
  return lightPerAcre === null || rate(lightPerAcre) === high
    ? t('rateCard.one', { high, unit })
    : t('rateCard.range', { low: rate(lightPerAcre), high, unit });
}

/** Amount for an area in the unit of the tool that holds it. */
export function totalWords(t: TFunction, row: RateCardRow, areaFt2: number): string | null {
  if (row.ratePerAcre === null) return null;
  const total = (toPer1000(perAcre(row.ratePerAcre)) * areaFt2) / 1000;
  const measured =
    row.unit === 'fl-oz' || row.unit === 'oz' || row.unit === 'lb'
      ? measuredAmount(total, row.unit)
      : null;
  return measured && measured.value > 0
    ? `${number(measured.value, 2)} ${t(`unit.${measured.unit}`)}`
    : `${rate(total)} ${t(`unit.${row.unit}`)}`;
}

const span = (t: TFunction, low: number | null, high: number | null, digits: number): string => {
  const say = (value: number | null) =>
    value === null ? t('rateCard.notSoon') : number(value, digits);
  return say(low) === say(high) ? say(low) : `${say(low)}–${say(high)}`;
};

/** Both figures of what the soil moves. */
export function movedWords(t: TFunction, { kind, table, here }: MovedFigure): string {
  return kind === 'nitrogen'
    ? t('rateCard.moved.nitrogen', { here: number(here[1] ?? 0, 2), table: number(table[1], 2) })
    : t(`rateCard.moved.${kind}`, {
        here: span(t, here[0], here[1], 0),
        table: span(t, table[0], table[1], 0),
      });
}
