import { rotationRules, treatments, type Treatment } from '../knowledge';
import { preventionWindows } from '../knowledge/preventionWindows';
import { materialRatePerAcre } from '../rates';
import { labelledTreatment } from '../rates/labelled';
import {
  addDays,
  daysBetween,
  localDate,
  SQUARE_FEET_PER_ACRE,
  yearOf,
  type LocalDate,
} from '../units';
import type { Reason } from './reason';
import type { ProtectStep, TreatmentExclusion, Unmet } from './step';
import { highestAir } from './sprayDay';
import { earlier, type StepWindow } from './window';
import { nextWindow, stateOf, type ZoneCase } from './zoneCase';

/** Days within which damage that was found is treated. */
const TREAT_WITHIN_DAYS = 10;
/** Carrier on leaves and for what must reach the soil, gal per 1000 ft². */
const CARRIER = { leaf: 2, soil: 4 } as const;
/** Water that carries a product to the roots, in. */
const SOIL_WATER_IN = 0.1;

/** Use of treatments on the zone, the latest first. */
interface TreatmentUse {
  product: Treatment;
  perAcre: number;
  date: LocalDate;
}

function usesOf({ records }: ZoneCase): TreatmentUse[] {
  return records
    .flatMap((record) =>
      record.materials.flatMap((material) => {
        const product = treatments.find(
          ({ slug }) => material.kind === 'treatment' && slug === material.slug,
        );
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
function running(uses: readonly TreatmentUse[], product: Treatment): number {
  const own = uses.filter((use) => use.product.kind === product.kind);
  const other = own.findIndex((use) => use.product.group !== product.group);
  return other < 0 ? own.length : other;
}

function refusals(
  zoneCase: ZoneCase,
  cause: string,
  product: Treatment,
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
  const year = uses.filter(
    (use) => use.product.slug === product.slug && yearOf(use.date) === yearOf(date),
  );
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
  const never =
    product.kind === 'fungicide' && (rotationRules.neverTwice as readonly string[]).includes(cause);
  if (running(uses, product) >= (never ? 1 : rotationRules.mostRunning)) {
    refuse('R16-rotation', { mode: product.group });
  }
  return reasons;
}

/** The better product first: how well it works, how sure its label is, then its cost. */
const byWorth =
  (grade: (product: Treatment) => number) =>
  (a: Treatment, b: Treatment): number =>
    grade(b) - grade(a) ||
    Number(b.residential === 'yes') - Number(a.residential === 'yes') ||
    (a.usdPer1000Invented ?? 99) - (b.usdPer1000Invented ?? 99);

function windowFor(
  zoneCase: ZoneCase,
  cause: string,
  mode: 'curative' | 'preventive',
): StepWindow | null {
  const { today } = zoneCase.input;
  if (mode === 'curative') {
    return {
      opens: today,
      best: today,
      closes: addDays(today, TREAT_WITHIN_DAYS),
      basis: { kind: 'calendar' },
    };
  }
  const rule = preventionWindows.find((entry) => entry.cause === cause);
  return rule ? nextWindow(zoneCase.season, rule, today) : null;
}

/**
 * Treats or prevents an insect or a disease of a zone: the product that works best within its label,
 * the year and the rotation, and why the others were left out.
 */
export function protectStep(
  zoneCase: ZoneCase,
  cause: string,
  mode: 'curative' | 'preventive',
): { step: ProtectStep | null; unmet: Unmet[] } {
  const { input, zone, areaFt2, season } = zoneCase;
  const nothing = (rule: string) => ({
    step: null,
    unmet: [{ zoneId: zone.id, weed: cause, reason: { rule, inputs: { cause } } }],
  });
  const window = windowFor(zoneCase, cause, mode);
  if (!window) return nothing('protect-no-window');
  const airHighF = highestAir(season, window.best, earlier(addDays(window.best, 3), window.closes));
  const uses = usesOf(zoneCase);
  const grade = (product: Treatment) => product[mode];
  const excluded: TreatmentExclusion[] = [];
  const passing: { product: Treatment; rate: number }[] = [];
  const { labels } = input.policy;
  for (const entry of treatments) {
    const product = labelledTreatment(entry, labels);
    if (!product.targets.includes(cause)) continue;
    if (grade(product) === 0) {
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
    const reasons = refusals(zoneCase, cause, product, rate, window.best, airHighF, uses);
    if (reasons.length > 0) excluded.push({ treatment: product.slug, reasons });
    else passing.push({ product, rate });
  }
  const best = passing.sort((a, b) => byWorth(grade)(a.product, b.product))[0];
  if (!best || best.product.unit === null) return nothing('protect-no-product');
  const { product, rate } = best;
  const granular = product.form === 'granule';
  const water = product.waterInIn ?? 0;
  const step: ProtectStep = {
    id: `${zone.id}:protect:${cause}:${mode}:${yearOf(window.best)}`,
    kind: 'protect',
    zoneId: zone.id,
    window,
    state: stateOf(window, input.today),
    areaFt2,
    cause,
    mode,
    treatment: product.slug,
    unit: product.unit as ProtectStep['unit'],
    ratePerAcre: rate,
    total: (rate * areaFt2) / SQUARE_FEET_PER_ACRE,
    granular,
    carrierGalPer1000: granular ? null : water >= SOIL_WATER_IN ? CARRIER.soil : CARRIER.leaf,
    repeatDays: product.repeatDays ?? product.residualDays,
    gates: [
      ...(product.hotAboveF === null
        ? []
        : [{ kind: 'air' as const, minF: null, maxF: product.hotAboveF }]),
      { kind: 'wind', minMph: granular ? 0 : 3, maxMph: 10 },
      ...(water > 0
        ? [{ kind: 'water-in' as const, inches: [water, water] as [number, number], withinDays: 1 }]
        : [{ kind: 'dry-leaf-hours' as const, hours: 24 }]),
      { kind: 'not-frozen-or-saturated' },
      ...(product.beeHazard >= 2 ? [{ kind: 'no-bloom' as const }] : []),
    ],
    because: [
      { rule: mode === 'curative' ? 'protect-found' : 'protect-history', inputs: { cause } },
      {
        rule: 'protect-best',
        inputs: { mode: product.group, grade: grade(product), days: product.residualDays ?? 0 },
      },
    ],
    excluded,
  };
  return { step, unmet: [] };
}
