import type { Treatment } from '../knowledge';
import { preventionWindows } from '../knowledge/preventionWindows';
import { addDays, SQUARE_FEET_PER_ACRE, yearOf } from '../units';
import { screenTreatments, type CauseTarget } from '../choice/screenTreatments';
import type { ProtectStep, Unmet } from './step';
import { highestAir } from '../choice/sprayDay';
import { earlier, type StepWindow } from '../choice/window';
import { nextWindow, type ZoneCase } from '../choice/zoneCase';
import { stateOf } from './step';

/** Days within which damage that was found is treated. */
const TREAT_WITHIN_DAYS = 10;
/** Carrier on leaves and for what must reach the soil, gal per 1000 ft². */
const CARRIER = { leaf: 2, soil: 4 } as const;
/** Water that carries a product to the roots, in. */
const SOIL_WATER_IN = 0.1;

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
  mode: CauseTarget['mode'],
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
  mode: CauseTarget['mode'],
): { step: ProtectStep | null; unmet: Unmet[] } {
  const { input, zone, areaFt2, season } = zoneCase;
  const nothing = (rule: string) => ({
    step: null,
    unmet: [{ zoneId: zone.id, weed: cause, reason: { rule, inputs: { cause } } }],
  });
  const window = windowFor(zoneCase, cause, mode);
  if (!window) return nothing('protect-no-window');
  const airHighF = highestAir(season, window.best, earlier(addDays(window.best, 3), window.closes));
  const grade = (product: Treatment) => product[mode];
  const { passing, excluded } = screenTreatments(zoneCase, { cause, mode }, window.best, airHighF);
  const best = passing.sort((a, b) => byWorth(grade)(a.product, b.product))[0];
  if (!best || best.product.unit === null) return nothing('protect-no-product');
  const { product, ratePerAcre: rate } = best;
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
