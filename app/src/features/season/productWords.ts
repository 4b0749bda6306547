import {
  areaInterval,
  measuredAmount,
  LIBRARY,
  mixComponents,
  perAcre,
  toPer1000,
  type Fertilizer,
  type ProductUnit,
  type ProtectStep,
  type Shelf,
  type Step,
  type Zone,
} from '@alfombra/core';
import type { TFunction } from 'i18next';
import { number, rate } from '@/ui';

/** Name, rate and amount of each product of a step, as lines. */
export interface ProductLine {
  slug: string;
  name: string;
  unit: string;
  /** Unit that the amount is measured in; `null`: it is counted. */
  measure: ProtectStep['unit'] | ProductUnit | null;
  ratePerAcre: number;
  ratePer1000: number;
  total: number;
}

/** Name of anything that is put down. */
export function materialName(
  t: TFunction,
  { kind, slug }: { kind: string; slug: string },
  shelf: Shelf,
): string {
  if (kind === 'seed')
    return t(shelf.seed(slug)?.parts.length === 1 ? `grass.${slug}` : `seedMix.${slug}`);
  if (kind === 'plugs') return t(`grass.${slug}`);
  const feed = kind === 'fertilizer' ? shelf.fertilizer(slug) : undefined;
  return feed ? gradeName(feed) : t(`${kind}.${slug}`);
}

/** The products of a step with their rates; empty for looking again. */
export function productLines(t: TFunction, step: Step): ProductLine[] {
  switch (step.kind) {
    case 'prevent':
    case 'control':
      // A recipe is shown by its components: nobody measures a dose. Names and units are the library's.
      return mixComponents(step.products, LIBRARY).map(({ product, ratePerAcre }) => ({
        slug: product.slug,
        name: t(`herbicide.${product.slug}`),
        unit: t(`unit.${product.unit}`),
        measure: product.unit,
        ratePerAcre,
        ratePer1000: toPer1000(perAcre(ratePerAcre)),
        total: (ratePerAcre * step.areaFt2) / 43_560,
      }));
    case 'protect':
      return [
        {
          slug: step.treatment,
          name: t(`treatment.${step.treatment}`),
          unit: t(`unit.${step.unit}`),
          measure: step.unit,
          ratePerAcre: step.ratePerAcre,
          ratePer1000: toPer1000(perAcre(step.ratePerAcre)),
          total: step.total,
        },
      ];
    case 'feed':
      return [
        {
          slug: step.fertilizer,
          name: gradeName(step),
          unit: t('unit.lb'),
          measure: 'lb',
          ratePerAcre: step.productLbPer1000 * 43.56,
          ratePer1000: step.productLbPer1000,
          total: step.totalLb,
        },
      ];
    case 'seed':
      return [
        {
          slug: step.species,
          name: t(`grass.${step.species}`),
          unit: step.material === 'plugs' ? '' : t('unit.lb'),
          measure: step.material === 'plugs' ? null : 'lb',
          ratePerAcre: step.ratePer1000 * 43.56,
          ratePer1000: step.ratePer1000,
          total: step.total,
        },
      ];
    case 'look-again':
      return [];
  }
}

/** "24-0-11": the bag's own grade. */
export const gradeName = ({ grade }: Pick<Fertilizer, 'grade'>): string => grade.join('-');

/** "1.47 fl oz per 1,000 ft²". */
export const per1000Words = (t: TFunction, line: ProductLine): string =>
  t('season.per1000', { value: rate(line.ratePer1000), unit: line.unit }).replace('  ', ' ');

/** How far the amounts of a zone may be off, for its area is only known within an interval. */
export interface AreaDoubt {
  /** Lowest and highest area over the area that the amounts are worked out for. */
  low: number;
  high: number;
}

/** The doubt of the area of zones together, which err apart; `null` when it is too small to be worth a line. */
export function areaDoubt(zones: readonly Zone[]): AreaDoubt | null {
  const each = zones.map((zone) => areaInterval(zone));
  const areaFt2 = each.reduce((sum, one) => sum + one.areaFt2, 0);
  if (areaFt2 <= 0) return null;
  const doubt = {
    low: 1 - Math.hypot(...each.map((one) => one.areaFt2 - one.low)) / areaFt2,
    high: 1 + Math.hypot(...each.map((one) => one.high - one.areaFt2)) / areaFt2,
  };
  return doubt.high - 1 < WORTH_SAYING ? null : doubt;
}

/** Under this share nobody measures a product more exactly anyway. */
const WORTH_SAYING = 0.02;

/** The amount at the ends of the area's interval. */
export const doubtWords = (t: TFunction, line: ProductLine, { low, high }: AreaDoubt): string =>
  t('mix.amountBetween', {
    low: rate(line.total * low),
    high: `${rate(line.total * high)} ${line.unit}`.trim(),
  });

/** "8.8 fl oz for 6,000 ft²"; what no cup holds in the unit of the tool that does, or that none does. */
export function amountWords(t: TFunction, line: ProductLine, areaFt2: number): string {
  const area = number(areaFt2);
  const { measure, total } = line;
  const measured =
    measure === 'fl-oz' || measure === 'oz' || measure === 'lb'
      ? measuredAmount(total, measure)
      : null;
  if (measured?.value === 0) return t('mix.tooSmall', { area });
  const value =
    measured && measured.unit !== measure
      ? `${number(measured.value, 2)} ${t(`unit.${measured.unit}`)}`
      : `${rate(total)} ${line.unit}`.trim();
  return t('mix.amount', { value, area });
}
