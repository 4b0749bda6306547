import { amendmentProducts } from '../knowledge';
import type { Shelf } from '../products';
import type { Application } from '../rates';
import { localDate, monthOf } from '../units';
import { shelfIn, type CheckContext } from './checkContext';
import type { CheckFinding } from './finding';

const ROUNDING = 1.005;
const FROZEN_F = 32;
/** A pace this far from the calibrated one is worth a word; one over the label is a breach. */
const PACE_TOLERANCE = 1.1;
const HEAT_F = 85;
/** In heat the most that is put down of a salt or a stone at once. */
const HEAT_SHARE = 0.5;

const within = (day: string, [from, to]: readonly [string, string]): boolean =>
  from <= to ? day >= from && day <= to : day >= from || day <= to;

const per1000 = (amount: number, areaFt2: number): number => (amount / areaFt2) * 1000;

function nutrients(application: Application, shelf: Shelf): { n: number; p: number } {
  const sum = { n: 0, p: 0 };
  for (const material of application.materials) {
    const grade =
      material.kind === 'fertilizer' ? shelf.fertilizer(material.slug)?.grade : undefined;
    if (!grade) continue;
    const lb = per1000(material.amount, application.areaFt2);
    sum.n += (lb * grade[0]) / 100;
    sum.p += (lb * grade[1]) / 100;
  }
  return sum;
}

/** Judges the day and the walk: frost, wetness, rain, pace, and what the place has ruled. */
export function checkDay(application: Application, context: CheckContext): CheckFinding[] {
  const findings: CheckFinding[] = [];
  const shelf = shelfIn(context);
  const say = (
    rule: CheckFinding['rule'],
    severity: CheckFinding['severity'],
    inputs: CheckFinding['inputs'] = {},
    material: string | null = null,
  ) => findings.push({ rule, severity, material, inputs });
  const kinds = new Set(application.materials.map(({ kind }) => kind));
  const sprayed = kinds.has('herbicide') || kinds.has('treatment');
  const ground = kinds.has('fertilizer') || kinds.has('amendment');
  const frozen = context.soilF !== undefined && context.soilF <= FROZEN_F;
  if (frozen && (sprayed || kinds.has('fertilizer'))) {
    say('frozen', 'exceeds', { soilF: context.soilF as number });
  }
  if (context.saturated === true && (sprayed || ground)) say('saturated', 'exceeds');

  for (const material of application.materials) {
    const foliar = material.kind === 'herbicide' ? shelf.herbicide(material.slug) : undefined;
    if (foliar?.postEmergent && !foliar.preEmergent) {
      const { rainInHours } = context;
      const fast = foliar.rainfastHours ?? foliar.water.keepDryHours;
      if (rainInHours !== undefined && fast !== null && rainInHours < fast) {
        say('rain', 'exceeds', { hours: rainInHours, min: fast }, foliar.slug);
      }
      if (context.leafWet === true) say('wet-leaf', 'caution', {}, foliar.slug);
    }
    const { paceMph, calibratedMph } = context;
    if (paceMph !== undefined && calibratedMph !== undefined && paceMph > 0) {
      const factor = calibratedMph / paceMph;
      const perAcre = (material.amount / application.areaFt2) * 43_560;
      const most =
        foliar?.maxPerApplication ??
        (material.kind === 'treatment'
          ? shelf.treatment(material.slug)?.ratePerAcre?.[1]
          : undefined);
      const over = most !== undefined && perAcre * factor > most * ROUNDING;
      if (factor > PACE_TOLERANCE || (factor > ROUNDING && over)) {
        say(
          'pace',
          over ? 'exceeds' : 'caution',
          { pace: paceMph, calibrated: calibratedMph, percent: Math.round(100 * (factor - 1)) },
          material.slug,
        );
      }
    }
    if (material.kind === 'amendment') {
      const product = amendmentProducts.find(({ slug }) => slug === material.slug);
      const lb = per1000(material.amount, application.areaFt2);
      const hot = context.airHighF !== undefined && context.airHighF >= HEAT_F;
      const most = product ? product.once * (hot ? HEAT_SHARE : 1) : Infinity;
      if (product && lb > most * ROUNDING) {
        say('amount-once', 'exceeds', { amount: lb, max: most, unit: product.unit }, product.slug);
      }
      if (product?.year) {
        const year = context.others
          .filter(({ date }) => date.slice(0, 4) === application.date.slice(0, 4))
          .reduce(
            (sum, other) =>
              sum +
              other.materials
                .filter(({ slug }) => slug === product.slug)
                .reduce((own, { amount }) => own + per1000(amount, other.areaFt2), 0),
            lb,
          );
        if (year > product.year * ROUNDING) {
          say('amendment-year', 'exceeds', { amount: year, max: product.year }, product.slug);
        }
      }
    }
  }

  const { n, p } = nutrients(application, shelf);
  const { ordinance } = context;
  if (ordinance && n + p > 0) {
    const day = application.date.slice(5);
    if (ordinance.blackout && within(day, ordinance.blackout)) {
      say('blackout', 'exceeds', { from: ordinance.blackout[0], to: ordinance.blackout[1] });
    }
    if (ordinance.mostNitrogen !== null && n > ordinance.mostNitrogen * ROUNDING) {
      say('ordinance-nitrogen', 'exceeds', { lb: n, max: ordinance.mostNitrogen });
    }
    const year = context.others
      .filter(({ date }) => date.slice(0, 4) === application.date.slice(0, 4))
      .reduce((sum, other) => sum + nutrients(other, shelf).n, n);
    if (ordinance.mostNitrogenYear !== null && year > ordinance.mostNitrogenYear * ROUNDING) {
      say('ordinance-nitrogen', 'exceeds', { lb: year, max: ordinance.mostNitrogenYear });
    }
    const seeded =
      kinds.has('seed') ||
      context.others.some(
        ({ date, materials }) =>
          materials.some(({ kind }) => kind === 'seed') &&
          date.slice(0, 4) === application.date.slice(0, 4) &&
          Math.abs(monthOf(localDate(date)) - monthOf(localDate(application.date))) <= 3,
      );
    if (ordinance.phosphorusNeedsReason && p > 0 && !seeded && context.lowPhosphorus !== true) {
      say('phosphorus', 'exceeds', { lb: p });
    }
  }
  return findings;
}
