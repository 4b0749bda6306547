import { countingRules, groupYears, rotationRules } from '../knowledge';
import type { ShelfTreatment } from '../products';
import { materialRatePerAcre } from '../rates';
import { daysBetween, localDate, yearOf, type LocalDate } from '../units';
import { feedRefusal } from './fed';
import { nitrogenRoom } from './nitrogen';
import { setbackRefusals } from './setback';
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

/** Use of treatments on the zone, on record or planned, the latest first. */
interface TreatmentUse {
  product: ShelfTreatment;
  perAcre: number;
  date: LocalDate;
}

function usesOf({ records, planned, shelf }: ZoneCase): TreatmentUse[] {
  return [...records, ...planned]
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

/** How many uses of a product's group stand in a row with one more on a day, that one not counted. */
function running(uses: readonly TreatmentUse[], product: ShelfTreatment, date: LocalDate): number {
  const own = uses.filter((use) => use.product.kind === product.kind);
  const inARow = (list: readonly TreatmentUse[]) => {
    const other = list.findIndex((use) => use.product.group !== product.group);
    return other < 0 ? list.length : other;
  };
  return (
    inARow(own.filter((use) => use.date <= date)) +
    inARow(own.filter((use) => use.date > date).reverse())
  );
}

/** How many uses of a product's group in a row a cause allows. */
function mostRunning(product: ShelfTreatment, cause: string): number {
  const never =
    product.kind === 'fungicide' && (rotationRules.neverTwice as readonly string[]).includes(cause);
  return never ? 1 : rotationRules.mostRunning;
}

const yearUses = (uses: readonly TreatmentUse[], product: ShelfTreatment, date: LocalDate) =>
  uses.filter((use) => use.product.slug === product.slug && yearOf(use.date) === yearOf(date));

/** Amount per acre in the year of a day, or in the half years around it if that is more. */
function usedOf(uses: readonly TreatmentUse[], product: ShelfTreatment, date: LocalDate): number {
  const same = uses.filter((use) => use.product.slug === product.slug);
  const sum = (list: readonly TreatmentUse[]) =>
    list.reduce((total, use) => total + use.perAcre, 0);
  return Math.max(
    sum(same.filter((use) => yearOf(use.date) === yearOf(date))),
    sum(same.filter((use) => Math.abs(daysBetween(use.date, date)) < countingRules.seasonDays)),
  );
}

/** Whether the year still allows one more day with a mode of action, over every product of it. */
function groupRefusals(
  product: ShelfTreatment,
  date: LocalDate,
  uses: readonly TreatmentUse[],
): Reason[] {
  const max = groupYears[product.group];
  if (max === undefined || product.kind === 'growth-regulator') return [];
  const days = new Set(
    uses
      .filter(
        (use) =>
          use.product.group === product.group &&
          use.product.kind === product.kind &&
          yearOf(use.date) === yearOf(date) &&
          use.date !== date,
      )
      .map((use) => use.date),
  );
  return days.size + 1 > max
    ? [{ rule: 'R14-group-year', inputs: { mode: product.group, used: days.size, max } }]
    : [];
}

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
  const used = usedOf(uses, product, date);
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
  const days = Math.min(
    ...uses
      .filter((use) => use.product.slug === product.slug)
      .map((use) => Math.abs(daysBetween(use.date, date))),
  );
  if (product.minIntervalDays !== null && days < product.minIntervalDays) {
    refuse('R15-interval', { days, min: product.minIntervalDays });
  }
  reasons.push(...groupRefusals(product, date, uses));
  reasons.push(...setbackRefusals(zoneCase.near, product));
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
    if (running(uses, product, date) >= mostRunning(product, cause)) {
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
        amount: (product.maxPerYear ?? Infinity) - usedOf(uses, product, date),
        count: (product.maxApplications ?? Infinity) - year.length,
      },
      rotation: mostRunning(product, cause) - running(uses, product, date),
    });
  }
  return { passing, excluded };
}
