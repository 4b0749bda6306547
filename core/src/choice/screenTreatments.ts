import { rotationRules } from '../knowledge';
import type { ShelfTreatment } from '../products';
import { materialRatePerAcre } from '../rates';
import { daysBetween, localDate, yearOf, type LocalDate } from '../units';
import { feedRefusal } from './fed';
import { nitrogenRoom } from './nitrogen';
import { unnamedGrass } from './tolerance';
import type { Reason, TreatmentExclusion } from '../needs/reason';
import type { ZoneCase } from './zoneCase';

/** An insect or a disease to be treated, or kept from coming. */
export interface CauseTarget {
  cause: string;
  mode: 'curative' | 'preventive';
}

/** A treatment that passes every rule for a cause, at the rate that it would be used. */
export interface TreatmentCandidate {
  product: ShelfTreatment;
  ratePerAcre: number;
  /** How often it may be used and how much is left of it in the year, after what is on record. */
  left: { amount: number; count: number };
  /** Uses of its group in a row that resistance still allows. */
  rotation: number;
}

/** Use of treatments on the zone, the latest first. */
interface TreatmentUse {
  product: ShelfTreatment;
  perAcre: number;
  date: LocalDate;
}

function usesOf({ records, shelf }: ZoneCase): TreatmentUse[] {
  return records
    .flatMap((record) =>
      record.materials.flatMap((material) => {
        const product = material.kind === 'treatment' ? shelf.treatment(material.slug) : undefined;
        return product
          ? [
              {
                product,
                perAcre: materialRatePerAcre(material, record.areaFt2),
                date: localDate(record.date),
              },
            ]
          : [];
      }),
    )
    .sort((a, b) => (a.date < b.date ? 1 : -1));
}

/** How many of the latest uses of a kind were of one group without a break. */
function running(uses: readonly TreatmentUse[], product: ShelfTreatment): number {
  const own = uses.filter((use) => use.product.kind === product.kind);
  const other = own.findIndex((use) => use.product.group !== product.group);
  return other < 0 ? own.length : other;
}

/** How many uses of a product's group in a row a cause allows. */
function mostRunning(product: ShelfTreatment, cause: string): number {
  const never =
    product.kind === 'fungicide' && (rotationRules.neverTwice as readonly string[]).includes(cause);
  return never ? 1 : rotationRules.mostRunning;
}

const yearUses = (uses: readonly TreatmentUse[], product: ShelfTreatment, date: LocalDate) =>
  uses.filter((use) => use.product.slug === product.slug && yearOf(use.date) === yearOf(date));

function labelRefusals(
  zoneCase: ZoneCase,
  product: ShelfTreatment,
  rate: number,
  date: LocalDate,
  airHighF: number,
  uses: readonly TreatmentUse[],
): Reason[] {
  const { policy } = zoneCase.input;
  const reasons: Reason[] = [];
  const refuse = (rule: string, inputs: Reason['inputs'] = {}) => reasons.push({ rule, inputs });
  if (product.residential === 'no') refuse('R02-site');
  if (product.residential === 'check-label' && !policy.confirmedLabels.includes(product.slug)) {
    refuse('R10-label-unconfirmed');
  }
  if (product.restrictedUse && !policy.certified) refuse('R13-restricted-use');
  if (product.hotAboveF !== null && airHighF > product.hotAboveF) {
    refuse('R03-too-hot', { airHighF: Math.round(airHighF), maxF: product.hotAboveF });
  }
  const year = yearUses(uses, product, date);
  const used = year.reduce((sum, use) => sum + use.perAcre, 0);
  if (product.maxPerYear !== null && used + rate > product.maxPerYear) {
    refuse('R14-year-amount', {
      used,
      wanted: rate,
      max: product.maxPerYear,
      unit: product.unit ?? 'oz',
    });
  }
  if (product.maxApplications !== null && year.length + 1 > product.maxApplications) {
    refuse('R14-year-count', { used: year.length, max: product.maxApplications });
  }
  const last = uses.find((use) => use.product.slug === product.slug);
  if (last && product.minIntervalDays !== null) {
    const days = Math.abs(daysBetween(last.date, date));
    if (days < product.minIntervalDays) {
      refuse('R15-interval', { days, min: product.minIntervalDays });
    }
  }
  const off = unnamedGrass(product, zoneCase.grasses);
  if (off) refuse('R01-off-label', { species: off });
  const feeds = feedRefusal(product, rate, () => nitrogenRoom(zoneCase, date, airHighF));
  if (feeds) reasons.push(feeds);
  return reasons;
}

/**
 * What label, licence, heat, year and turf say against a treatment on a day, whatever it is for.
 * @returns reasons; none when it may be used
 */
export function treatmentRefusals(
  zoneCase: ZoneCase,
  product: ShelfTreatment,
  rate: number,
  date: LocalDate,
  airHighF: number,
): Reason[] {
  return labelRefusals(zoneCase, product, rate, date, airHighF, usesOf(zoneCase));
}

/** Every treatment against a cause: the ones that pass on a day, and why the others do not. */
export function screenTreatments(
  zoneCase: ZoneCase,
  { cause, mode }: CauseTarget,
  date: LocalDate,
  airHighF: number,
): { passing: TreatmentCandidate[]; excluded: TreatmentExclusion[] } {
  const uses = usesOf(zoneCase);
  const excluded: TreatmentExclusion[] = [];
  const passing: TreatmentCandidate[] = [];
  const { shelf, input } = zoneCase;
  const { policy } = input;
  for (const product of shelf.treatments) {
    if (!product.targets.includes(cause)) continue;
    if (policy.onlyShelf && !shelf.inStore.has(product.slug)) continue;
    if (product[mode] === 0) {
      excluded.push({
        treatment: product.slug,
        reasons: [{ rule: `R12-not-${mode}`, inputs: {} }],
      });
      continue;
    }
    if (!product.ratePerAcre) {
      excluded.push({ treatment: product.slug, reasons: [{ rule: 'R17-read-label', inputs: {} }] });
      continue;
    }
    // What has begun to feed is met in full; what is awaited by the low rate of a fungicide.
    const rate = product.ratePerAcre[mode === 'preventive' && product.kind === 'fungicide' ? 0 : 1];
    const reasons = labelRefusals(zoneCase, product, rate, date, airHighF, uses);
    if (running(uses, product) >= mostRunning(product, cause)) {
      reasons.push({ rule: 'R16-rotation', inputs: { mode: product.group } });
    }
    if (reasons.length > 0) {
      excluded.push({ treatment: product.slug, reasons });
      continue;
    }
    const year = yearUses(uses, product, date);
    passing.push({
      product,
      ratePerAcre: rate,
      left: {
        amount: (product.maxPerYear ?? Infinity) - year.reduce((sum, use) => sum + use.perAcre, 0),
        count: (product.maxApplications ?? Infinity) - year.length,
      },
      rotation: mostRunning(product, cause) - running(uses, product),
    });
  }
  return { passing, excluded };
}
