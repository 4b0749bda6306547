import { fedBy } from '../choice/fed';
import { applicationsOf } from '../courses/applicationsOf';
import { stateOf, type ControlStep, type Step } from '../courses/step';
import { feedingRules, weed as weedOf } from '../knowledge';
import { layoutCosts } from '../knowledge/layoutCosts';
import { zoneArea, type Zone } from '../lawn';
import { needOfWork } from '../needs/need';
import type { Shelf } from '../products';
import { activesOf, mixComponents } from '../rates';
import { addDays, daysBetween, type LocalDate } from '../units';
import { layOut, type LayJob, type LayRule } from './layOut';

/** What a step puts down, as far as limits ask for it. */
interface Put {
  /** Actives of its herbicides, and the kind of its treatment: each has intervals and sums of its own. */
  limited: Set<string>;
  feeds: boolean;
  needs: Set<string>;
  /** Hours for which its leaf stays dry, and in which it is watered in; `null`: neither. */
  dryHours: number | null;
  waterHours: number | null;
}

function putBy(step: Step, shelf: Shelf): Put {
  const limited = new Set<string>();
  if (step.kind === 'prevent' || step.kind === 'control') {
    for (const { product } of mixComponents(step.products, shelf)) {
      limited.add(product.slug);
      activesOf(product).forEach((active) => limited.add(active));
    }
  }
  if (step.kind === 'protect') {
    limited.add(shelf.treatment(step.treatment)?.kind ?? step.treatment);
  }
  const dry = step.gates.find(({ kind }) => kind === 'dry-leaf-hours');
  const water = step.gates.find(({ kind }) => kind === 'water-in');
  return {
    limited,
    feeds: applicationsOf(step).some(
      (application) => fedBy(application, shelf).nLbPer1000 >= feedingRules.traceLb,
    ),
    needs: new Set(step.serves.map(needOfWork)),
    dryHours: dry?.kind === 'dry-leaf-hours' ? dry.hours : null,
    waterHours: water?.kind === 'water-in' ? 24 * (water.withinDays ?? 1) : null,
  };
}

function costsOf(step: Step, zone: Zone | undefined) {
  switch (step.kind) {
    case 'protect':
      return step.mode === 'curative' ? layoutCosts.cure : layoutCosts.protect;
    case 'look-again':
      return layoutCosts.look;
    case 'control': {
      const share = zone ? Math.min(1, step.areaFt2 / zoneArea(zone)) : 1;
      const { late } = layoutCosts.control;
      return { ...layoutCosts.control, late: late + layoutCosts.spreadPerDay * share };
    }
    case 'prevent':
      return layoutCosts.prevent;
    case 'feed':
      return layoutCosts.feed;
    case 'seed':
      return layoutCosts.fixed;
  }
}

/** Fewest days that a weed of two walks asks between them. */
const walkInterval = (a: ControlStep, b: ControlStep): number =>
  Math.max(
    0,
    ...a.control
      .filter(({ weed }) => b.control.some((row) => row.weed === weed))
      .map(({ weed }) => weedOf(weed)?.intervalDays[0] ?? 0),
  );

/** Rules between two steps of one zone, the first of which is planned for the earlier day. */
function rulesBetween(
  a: { step: Step; put: Put; at: number },
  b: { step: Step; put: Put; at: number },
): LayRule[] {
  const gap = daysBetween(a.step.window.best, b.step.window.best);
  const least = (days: number): LayRule => ({
    kind: 'after',
    first: a.at,
    then: b.at,
    leastDays: Math.min(gap, days),
  });
  const rules: LayRule[] = [];
  // What was reckoned for two days stays at least as far apart: intervals, sums of half a year, turns of the modes.
  if ([...a.put.limited].some((one) => b.put.limited.has(one))) rules.push(least(gap));
  if (a.put.feeds && b.put.feeds) rules.push(least(feedingRules.gapDays));
  if (a.step.kind === 'control' && b.step.kind === 'control') {
    const days = walkInterval(a.step, b.step);
    if (days > 0) rules.push(least(days));
  }
  if (a.step.kind !== 'control' && [...a.put.needs].some((need) => b.put.needs.has(need))) {
    rules.push(least(gap));
  }
  // What is watered in waits for the leaf beside it, as long as it can wait.
  const washes = (dry: Put, wet: Put) =>
    dry.dryHours !== null && wet.waterHours !== null && dry.dryHours > wet.waterHours;
  if (gap > 0 && (washes(a.put, b.put) || washes(b.put, a.put)))
    rules.push({ kind: 'apart', first: a.at, then: b.at });
  return rules;
}

/** A step on another day of its span. */
function movedTo(step: Step, date: LocalDate, today: LocalDate): Step {
  const { best } = step.window;
  const days = daysBetween(best, date);
  if (days === 0) return step;
  const window = { ...step.window, best: date };
  const because = [
    ...step.because,
    {
      rule: days > 0 ? 'laid-later' : 'laid-earlier',
      inputs: { days: Math.abs(days), from: best },
    },
  ];
  const waits = step.waitsFor?.expected === best ? { ...step.waitsFor, expected: date } : undefined;
  return {
    ...step,
    window,
    because,
    state: stateOf(window, today),
    ...(waits ? { waitsFor: waits } : {}),
  };
}

/**
 * The steps of a lawn on the days that share its trips, each within the days on which it may be done as it stands;
 * what two of them ask of each other stays kept.
 */
export function laidOut(
  steps: readonly Step[],
  { zones, today }: { zones: readonly Zone[]; today: LocalDate },
  shelf: Shelf,
): Step[] {
  const ordered = [...steps].sort((a, b) => (a.window.best < b.window.best ? -1 : 1));
  const jobs = ordered.map((step): LayJob => {
    const { best } = step.window;
    const costs = costsOf(
      step,
      zones.find(({ id }) => id === step.zoneId),
    );
    return {
      opens: daysBetween(today, step.span?.from ?? best),
      best: daysBetween(today, best),
      closes: daysBetween(today, step.span?.to ?? best),
      earlyUsd: costs.early,
      lateUsd: costs.late,
      // Its own best day always stands.
      unmetUsd: Infinity,
    };
  });
  const rules = zones.flatMap(({ id }) => {
    const own = ordered.flatMap((step, at) =>
      step.zoneId === id ? [{ step, at, put: putBy(step, shelf) }] : [],
    );
    return own.flatMap((a, index) => own.slice(index + 1).flatMap((b) => rulesBetween(a, b)));
  });
  const { days } = layOut(jobs, rules, layoutCosts.visit);
  return ordered.map((step, index) => {
    const day = days[index] ?? null;
    return day === null ? step : movedTo(step, addDays(today, day), today);
  });
}
