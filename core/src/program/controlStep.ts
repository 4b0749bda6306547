import { applicationRules, herbicide, weed as weedOf, type Region } from '../knowledge';
import { carrierVolume, type MixProduct } from '../rates';
import { addDays, daysBetween, monthInWindow, monthOf, yearOf, type LocalDate } from '../units';
import { chooseMix, targetControl, type MixAnswer, type Target } from './chooseMix';
import type { Reason } from './reason';
import type { WeedFinding } from './seasonInput';
import { expectedDay } from './sprayDay';
import { controlRows, question, sprayGates } from './sprayQuestion';
import type { SeedStep, SprayStep, Unmet } from './step';
import type { StepWindow } from './window';
import { firstFrost, stateOf, type ZoneCase } from './zoneCase';

/** Days ahead over which a post-emergent day is looked for, and the longest it may stay open. */
const SEARCH_DAYS = 180;
const LONGEST_WINDOW = 35;
/** Soil below which neither weed nor turf grows enough to take up a foliar product, °F. */
const GROWING_SOIL_F = 50;
const COLD_HARDY_AIR_F = 40;
/** Weeks before the first frost in which a summer annual is left to it. */
const FROST_WEEKS = 6;

/** True on a day when a weed of the zone can be sprayed at all. */
function weedIsUp(finding: WeedFinding, region: Region, date: LocalDate, day: { soilF: number | null; soilRising: boolean }): boolean {
  const entry = weedOf(finding.weed);
  if (!entry) return false;
  const months = entry.months[region];
  const month = monthOf(date);
  if (months && !monthInWindow(month, months)) return false;
  if (entry.lifeCycle.startsWith('winter-annual') && day.soilRising && (day.soilF ?? 0) > 68) return false;
  if (entry.category === 'grassy-annual' && entry.lifeCycle.startsWith('summer-annual')) {
    const frost = firstFrost(region, yearOf(date));
    if (date <= frost && daysBetween(date, frost) < FROST_WEEKS * 7) return false;
    if (date > frost) return false;
  }
  return true;
}

interface ControlPlan {
  date: LocalDate;
  answer: MixAnswer;
  targets: Target[];
  treatedFt2: number;
  method: 'spot' | 'zone';
}

function controlOn(
  zoneCase: ZoneCase,
  date: LocalDate,
  seed: SeedStep | null,
  memo: Map<string, MixAnswer>,
): ControlPlan | null {
  const { input, season, areaFt2 } = zoneCase;
  const day = expectedDay(season, date);
  const up = zoneCase.weeds.filter(
    (finding) => finding.growing && weedIsUp(finding, input.region, date, day),
  );
  if (up.length === 0) return null;
  const cover = Math.min(1, up.reduce((sum, finding) => sum + finding.cover, 0));
  const method = cover < applicationRules.spotBelowCover ? 'spot' : 'zone';
  const treatedFt2 =
    method === 'spot'
      ? Math.max(1, areaFt2 * cover * applicationRules.spotFactor)
      : areaFt2;
  const targets: Target[] = up.map(({ weed, stage }) => ({
    weed,
    targetPct: targetControl(weed),
    ...(stage ? { stage } : {}),
  }));
  const asked = question(zoneCase, 'post', targets, date, seed, { treatedFt2, airHighF: day.airHighF });
  const key = JSON.stringify([
    targets,
    Math.round(asked.airHighF),
    [...asked.conditions],
    asked.drought,
    asked.weeksToSeeding === null ? null : Math.floor(asked.weeksToSeeding),
    asked.weeksSinceEmergence === null ? null : Math.floor(asked.weeksSinceEmergence),
    // Limits move with the day once something is on record or planned.
    zoneCase.usage.isEmpty ? null : date,
  ]);
  const cold = (day.soilF ?? GROWING_SOIL_F) < GROWING_SOIL_F;
  let answer = memo.get(key);
  if (!answer) {
    answer = chooseMix(asked);
    memo.set(key, answer);
  }
  if (!answer.best) return { date, answer, targets, treatedFt2, method };
  const hardy = answer.best.products.every(
    ({ herbicide: slug }) => (herbicide(slug)?.airF[0] ?? 99) <= COLD_HARDY_AIR_F,
  );
  return cold && !hardy ? null : { date, answer, targets, treatedFt2, method };
}

/** True while a chosen set still passes every rule on a later day. */
function stillFine(
  zoneCase: ZoneCase,
  plan: ControlPlan,
  date: LocalDate,
  seed: SeedStep | null,
): boolean {
  const day = expectedDay(zoneCase.season, date);
  const slugs = new Set(plan.answer.best?.products.map(({ herbicide: slug }) => slug));
  const asked = question(zoneCase, 'post', plan.targets, date, seed, {
    treatedFt2: plan.treatedFt2,
    airHighF: day.airHighF,
  });
  const again = chooseMix({ ...asked, stock: slugs });
  const same = (products: readonly MixProduct[] | undefined) =>
    products?.map((p) => `${p.herbicide}@${p.ratePerAcre}`).join();
  return same(again.best?.products) === same(plan.answer.best?.products);
}

/**
 * The post-emergent walk of a zone: the first day on which a product works that every desired grass
 * takes, and the days it stays so.
 */
export function controlStep(
  zoneCase: ZoneCase,
  seed: SeedStep | null,
): { step: SprayStep | null; unmet: Unmet[] } {
  const { input, zone, season } = zoneCase;
  const growing = zoneCase.weeds.filter(({ growing: seen }) => seen);
  if (growing.length === 0) return { step: null, unmet: [] };
  const memo = new Map<string, MixAnswer>();
  let plan: ControlPlan | null = null;
  let firstTry: ControlPlan | null = null;
  for (let ahead = 0; ahead <= SEARCH_DAYS; ahead += 1) {
    const tried = controlOn(zoneCase, addDays(input.today, ahead), seed, memo);
    firstTry ??= tried;
    if (tried?.answer.best) {
      plan = tried;
      break;
    }
  }
  if (!plan) {
    const noProduct = (slug: string): Reason =>
      firstTry
        ? { rule: 'control-no-product', inputs: { weed: slug } }
        : { rule: 'control-not-up', inputs: { weed: slug } };
    return {
      step: null,
      unmet: growing.map(({ weed }) => ({ zoneId: zone.id, weed, reason: noProduct(weed) })),
    };
  }
  let closes = plan.date;
  while (
    daysBetween(plan.date, closes) < LONGEST_WINDOW &&
    stillFine(zoneCase, plan, addDays(closes, 1), seed)
  ) {
    closes = addDays(closes, 1);
  }
  const best = plan.answer.best as NonNullable<MixAnswer['best']>;
  const window: StepWindow = {
    opens: plan.date,
    best: plan.date,
    closes,
    basis: { kind: 'air' },
  };
  const rows = controlRows(plan.answer, plan.targets);
  const untouched = rows.filter(({ expectedPct }) => expectedPct < applicationRules.usefulEfficacy);
  const targeted = new Set(plan.targets.map(({ weed }) => weed));
  const day = expectedDay(season, plan.date);
  const step: SprayStep = {
    id: `${zone.id}:control:${[...targeted].sort()[0]}:${yearOf(plan.date)}-${monthOf(plan.date)}`,
    kind: 'control',
    zoneId: zone.id,
    group: 'post-emergent',
    window,
    state: stateOf(window, input.today),
    areaFt2: plan.treatedFt2,
    method: plan.method,
    products: best.products,
    walks: best.walks,
    intervalDays: best.minIntervalDays,
    carrierGalPer1000: carrierVolume(best.products, 'post'),
    control: rows.filter(({ expectedPct }) => expectedPct >= applicationRules.usefulEfficacy),
    testSpot: best.testSpot,
    gates: sprayGates(best.products, 'post'),
    because: [
      {
        rule: plan.method === 'spot' ? 'control-spot' : 'control-zone',
        inputs: {
          coverPct: Math.round(100 * growing.reduce((sum, { cover }) => sum + cover, 0)),
        },
      },
      {
        rule: 'control-tolerated',
        inputs: { grasses: zoneCase.grasses.join(' '), airHighF: Math.round(day.airHighF) },
      },
      { rule: 'control-cheapest', inputs: { products: best.products.length } },
      ...(best.reaches ? [] : [{ rule: 'control-suppression', inputs: {} }]),
      ...(best.testSpot ? [{ rule: 'control-test-spot', inputs: {} }] : []),
    ],
    excluded: plan.answer.excluded,
  };
  return {
    step,
    unmet: [
      ...untouched.map(({ weed }) => ({
        zoneId: zone.id,
        weed,
        reason: { rule: 'control-no-product', inputs: { weed } },
      })),
      ...growing
        .filter(({ weed }) => !targeted.has(weed))
        .map(({ weed }) => ({
          zoneId: zone.id,
          weed,
          reason: { rule: 'control-not-up', inputs: { weed } },
        })),
    ],
  };
}

