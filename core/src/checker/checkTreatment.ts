import { rotationRules } from '../knowledge';
import type { Shelf, ShelfTreatment } from '../products';
import type { Application } from '../rates';
import { daysBetween, localDate } from '../units';
import { shelfIn, type CheckContext } from './checkContext';
import type { CheckFinding } from './finding';

const ACRE_FT2 = 43_560;
const ROUNDING = 1.005;

interface Use {
  product: ShelfTreatment;
  perAcre: number;
  date: string;
  targets: readonly string[];
}

const usesOf = (application: Application & { targets?: readonly string[] }, shelf: Shelf): Use[] =>
  application.materials.flatMap((material) => {
    const product = material.kind === 'treatment' ? shelf.treatment(material.slug) : undefined;
    return product
      ? [
          {
            product,
            perAcre: (material.amount / application.areaFt2) * ACRE_FT2,
            date: application.date,
            // In a tank of several, each product counts against what it is for.
            targets: application.targets
              ? product.targets.filter((cause) => application.targets?.includes(cause))
              : product.targets,
          },
        ]
      : [];
  });

/** How many of the latest uses before a day, counted back without a break, were of one group. */
function running(use: Use, earlier: readonly Use[]): number {
  const before = earlier
    .filter(({ date, product }) => date < use.date && product.kind === use.product.kind)
    .sort((a, b) => (a.date < b.date ? 1 : -1));
  const other = before.findIndex(({ product }) => product.group !== use.product.group);
  return other < 0 ? before.length : other;
}

/** Judges insecticides, fungicides and growth regulators: label, year, interval, rotation, bees. */
export function checkTreatments(
  application: Application & { targets?: readonly string[] },
  context: CheckContext,
): CheckFinding[] {
  const shelf = shelfIn(context);
  const earlier = context.others.flatMap((other) => usesOf(other, shelf));
  return usesOf(application, shelf).flatMap((use) => {
    const { product, perAcre, date } = use;
    const findings: CheckFinding[] = [];
    const say = (
      rule: CheckFinding['rule'],
      severity: CheckFinding['severity'],
      inputs: CheckFinding['inputs'] = {},
    ) => findings.push({ rule, severity, material: product.slug, inputs });
    const unit = product.unit ?? '';
    if (!product.ratePerAcre) say('read-the-label', 'caution');
    else if (perAcre > product.ratePerAcre[1] * ROUNDING) {
      say('rate-over-label', 'exceeds', { rate: perAcre, max: product.ratePerAcre[1], unit });
    }
    const same = earlier.filter((other) => other.product.slug === product.slug);
    const year = same.filter((other) => other.date.slice(0, 4) === date.slice(0, 4));
    const yearRate = year.reduce((sum, other) => sum + other.perAcre, perAcre);
    if (product.maxPerYear !== null && yearRate > product.maxPerYear * ROUNDING) {
      say('year-amount', 'exceeds', { rate: yearRate, max: product.maxPerYear, unit });
    }
    if (product.maxApplications !== null && year.length + 1 > product.maxApplications) {
      say('year-count', 'exceeds', { count: year.length + 1, max: product.maxApplications });
    }
    const gaps = same.map((other) => Math.abs(daysBetween(localDate(other.date), localDate(date))));
    const gap = gaps.length > 0 ? Math.min(...gaps) : null;
    if (gap !== null && product.minIntervalDays !== null && gap < product.minIntervalDays) {
      say('interval', 'exceeds', { days: gap, min: product.minIntervalDays });
    }
    if (product.residential === 'no') say('not-for-home-lawns', 'exceeds');
    if (
      product.residential === 'check-label' &&
      !(context.confirmedLabels ?? []).includes(product.slug)
    ) {
      say('label-unconfirmed', 'caution');
    }
    if (product.restrictedUse && context.certified !== true) say('licence-needed', 'exceeds');
    if (
      product.hotAboveF !== null &&
      context.airHighF !== undefined &&
      context.airHighF > product.hotAboveF
    ) {
      say('too-hot', 'exceeds', { airHighF: context.airHighF, max: product.hotAboveF });
    }
    if (product.beeHazard >= 2 && context.bloom === true) say('bloom', 'exceeds');
    const before = running(use, earlier);
    const never = use.targets.some((cause) =>
      (rotationRules.neverTwice as readonly string[]).includes(cause),
    );
    const most = product.kind === 'fungicide' && never ? 1 : rotationRules.mostRunning;
    if (product.kind !== 'growth-regulator' && product.kind !== 'wetting-agent' && before >= most) {
      say('rotation', never && product.kind === 'fungicide' ? 'exceeds' : 'caution', {
        mode: product.group,
        count: before + 1,
        max: most,
      });
    }
    if (
      product.waterInIn !== null &&
      product.waterInIn === 0 &&
      context.rainSoonIn !== undefined &&
      context.rainSoonIn >= 0.1
    ) {
      say('rain', 'caution', { rain: context.rainSoonIn });
    }
    return findings;
  });
}
