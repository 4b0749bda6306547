import { dayRules, rotationRules } from '../knowledge';
import type { Shelf, ShelfTreatment } from '../products';
import { localDate } from '../units';
import {
  hottest,
  perAcreOf,
  ROUNDING,
  shelfIn,
  type CheckContext,
  type Judged,
  type Use,
} from './checkContext';
import { checkGroupYear, checkUses } from './checkUses';
import { checkTurfNamed } from './checkFertilizer';
import { checkPermit } from './checkSite';
import { findingsBy, type CheckFinding } from './finding';

const usesOf = (application: Judged, shelf: Shelf, zoneFt2: number): Use<ShelfTreatment>[] =>
  application.materials.flatMap((material) => {
    const product = material.kind === 'treatment' ? shelf.treatment(material.slug) : undefined;
    if (!product) return [];
    return [
      {
        product,
        rate: perAcreOf(material.amount, application.areaFt2),
        date: localDate(application.date),
        share: application.areaFt2 / zoneFt2,
        // In a tank of several, each product counts against what it is for.
        targets: application.targets
          ? product.targets.filter((cause) => application.targets?.includes(cause))
          : null,
      },
    ];
  });

/** How many of the latest uses before a day, counted back without a break, were of one group. */
function running(use: Use<ShelfTreatment>, earlier: readonly Use<ShelfTreatment>[]): number {
  const before = earlier
    .filter(({ date, product }) => date < use.date && product.kind === use.product.kind)
    .sort((a, b) => (a.date < b.date ? 1 : -1));
  const other = before.findIndex(({ product }) => product.group !== use.product.group);
  return other < 0 ? before.length : other;
}

/** Judges insecticides, fungicides and growth regulators: label, year, interval, rotation, bees. */
export function checkTreatments(application: Judged, context: CheckContext): CheckFinding[] {
  const shelf = shelfIn(context);
  const others = context.others.flatMap((other) => usesOf(other, shelf, context.zoneFt2));
  return usesOf(application, shelf, context.zoneFt2).flatMap((use) => {
    const { product, rate } = use;
    return findingsBy(product.slug, (say) => {
      const unit = product.unit ?? '';
      if (!product.ratePerAcre) say('read-the-label', 'caution');
      else if (rate > product.ratePerAcre[1] * ROUNDING) {
        say('rate-over-label', 'exceeds', { rate, max: product.ratePerAcre[1], unit });
      }
      const same = others.filter((other) => other.product.slug === product.slug);
      checkUses(use, same, { ...product, unit }, say);
      checkGroupYear(
        product.group,
        use,
        others.filter(
          (other) => other.product.group === product.group && other.product.kind === product.kind,
        ),
        say,
      );
      checkPermit(product, context, say);
      checkTurfNamed(product, context, say);
      const air = hottest(context);
      if (product.hotAboveF !== null && air !== undefined && air > product.hotAboveF) {
        say('too-hot', 'exceeds', { airHighF: air, max: product.hotAboveF });
      }
      if (product.beeHazard >= 2 && context.bloom === true) say('bloom', 'exceeds');

      const before = running(use, others);
      const rotates = product.kind !== 'growth-regulator' && product.kind !== 'wetting-agent';
      const neverTwice: readonly string[] = rotationRules.neverTwice;
      const strict =
        product.kind === 'fungicide' &&
        (use.targets ?? product.targets).some((cause) => neverTwice.includes(cause));
      const most = strict ? 1 : rotationRules.mostRunning;
      if (rotates && before >= most) {
        const inputs = { mode: product.group, count: before + 1, max: most };
        // Meant for nobody knows what, it may have been for a disease that the rule is not about.
        if (strict && use.targets !== null) say('rotation', 'exceeds', inputs);
        else say('rotation', 'caution', inputs);
      }
      if (product.waterInIn === 0 && (context.rainSoonIn ?? 0) >= dayRules.rainOnLeaf) {
        say('rain', 'caution', { rain: context.rainSoonIn as number });
      }
    });
  });
}
