import { amendmentProducts, applicationRules, dayRules } from '../knowledge';
import type { Shelf } from '../products';
import { daysBetween, localDate, monthOf } from '../units';
import {
  hottest,
  per1000Of,
  perAcreOf,
  ROUNDING,
  sameYear,
  shelfIn,
  type CheckContext,
  type Judged,
} from './checkContext';
import { nutrients } from './checkNitrogen';
import { findingsBy, type CheckFinding, type Say } from './finding';

/** Seed this near, in months, is a reason for phosphorus. */
const SEED_MONTHS = 3;

const within = (day: string, [from, to]: readonly [string, string]): boolean =>
  from <= to ? day >= from && day <= to : day >= from || day <= to;

type Material = Judged['materials'][number];

/** What of an application flies as drops, and what as granules. */
function drift(
  materials: readonly Material[],
  shelf: Shelf,
): { drops: boolean; granules: boolean } {
  const forms = materials.flatMap(({ kind, slug }) => {
    if (kind === 'herbicide') return shelf.herbicide(slug)?.form ?? [];
    return kind === 'treatment' ? (shelf.treatment(slug)?.form ?? []) : [];
  });
  return {
    drops: forms.some((form) => form !== 'granule'),
    granules: forms.some((form) => form === 'granule'),
  };
}

function checkWind(mph: number, { drops, granules }: ReturnType<typeof drift>, say: Say): void {
  const { minMph, maxMph } = applicationRules.wind;
  if (drops && mph > maxMph) say('wind', 'exceeds', { mph, min: minMph, max: maxMph });
  else if (drops && mph < minMph) say('wind', 'caution', { mph, min: minMph, max: maxMph });
  else if (granules && mph > dayRules.granuleWindMph) {
    say('wind', 'caution', { mph, min: 0, max: dayRules.granuleWindMph });
  }
}

function checkAmendment(
  { slug, amount }: Material,
  application: Judged,
  context: CheckContext,
  say: Say,
): void {
  const product = amendmentProducts.find((entry) => entry.slug === slug);
  if (!product) return;
  const lb = per1000Of(amount, application.areaFt2);
  const hot = (hottest(context) ?? 0) >= dayRules.amendmentHeatF;
  const most = product.once * (hot ? dayRules.amendmentHeatShare : 1);
  if (lb > most * ROUNDING) {
    say('amount-once', 'exceeds', { amount: lb, max: most, unit: product.unit });
  }
  const others = context.others.flatMap(({ date, areaFt2, materials }) =>
    materials
      .filter((other) => other.slug === slug)
      .map((other) => ({ date, lb: per1000Of(other.amount, areaFt2) })),
  );
  if (product.year !== null) {
    const year = others
      .filter(({ date }) => sameYear(date, application.date))
      .reduce((sum, other) => sum + other.lb, lb);
    if (year > product.year * ROUNDING) {
      say('amendment-year', 'exceeds', { amount: year, max: product.year });
    }
  }
  if (product.intervalDays !== null) {
    const day = localDate(application.date);
    const gap = Math.min(...others.map(({ date }) => Math.abs(daysBetween(localDate(date), day))));
    if (gap < product.intervalDays) {
      say('amendment-interval', 'exceeds', { days: gap, min: product.intervalDays });
    }
  }
}

function checkOrdinance(application: Judged, context: CheckContext, shelf: Shelf, say: Say): void {
  const { ordinance } = context;
  const { n, p } = nutrients(application, shelf);
  if (!ordinance || n + p <= 0) return;
  if (ordinance.blackout && within(application.date.slice(5), ordinance.blackout)) {
    say('blackout', 'exceeds', { from: ordinance.blackout[0], to: ordinance.blackout[1] });
  }
  if (ordinance.mostNitrogen !== null && n > ordinance.mostNitrogen * ROUNDING) {
    say('ordinance-nitrogen', 'exceeds', { lb: n, max: ordinance.mostNitrogen });
  }
  const year = context.others
    .filter(({ date }) => sameYear(date, application.date))
    .reduce((sum, other) => sum + nutrients(other, shelf).n, n);
  if (ordinance.mostNitrogenYear !== null && year > ordinance.mostNitrogenYear * ROUNDING) {
    say('ordinance-nitrogen', 'exceeds', { lb: year, max: ordinance.mostNitrogenYear });
  }
  const seeded = [application, ...context.others].some(
    ({ date, materials }) =>
      materials.some(({ kind }) => kind === 'seed') &&
      sameYear(date, application.date) &&
      Math.abs(monthOf(localDate(date)) - monthOf(localDate(application.date))) <= SEED_MONTHS,
  );
  if (ordinance.phosphorusNeedsReason && p > 0 && !seeded && context.lowPhosphorus !== true) {
    say('phosphorus', 'exceeds', { lb: p });
  }
}

function checkPace(
  { slug, kind, amount }: Material,
  application: Judged,
  context: CheckContext,
  shelf: Shelf,
  say: Say,
): void {
  const { paceMph, calibratedMph } = context;
  if (paceMph === undefined || calibratedMph === undefined || paceMph <= 0) return;
  const factor = calibratedMph / paceMph;
  const most =
    kind === 'herbicide'
      ? shelf.herbicide(slug)?.maxPerApplication
      : kind === 'treatment'
        ? shelf.treatment(slug)?.ratePerAcre?.[1]
        : undefined;
  const over =
    most !== undefined && perAcreOf(amount, application.areaFt2) * factor > most * ROUNDING;
  const inputs = {
    pace: paceMph,
    calibrated: calibratedMph,
    percent: Math.round(100 * (factor - 1)),
  };
  if (factor > ROUNDING && over) say('pace', 'exceeds', inputs);
  else if (factor > dayRules.paceTolerance) say('pace', 'caution', inputs);
}

/** Judges the day and the walk: wind, frost, wetness, rain, pace, area, and what the place has ruled. */
export function checkDay(application: Judged, context: CheckContext): CheckFinding[] {
  const shelf = shelfIn(context);
  const { materials } = application;
  const kinds = new Set(materials.map(({ kind }) => kind));
  const sprayed = kinds.has('herbicide') || kinds.has('treatment');
  const spread = kinds.has('fertilizer') || kinds.has('amendment');
  const { soilF, rainSoonIn = 0, rainInHours, windMph } = context;
  const walk = findingsBy(null, (say) => {
    if (soilF !== undefined && soilF <= dayRules.frozenF && (sprayed || spread)) {
      say('frozen', 'exceeds', { soilF });
    }
    if (context.saturated === true && (sprayed || spread)) say('saturated', 'exceeds');
    if (windMph !== undefined) checkWind(windMph, drift(materials, shelf), say);
    if (application.areaFt2 > context.zoneFt2 * 1.05) {
      say('area-over-zone', 'caution', { area: application.areaFt2, zone: context.zoneFt2 });
    }
    checkOrdinance(application, context, shelf, say);
  });
  return [
    ...walk,
    ...materials.flatMap((material) =>
      findingsBy(material.slug, (say) => {
        const { kind, slug } = material;
        const weed = kind === 'herbicide' ? shelf.herbicide(slug) : undefined;
        if (weed?.postEmergent && !weed.preEmergent) {
          const min = weed.rainfastHours ?? weed.water.keepDryHours;
          if (rainInHours !== undefined && min !== null && rainInHours < min) {
            say('rain', 'exceeds', { hours: rainInHours, min });
          }
          // Granules have to stick: a dry leaf is their trouble, not a wet one.
          if (context.leafWet === true && weed.form !== 'granule') say('wet-leaf', 'caution');
        } else if (weed && rainSoonIn >= dayRules.rainOnPreEmergent) {
          say('rain', 'caution', { rain: rainSoonIn });
        }
        if (kind === 'fertilizer') {
          const { word, over } = dayRules.rainOnFertilizer;
          if (rainSoonIn >= over) say('rain', 'exceeds', { rain: rainSoonIn, max: over });
          else if (rainSoonIn >= word) say('rain', 'caution', { rain: rainSoonIn, max: word });
        }
        checkPace(material, application, context, shelf, say);
        if (kind === 'amendment') checkAmendment(material, application, context, say);
      }),
    ),
  ];
}
