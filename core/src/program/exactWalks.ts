/** A product as the exact choice sees it: what it costs, kills and uses up at its rate. */
export interface WalkItem {
  cost: number;
  /** Products that it is made of when a tank's room for them is counted. */
  components: number;
  /** −ln of the share that survives it, by target. Independent action adds these up. */
  kill: readonly number[];
  /** What one use takes of each limited resource, by its index. */
  uses: readonly number[];
}

export interface WalkProblem {
  items: readonly WalkItem[];
  /** Items that may not share a tank. */
  conflict: (a: number, b: number) => boolean;
  /** −ln of the share that may survive, by target. */
  need: readonly number[];
  /** What there is of each resource for all walks together. */
  capacity: readonly number[];
  mostProducts: number;
  mostComponents: number;
  walkCost: number;
  mostWalks: number;
}

export interface WalkPlan {
  /** Items of each walk's tank. */
  walks: number[][];
  cost: number;
}

const EPSILON = 1e-9;

interface Mix {
  items: number[];
  cost: number;
  kill: Float64Array;
  uses: Float64Array;
}

function mixesOf(problem: Omit<WalkProblem, 'need'>): Mix[] {
  const { items, conflict, capacity, mostProducts, mostComponents } = problem;
  const clash = items.map((_, a) => items.map((__, b) => a !== b && conflict(a, b)));
  const mixes: Mix[] = [];
  const grow = (from: number, base: Mix | null, components: number) => {
    for (let index = from; index < items.length; index += 1) {
      const item = items[index] as WalkItem;
      if (components + item.components > mostComponents) continue;
      if (base?.items.some((other) => clash[other]![index])) continue;
      const kill = Float64Array.from(item.kill);
      const uses = Float64Array.from(item.uses);
      if (base) {
        for (let at = 0; at < kill.length; at += 1) kill[at]! += base.kill[at]!;
        for (let at = 0; at < uses.length; at += 1) uses[at]! += base.uses[at]!;
      }
      // What one tank alone runs out of, no larger tank has.
      if (uses.some((amount, place) => amount > capacity[place]! + EPSILON)) continue;
      const mix: Mix = {
        items: base ? [...base.items, index] : [index],
        cost: (base?.cost ?? 0) + item.cost,
        kill,
        uses,
      };
      mixes.push(mix);
      if (mix.items.length < mostProducts) grow(index + 1, mix, components + item.components);
    }
  };
  grow(0, null, 0);
  return mixes.sort((a, b) => a.cost - b.cost || a.items.length - b.items.length);
}

/** Resources that some number of walks could run out of. */
function scarce(mixes: readonly Mix[], capacity: readonly number[], walks: number): number[] {
  return capacity.flatMap((room, place) =>
    Math.max(0, ...mixes.map(({ uses }) => uses[place] as number)) * walks > room + EPSILON
      ? [place]
      : [],
  );
}

/**
 * Mixes that no other beats in cost, in every target and in every scarce resource. Of equals the
 * first stays. With `keep` above 1 a mix goes only when that many beat it, so that runners-up stay.
 * More than is needed of a target is worth no more than what is needed.
 */
function pareto(mixes: readonly Mix[], need: readonly number[], limited: number[], keep: number) {
  const kept: Mix[] = [];
  const asked = need.flatMap((lack, target) => (lack > 0 ? [target] : []));
  for (const mix of mixes) {
    if (asked.every((target) => mix.kill[target]! <= EPSILON) && asked.length > 0) continue;
    let beaten = 0;
    for (let at = 0; at < kept.length && beaten < keep; at += 1) {
      const other = kept[at] as Mix;
      let better = true;
      for (let i = 0; i < asked.length && better; i += 1) {
        const target = asked[i] as number;
        better = other.kill[target]! >= Math.min(mix.kill[target]!, need[target]!) - EPSILON;
      }
      for (let i = 0; i < limited.length && better; i += 1) {
        const place = limited[i] as number;
        better = other.uses[place]! <= mix.uses[place]! + EPSILON;
      }
      if (better) beaten += 1;
    }
    if (beaten < keep) kept.push(mix);
  }
  return kept;
}

export interface WalkSolver {
  /**
   * The cheapest plans that reach `need` (−ln of the share that may survive, by target; 0 leaves a
   * target out), the cheapest first; fewer walks first where costs are equal. Empty when none does.
   * @param options.walks exactly so many walks; @param options.keep how many plans are returned
   */
  solve(need: readonly number[], options?: { walks?: number; keep?: number }): WalkPlan[];
}

/**
 * Exact choice over one to so many walks, each walk a tank of its own: branch and bound over the
 * mixes that are not dominated. The mixes are made once for all wishes.
 */
export function walkSolver(problem: Omit<WalkProblem, 'need'>): WalkSolver {
  const all = mixesOf(problem);
  return { solve: (need, options = {}) => solve(problem, all, need, options) };
}

/** One wish: see {@link WalkSolver.solve}. */
export const exactWalks = (
  problem: WalkProblem,
  options: { walks?: number; keep?: number } = {},
): WalkPlan[] => walkSolver(problem).solve(problem.need, options);

function solve(
  { capacity, walkCost, mostWalks }: Omit<WalkProblem, 'need'>,
  all: readonly Mix[],
  need: readonly number[],
  { walks, keep = 3 }: { walks?: number; keep?: number },
): WalkPlan[] {
  const plans: WalkPlan[] = [];
  const bound = () => (plans.length < keep ? Infinity : (plans[keep - 1] as WalkPlan).cost);
  const insert = (plan: WalkPlan) => {
    const at = plans.findIndex(({ cost }) => plan.cost < cost - EPSILON);
    if (at < 0) plans.push(plan);
    else plans.splice(at, 0, plan);
    if (plans.length > keep) plans.pop();
  };
  const counts = walks === undefined ? range(mostWalks) : [walks];
  const limited = scarce(all, capacity, counts[counts.length - 1] as number);
  const mixes = pareto(all, need, limited, keep);
  const cheapest = mixes[0]?.cost ?? Infinity;
  // Most that any mix from here on can add to a target.
  const most = need.map(() => new Float64Array(mixes.length + 1));
  for (let index = mixes.length - 1; index >= 0; index -= 1) {
    need.forEach((_, target) => {
      most[target]![index] = Math.max(most[target]![index + 1]!, mixes[index]!.kill[target]!);
    });
  }
  for (const count of counts) {
    if (count * (walkCost + cheapest) >= bound() - EPSILON) break;
    const chosen: Mix[] = [];
    // What is missing of each target and left of each scarce resource, by walks still to come.
    const missing = Array.from({ length: count + 1 }, () => Float64Array.from(need));
    const room = Array.from({ length: count + 1 }, () => Float64Array.from(capacity));
    const search = (from: number, left: number, cost: number): void => {
      const lack = missing[left] as Float64Array;
      const space = room[left] as Float64Array;
      for (let index = from; index < mixes.length; index += 1) {
        const mix = mixes[index] as Mix;
        // Mixes come by cost: from here on nothing is cheaper.
        if (cost + left * mix.cost >= bound() - EPSILON) return;
        let fits = true;
        let reaches = true;
        for (let target = 0; target < lack.length; target += 1) {
          if (left * most[target]![index]! < lack[target]! - EPSILON) return;
          if (mix.kill[target]! < lack[target]! - EPSILON) reaches = false;
        }
        for (let at = 0; at < limited.length && fits; at += 1) {
          const place = limited[at] as number;
          fits = mix.uses[place]! <= space[place]! + EPSILON;
        }
        if (!fits) continue;
        if (left === 1) {
          if (!reaches) continue;
          insert({ walks: [...chosen, mix].map(({ items }) => items), cost: cost + mix.cost });
          continue;
        }
        const lacking = missing[left - 1] as Float64Array;
        const spare = room[left - 1] as Float64Array;
        for (let target = 0; target < lack.length; target += 1) {
          lacking[target] = lack[target]! - mix.kill[target]!;
        }
        for (let at = 0; at < limited.length; at += 1) {
          const place = limited[at] as number;
          spare[place] = space[place]! - mix.uses[place]!;
        }
        chosen.push(mix);
        search(index, left - 1, cost + mix.cost);
        chosen.pop();
      }
    };
    search(0, count, count * walkCost);
  }
  return plans;
}

const range = (count: number): number[] => Array.from({ length: count }, (_, index) => index + 1);
