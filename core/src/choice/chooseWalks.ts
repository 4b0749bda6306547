import { applicationRules } from '../knowledge';
import { activesPerAcre } from '../rates';
import { SQUARE_FEET_PER_ACRE, localDate } from '../units';
import {
  compatible,
  onlyGroup,
  MOST_COMPONENTS,
  screenAll,
  type Candidate,
  type MixQuestion,
  type Target,
} from './chooseMix';
import { walkSolver, type SolveOptions, type WalkPlan, type WalkProblem } from './exactWalks';
import type { Exclusion } from '../needs/reason';
import { Usage } from './usage';

/** One way to reach the targets: the tanks of its walks, what it costs and what it leaves alive. */
export interface WalksOption {
  kind: 'cheapest' | 'fewest-walks' | 'runner-up' | 'weaker';
  walks: { herbicide: string; ratePerAcre: number }[][];
  control: Record<string, number>;
  /** Targets that it does not reach. */
  misses: string[];
  minIntervalDays: number;
  chemicalUsdInvented: number;
  totalUsdInvented: number;
  usdPer1000Invented: number;
}

/** What giving up a little of a wish would save. */
export interface Relaxed {
  weed: string;
  /** Control that would be asked instead, %; 0: leave it out. */
  targetPct: number;
  savesUsdInvented: number;
}

export interface WalksAnswer {
  options: WalksOption[];
  excluded: Exclusion[];
}

const MOST_PRODUCTS = 2;
export const MOST_WALKS = 3;
/** Control so sure is not told apart from certain. */
export const SUREST = 0.99;
/** Steps by which a wish is relaxed, percentage points; then it is left out. */
const RELAX_BY = 15;
/** A saving below this is no reason to ask for less, $. */
const WORTH_SAVING = 0.5;
const NEVER = localDate('2000-01-01');

/** −ln of the share that survives a control. */
export const survivors = (share: number): number => -Math.log(1 - Math.min(SUREST, share));

/** Sets the question up for the exact solver. Limits of the year are resources of all walks. */
export function problemOf(
  question: MixQuestion,
  feasible: readonly Candidate[],
  mostWalks: number,
): Omit<WalkProblem, 'need'> {
  const acres = question.treatedFt2 / SQUARE_FEET_PER_ACRE;
  const usage = question.usage?.usage ?? new Usage();
  const date = question.usage?.date ?? NEVER;
  const actives = [...new Set(feasible.flatMap(({ actives: own }) => own))].flatMap((active) => {
    const left = usage.leftOfActive(active, date);
    return left ? [{ active, left }] : [];
  });
  const capacity: number[] = [];
  const columns: ((candidate: Candidate) => number)[] = [];
  const limit = (room: number, of: (candidate: Candidate) => number) => {
    // What even the most walks cannot use up is no limit.
    if (Math.max(0, ...feasible.map(of)) * mostWalks <= room) return;
    capacity.push(room);
    columns.push(of);
  };
  for (const own of feasible) {
    const left = usage.leftOf(own.product, date);
    const mine = (candidate: Candidate) => candidate === own;
    limit(left.amount, (candidate) => (mine(candidate) ? candidate.ratePerAcre : 0));
    limit(left.count, (candidate) => (mine(candidate) ? 1 : 0));
  }
  for (const { active, left } of actives) {
    const lbOf = (candidate: Candidate) =>
      activesPerAcre(candidate.product, candidate.ratePerAcre).find(
        (dose) => dose.active === active,
      )?.lbPerAcre ?? 0;
    limit(left.lb, lbOf);
    limit(left.count, (candidate) => (lbOf(candidate) > 0 ? 1 : 0));
  }
  // What feeds too may do so once: the room was asked for one day.
  limit(1, ({ product }) => (product.nutrients ? 1 : 0));
  const itemsOnly = capacity.length;
  const weeds = question.targets.map(({ weed }) => weed);
  const groups = [...new Set(feasible.flatMap(({ product }) => product.hrac))];
  for (const group of groups) {
    capacity.push(Math.min(mostWalks, usage.groupTurns(group, weeds, date)));
  }
  const turns = feasible.map((own) => {
    const group = onlyGroup([own]);
    return group === null ? null : { place: itemsOnly + groups.indexOf(group), amount: 1 };
  });
  return {
    // A tank of one mode of action takes one of that mode's turns.
    ofTank: (items) => {
      const turn = turns[items[0]!];
      return turn && items.every((item) => turns[item]?.place === turn.place) ? [turn] : [];
    },
    items: feasible.map((candidate) => ({
      cost: candidate.product.usdPerUnitInvented * candidate.ratePerAcre * acres,
      components: candidate.components,
      kill: candidate.hits.map((hit) => survivors(candidate.effect * hit)),
      uses: [...columns.map((of) => of(candidate)), ...groups.map(() => 0)],
    })),
    conflict: (a, b) => !compatible(feasible[a]!, feasible[b]!, question),
    capacity,
    mostProducts: MOST_PRODUCTS,
    mostComponents: MOST_COMPONENTS,
    walkCost: question.walkUsd ?? applicationRules.walkUsdInvented,
    mostWalks,
  };
}

function optionOf(
  kind: WalksOption['kind'],
  plan: WalkPlan,
  question: MixQuestion,
  feasible: readonly Candidate[],
): WalksOption {
  const tanks = plan.walks.map((items) => items.map((item) => feasible[item] as Candidate));
  const control: Record<string, number> = {};
  question.targets.forEach(({ weed }, index) => {
    const survive = tanks
      .flat()
      .reduce(
        (share, candidate) =>
          share * (1 - Math.min(SUREST, candidate.effect * candidate.hits[index]!)),
        1,
      );
    control[weed] = 100 * (1 - survive);
  });
  const walkUsd = question.walkUsd ?? applicationRules.walkUsdInvented;
  const chemical = plan.cost - walkUsd * tanks.length;
  return {
    kind,
    walks: tanks.map((tank) =>
      tank.map(({ product, ratePerAcre }) => ({ herbicide: product.slug, ratePerAcre })),
    ),
    control,
    misses: question.targets
      .filter(({ weed, targetPct }) => control[weed]! < targetPct - 1e-6)
      .map(({ weed }) => weed),
    minIntervalDays: Math.max(0, ...tanks.flat().map(({ product }) => product.minIntervalDays)),
    chemicalUsdInvented: chemical,
    totalUsdInvented: plan.cost,
    usdPer1000Invented: (plan.cost / question.treatedFt2) * 1000,
  };
}

/** A weaker wish on every target, for the choice between cheap and sure. */
const weaker = (targets: readonly Target[]): Target[] =>
  targets.map((target) => ({
    ...target,
    targetPct: Math.max(applicationRules.usefulEfficacy, target.targetPct - RELAX_BY),
  }));

/**
 * The exact choice over one to three walks: the cheapest, the fewest walks, the runner-up, and a
 * cheaper one that is weaker. Every product is screened
 * first, as for a single mix.
 */
export function chooseWalks(question: MixQuestion, mostWalks = MOST_WALKS): WalksAnswer {
  const { feasible, excluded } = screenAll(question);
  const solver = walkSolver(problemOf(question, feasible, mostWalks));
  const solve = (targets: readonly Target[], options?: SolveOptions) =>
    solver.solve(
      targets.map(({ targetPct }) => survivors(targetPct / 100)),
      options,
    );
  const { plans, fewest } = solve(question.targets, { keep: 2 });
  const cheapest = plans[0];
  const options: WalksOption[] = [];
  const same = (a: WalkPlan, b: WalkPlan) => JSON.stringify(a.walks) === JSON.stringify(b.walks);
  const known: WalkPlan[] = [];
  const add = (kind: WalksOption['kind'], plan: WalkPlan | undefined) => {
    if (!plan || known.some((other) => same(other, plan))) return;
    known.push(plan);
    options.push(optionOf(kind, plan, question, feasible));
  };
  add('cheapest', cheapest);
  if (cheapest && fewest && fewest.walks.length < cheapest.walks.length) {
    add('fewest-walks', fewest);
  }
  add('runner-up', plans[1]);
  const below = cheapest ? cheapest.cost - WORTH_SAVING : Infinity;
  add('weaker', solve(weaker(question.targets), { keep: 1, below }).plans[0]);
  return { options, excluded };
}

/**
 * What asking for less of one weed would save against the cheapest way: a little less first, then
 * leaving it out. Apart from the choice itself, since it solves once for each wish.
 */
export function relaxedWishes(question: MixQuestion, mostWalks = MOST_WALKS): Relaxed[] {
  const { feasible } = screenAll(question);
  const solver = walkSolver(problemOf(question, feasible, mostWalks));
  const needOf = (targets: readonly Target[]) =>
    targets.map(({ targetPct }) => survivors(targetPct / 100));
  const cheapest = solver.solve(needOf(question.targets), { keep: 1 }).plans[0];
  if (!cheapest) return [];
  return question.targets.flatMap((target, index): Relaxed[] => {
    for (const targetPct of [target.targetPct - RELAX_BY, 0]) {
      const asked = question.targets.map((own, at) => (at === index ? { ...own, targetPct } : own));
      if (asked.every((own) => own.targetPct <= 0)) continue;
      const below = cheapest.cost - WORTH_SAVING;
      const [plan] = solver.solve(needOf(asked), { keep: 1, below }).plans;
      if (plan) {
        return [{ weed: target.weed, targetPct, savesUsdInvented: cheapest.cost - plan.cost }];
      }
    }
    return [];
  });
}
