import { screenTreatments, type CauseTarget } from '../choice/screenTreatments';
import { expectedDay, highestAir } from '../choice/sprayDay';
import { earlier, later, spanAround, type StepWindow } from '../choice/window';
import { nextWindow, type ZoneCase } from '../choice/zoneCase';
import { cause as causeOf, dayRules, type Treatment } from '../knowledge';
import { preventionWindows, type PreventionWindow } from '../knowledge/preventionWindows';
import { cureRules, protectionRounds, walkRules } from '../knowledge/programmes';
import { chosenCourse } from '../needs/chosenCourse';
import { needId, workId, type Need } from '../needs/need';
import type { DamageFinding } from '../needs/seasonInput';
import {
  addDays,
  daysBetween,
  localDate,
  monthInWindow,
  monthOf,
  SQUARE_FEET_PER_ACRE,
  yearOf,
  type LocalDate,
} from '../units';
import { leftAlone } from './leftAlone';
import { stateOf, type ProtectStep, type Unmet } from './step';

/** Carrier on leaves and for what must reach the soil, gal per 1000 ft². */
const CARRIER = { leaf: 2, soil: 4 } as const;
/** Water that carries a product to the roots, in. */
const SOIL_WATER_IN = 0.1;
/** Days ahead over which a day of a cause's own season is looked for. */
const SEASON_AHEAD_DAYS = 45;
/** One walk serves two causes where it lies this near to the window of the second. */
const SHARE_DAYS = 14;
/** A record this many days before its window opens, or after it closes, belongs to it. */
const SLACK_DAYS = 30;
const YEAR_DAYS = 366;

/** What is done against a cause in a zone, and how far it has come. */
export interface Protected {
  need: Need;
  steps: ProtectStep[];
  unmet: Unmet[];
  /** Day of the return that shows the result. */
  lookOn: LocalDate | null;
}

/** The better product first: how well it works, how sure its label is, then its cost. */
const byWorth =
  (grade: (product: Treatment) => number) =>
  (a: Treatment, b: Treatment): number =>
    grade(b) - grade(a) ||
    Number(b.residential === 'yes') - Number(a.residential === 'yes') ||
    (a.usdPer1000Invented ?? 99) - (b.usdPer1000Invented ?? 99);

/** Days on record with something against a cause, whoever put it down; what did little of its work left out. */
function treatedOn(
  { records, shelf }: ZoneCase,
  { cause, mode }: CauseTarget,
  need: string,
  from: LocalDate,
  to: LocalDate,
): LocalDate[] {
  const days = records
    .filter((record) => (record.effect ?? 1) >= walkRules.leastEffect)
    .filter(
      ({ stepId, materials }) =>
        stepId?.startsWith(`${need}/`) ||
        materials.some(({ kind, slug }) => {
          const product = kind === 'treatment' ? shelf.treatment(slug) : undefined;
          return product !== undefined && product.targets.includes(cause) && product[mode] > 0;
        }),
    )
    .map(({ date }) => localDate(date))
    .filter((date) => date >= from && date <= to);
  return [...new Set(days)].sort();
}

/** One treatment on a window's best day: what works best within its label, the year and the rotation. */
function treatmentStep(
  zoneCase: ZoneCase,
  { cause, mode }: CauseTarget,
  window: StepWindow,
  address: { need: string; round: number; of: number },
  groups: (group: string) => boolean = () => true,
): ProtectStep | null {
  const { input, zone, areaFt2, season } = zoneCase;
  const screenOn = (date: LocalDate) =>
    screenTreatments(
      zoneCase,
      { cause, mode },
      date,
      highestAir(season, date, earlier(addDays(date, 3), window.closes)),
    );
  const grade = (product: Treatment) => product[mode];
  const { passing, excluded } = screenOn(window.best);
  const best = passing
    .filter(({ product }) => groups(product.group))
    .sort((a, b) => byWorth(grade)(a.product, b.product))[0];
  if (!best || best.product.unit === null) return null;
  const { product, ratePerAcre: rate } = best;
  const granular = product.form === 'granule';
  const water = product.waterInIn ?? 0;
  const id = workId(address.need, 'treat', address.round);
  const passes = (date: LocalDate) =>
    screenOn(date).passing.some(
      (other) => other.product.slug === product.slug && other.ratePerAcre === rate,
    );
  return {
    id,
    serves: [id],
    kind: 'protect',
    zoneId: zone.id,
    window,
    span: spanAround(window, input.today, passes),
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
        rule: grade(product) >= 2 ? 'protect-best' : 'protect-partly',
        inputs: { mode: product.group, grade: grade(product), days: product.residualDays ?? 0 },
      },
      ...(address.of > 1
        ? [{ rule: 'protect-round', inputs: { round: address.round, of: address.of } }]
        : []),
    ],
    excluded,
  };
}

/** Whether a cause can be at work in the soil of a day, where a product would meet it. */
function inSeason({ input, season }: ZoneCase, cause: string, date: LocalDate): boolean {
  const entry = causeOf(cause);
  const { soilF } = expectedDay(season, date);
  if (!entry) return false;
  const months = entry.months[input.region];
  if (months && !monthInWindow(monthOf(date), months)) return false;
  if (soilF === null) return true;
  return soilF > dayRules.frozenF && soilF >= entry.soilF[0] && soilF <= entry.soilF[1];
}

/** The days from one on in which a cause is at work; `null` where its season has not come soon. */
function cureWindow(zoneCase: ZoneCase, cause: string, from: LocalDate): StepWindow | null {
  for (let ahead = 0; ahead <= SEASON_AHEAD_DAYS; ahead += 1) {
    const opens = addDays(from, ahead);
    if (!inSeason(zoneCase, cause, opens)) continue;
    let closes = opens;
    while (
      daysBetween(opens, closes) < cureRules.withinDays &&
      inSeason(zoneCase, cause, addDays(closes, 1))
    ) {
      closes = addDays(closes, 1);
    }
    return { opens, best: opens, closes, basis: { kind: 'calendar' } };
  }
  return null;
}

/**
 * Treats a cause that was found: once in its own season, then looks; what is still there is met with another mode of
 * action, and after that it is no longer a matter of products.
 */
export function cureCourse(zoneCase: ZoneCase, cause: string, damage: DamageFinding): Protected {
  const { input, zone } = zoneCase;
  const { today } = input;
  const since = damage.decidedOn ?? localDate(`${yearOf(today)}-01-01`);
  const cycle = String(yearOf(since));
  const place = { zoneId: zone.id };
  const id = needId({ kind: 'cure', subject: cause, place, cycle });
  const identity = { id, kind: 'cure' as const, subject: cause, place, cycle };
  const target: CauseTarget = { cause, mode: 'curative' };
  const group = causeOf(cause)?.group === 'insect' ? 'insect' : 'disease';
  // What somebody has set for a day to come counts, too.
  const treated = treatedOn(
    zoneCase,
    target,
    id,
    addDays(since, -SLACK_DAYS),
    addDays(today, YEAR_DAYS),
  );
  const last = treated.at(-1);
  const resultOn = last ? addDays(last, cureRules.resultDays[group]) : null;
  const answer = input.looks
    .filter(({ needId: of, date }) => of === id && (!last || date > last))
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .pop()?.seen;
  const again =
    last !== undefined &&
    ((resultOn !== null && since >= addDays(resultOn, -walkRules.seenEarlyDays)) ||
      (answer !== undefined && answer !== 'gone'));
  const need = (state: Need['state'], reason?: Need['reason']): Need => ({
    ...identity,
    state,
    course: group === 'insect' ? 'insect-cure' : 'fungicide',
    ways: [group === 'insect' ? 'insect-cure' : 'fungicide', 'look-again'],
    ...(reason ? { reason } : {}),
  });
  const done = treated.length;
  if (last && resultOn && !again) {
    const waits = answer === undefined && today <= addDays(resultOn, walkRules.lookOpenDays);
    return {
      need: need(waits ? 'waiting' : 'met', {
        rule: waits ? 'protect-look' : 'protect-treated',
        inputs: { cause, on: resultOn },
      }),
      steps: [],
      unmet: [],
      lookOn: waits ? resultOn : null,
    };
  }
  const choice = chosenCourse(input, id);
  const left = choice?.course === 'look-again' ? leftAlone(input, choice, cause) : null;
  if (left) {
    const { state, reason, lookOn } = left;
    return { need: { ...need(state, reason), course: 'look-again' }, steps: [], unmet: [], lookOn };
  }
  const giveUp = (rule: string): Protected => {
    const reason = { rule, inputs: { cause } };
    return {
      need: need(rule === 'protect-failed' ? 'failed' : 'givenUp', reason),
      steps: [],
      unmet: [{ zoneId: zone.id, weed: cause, reason }],
      lookOn: null,
    };
  };
  if (done >= cureRules.mostRounds) return giveUp('protect-failed');
  const window = cureWindow(zoneCase, cause, last ? later(today, addDays(last, 7)) : today);
  if (!window) return giveUp('protect-out-of-season');
  const step = treatmentStep(zoneCase, target, window, {
    need: id,
    round: done + 1,
    of: done + 1,
  });
  if (!step) return giveUp('protect-no-product');
  return { need: need(done > 0 ? 'underWay' : 'planned'), steps: [step], unmet: [], lookOn: null };
}

/** A treatment that is laid for another cause and keeps this one away as well; `null`: there is none. */
function sharedWith(
  { shelf }: ZoneCase,
  cause: string,
  { opens, closes }: StepWindow,
  laid: readonly ProtectStep[],
): ProtectStep | null {
  return (
    laid.find(({ mode, treatment, window: { best } }) => {
      const product = shelf.treatment(treatment);
      return (
        mode === 'preventive' &&
        product !== undefined &&
        product.targets.includes(cause) &&
        best >= addDays(opens, -SHARE_DAYS) &&
        best <= addDays(closes, SHARE_DAYS)
      );
    }) ?? null
  );
}

/** The rounds of one season against a cause, and those that are on record. */
function roundsIn(
  zoneCase: ZoneCase,
  cause: string,
  rule: PreventionWindow,
  laid: readonly ProtectStep[],
): { need: Need; steps: ProtectStep[]; shared: ProtectStep | null } | null {
  const { input, zone, season } = zoneCase;
  const { rounds, everyDays } = protectionRounds(cause);
  const span = (rounds - 1) * everyDays;
  const target: CauseTarget = { cause, mode: 'preventive' };
  const place = { zoneId: zone.id };
  const idOf = (year: number) =>
    needId({ kind: 'protect', subject: cause, place, cycle: String(year) });
  const treatedIn = (window: StepWindow) =>
    treatedOn(
      zoneCase,
      target,
      idOf(yearOf(window.best)),
      addDays(window.opens, -SLACK_DAYS),
      addDays(window.closes, span + SLACK_DAYS),
    );
  // A season that has begun goes on by its own days, though the soil has passed its window.
  const window = nextWindow(season, rule, addDays(input.today, -span - SLACK_DAYS));
  if (!window) return null;
  const begun = treatedIn(window);
  const open =
    begun.length > 0 || window.closes >= input.today
      ? { ...window, best: later(window.best, earlier(input.today, window.closes)) }
      : nextWindow(season, rule, input.today);
  if (!open) return null;
  const cycle = String(yearOf(open.best));
  const id = idOf(yearOf(open.best));
  const need = (state: Need['state'], reason?: Need['reason']): Need => ({
    id,
    kind: 'protect',
    subject: cause,
    place,
    cycle,
    state,
    course: rounds > 1 ? 'protection-rounds' : 'protection',
    ways: [rounds > 1 ? 'protection-rounds' : 'protection'],
    ...(reason ? { reason } : {}),
  });
  const steps: ProtectStep[] = [];
  const shared = begun.length === 0 ? sharedWith(zoneCase, cause, open, laid) : null;
  const reserved: ZoneCase = { ...zoneCase, planned: [...zoneCase.planned] };
  let last = begun.at(-1) ?? shared?.window.best ?? null;
  for (let round = begun.length + (shared ? 2 : 1); round <= rounds; round += 1) {
    const from: LocalDate = last ? addDays(last, everyDays) : open.opens;
    const due = last ? later(from, input.today) : open.best;
    // A round this late comes after what it was to prevent.
    if (last && daysBetween(from, input.today) > everyDays) break;
    const own: StepWindow = last
      ? { opens: from, best: due, closes: addDays(due, 7), basis: { kind: 'calendar' } }
      : open;
    const step = treatmentStep(
      reserved,
      target,
      own,
      { need: id, round, of: rounds },
      (group) => !rule.groups || rule.groups.includes(group) !== rule.others,
    );
    if (!step) break;
    steps.push(step);
    reserved.planned.push({
      id: step.id,
      zoneId: zone.id,
      date: own.best,
      areaFt2: zoneCase.areaFt2,
      materials: [{ kind: 'treatment', slug: step.treatment, amount: step.total, unit: step.unit }],
    });
    last = own.best;
  }
  if (shared) return { need: need('planned'), steps, shared };
  if (steps.length === 0 && begun.length === 0) return null;
  return {
    need:
      steps.length > 0
        ? need(begun.length > 0 ? 'underWay' : 'planned')
        : need('met', { rule: 'protect-done', inputs: { cause, on: begun.at(-1) as string } }),
    steps,
    shared: null,
  };
}

/**
 * Keeps a cause from coming back, in its season: as many rounds as it asks for, the modes of action taking turns.
 * Slow products have a window of their own before that of the quick ones. What is laid for another cause and keeps
 * this one away too serves both.
 * @param laid treatments that are planned for other causes; one that is shared gets this work as well
 */
export function protectCourse(
  zoneCase: ZoneCase,
  cause: string,
  laid: readonly ProtectStep[] = [],
): Protected {
  const { zone, input } = zoneCase;
  const found = preventionWindows
    .filter((entry) => entry.cause === cause)
    .flatMap((rule) => roundsIn(zoneCase, cause, rule, laid) ?? [])
    .sort((a, b) => {
      const year = a.need.cycle.localeCompare(b.need.cycle);
      const done = Number(a.steps.length > 0) - Number(b.steps.length > 0);
      return year || done;
    })[0];
  if (found) {
    const { need, steps, shared } = found;
    // Only for the window that was taken: a cause with two of them is served once.
    shared?.serves.push(workId(need.id, 'treat', 1));
    shared?.because.push({ rule: 'protect-same-walk', inputs: { cause } });
    return { need, steps, unmet: [], lookOn: null };
  }
  const reason = {
    rule: preventionWindows.some((entry) => entry.cause === cause)
      ? 'protect-no-product'
      : 'protect-culture',
    inputs: { cause },
  };
  const place = { zoneId: zone.id };
  const cycle = String(yearOf(input.today));
  return {
    need: {
      id: needId({ kind: 'protect', subject: cause, place, cycle }),
      kind: 'protect',
      subject: cause,
      place,
      cycle,
      state: 'givenUp',
      course: null,
      ways: [],
      reason,
    },
    steps: [],
    unmet: [{ zoneId: zone.id, weed: cause, reason }],
    lookOn: null,
  };
}
