/** A product as the exact choice sees it: what it costs, kills and uses up at its rate. */
export interface WalkItem {
  cost: number;
  /** Products that it is made of when a tank's room for them is counted. */
  components: number;
  /** −ln of the share that survives it, by target. Independent action adds these up. */
  kill: readonly number[];
  /** What one use takes of each limited resource, by its index. */
  uses: readonly number[];
  /** Kind of walk it goes out on, as on the leaf or watered in; those of two lanes never share one. */
  lane?: number;
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
  /** What a tank as a whole takes of resources beside its items, if anything. */
  ofTank?: (items: readonly number[]) => readonly { place: number; amount: number }[];
}

export interface WalkPlan {
  /** Items of each walk's tank. */
  walks: number[][];
  cost: number;
}

const EPSILON = 1e-9;

/** A tank: its items, what they cost and kill together, and the resources that they take. */
interface Mix {
  items: number[];
  lane: number;
  cost: number;
  kill: number[];
  /** Resources it takes any of, and how much of each; few of the many. */
  places: number[];
  amounts: number[];
}

/** Every tank that may be filled, by rising cost. */
function mixesOf(problem: Omit<WalkProblem, 'need'>): Mix[] {
  const { items, conflict, capacity, mostProducts, mostComponents, ofTank } = problem;
  const clash = items.map((_, a) => items.map((__, b) => a !== b && conflict(a, b)));
  const taken = items.map(({ uses }) =>
    uses.flatMap((amount, place) => (amount > 0 ? [{ place, amount }] : [])),
  );
  const mixes: Mix[] = [];
  const grow = (from: number, base: Mix | null, components: number) => {
    for (let index = from; index < items.length; index += 1) {
      const item = items[index] as WalkItem;
      if (components + item.components > mostComponents) continue;
      if (base && base.lane !== (item.lane ?? 0)) continue;
      if (base?.items.some((other) => clash[other]![index])) continue;
      const kill = [...item.kill];
      if (base) for (let at = 0; at < kill.length; at += 1) kill[at]! += base.kill[at]!;
      const places = base ? [...base.places] : [];
      const amounts = base ? [...base.amounts] : [];
      for (const { place, amount } of taken[index]!) {
        const at = places.indexOf(place);
        if (at < 0) {
          places.push(place);
          amounts.push(amount);
        } else amounts[at]! += amount;
      }
      // What one tank alone runs out of, no larger tank has.
      if (amounts.some((amount, at) => amount > capacity[places[at]!]! + EPSILON)) continue;
      const tank = base ? [...base.items, index] : [index];
      const mix: Mix = {
        items: tank,
        lane: item.lane ?? 0,
        cost: (base?.cost ?? 0) + item.cost,
        kill,
        places,
        amounts,
      };
      const whole = ofTank?.(tank) ?? [];
      if (whole.every(({ place, amount }) => amount <= capacity[place]! + EPSILON)) {
        mixes.push(
          whole.length === 0
            ? mix
            : {
                ...mix,
                places: [...places, ...whole.map(({ place }) => place)],
                amounts: [...amounts, ...whole.map(({ amount }) => amount)],
              },
        );
      }
      // A larger tank may well take none of what this one takes as a whole.
      if (mix.items.length < mostProducts) grow(index + 1, mix, components + item.components);
    }
  };
  grow(0, null, 0);
  return mixes.sort((a, b) => a.cost - b.cost || a.items.length - b.items.length);
}

/** A mix and what it does for the targets that are asked, no more than is needed of each. */
interface Row {
  mix: Mix;
  kill: number[];
  /** Cost less what the multipliers pay for its kill. */
  reduced: number;
}

/** Whether a row takes no more of any scarce resource than another does. */
function takesNoMore(row: Row, other: Row, scarce: Uint8Array): boolean {
  const { places, amounts } = row.mix;
  for (let at = 0; at < places.length; at += 1) {
    const place = places[at]!;
    if (!scarce[place]) continue;
    const theirs = other.mix.places.indexOf(place);
    if (theirs < 0 || other.mix.amounts[theirs]! < amounts[at]! - EPSILON) return false;
  }
  return true;
}

/**
 * Rows that no other beats in cost, in every target and in every scarce resource. Of equals the
 * first stays. With `keep` above 1 a row goes only when that many beat it, so that runners-up stay.
 * @param rows by rising cost
 */
function pareto(rows: readonly Row[], scarce: Uint8Array, keep: number): Row[] {
  const kept: Row[] = [];
  for (const row of rows) {
    let beaten = 0;
    for (let at = 0; at < kept.length && beaten < keep; at += 1) {
      const other = kept[at]!;
      let better = true;
      for (let target = 0; target < row.kill.length && better; target += 1) {
        better = other.kill[target]! >= row.kill[target]! - EPSILON;
      }
      if (better && takesNoMore(other, row, scarce)) beaten += 1;
    }
    if (beaten < keep) kept.push(row);
  }
  return kept;
}

/** The walks of one lane and the mixes that they may be. */
interface Open {
  walks: number;
  rows: Row[];
}

/** Rounds of the search for multipliers, and rounds without gain after which its step is halved. */
const ROUNDS = 60;
const PATIENCE = 4;
/** A step so small gains no more. */
const LEAST_SCALE = 0.1;

/**
 * Prices of the targets by which every plan costs at least `need·λ + Σ min(cost − kill·λ)`: the
 * Lagrangian bound, raised by subgradient steps (Held, Wolfe & Crowder 1974, from memory).
 */
function multipliers(
  open: readonly Open[],
  need: readonly number[],
  upper: number,
): { prices: Float64Array; bound: number } {
  const size = need.length;
  let prices = new Float64Array(size);
  let best = { prices, bound: -Infinity };
  let scale = 1.5;
  let idle = 0;
  const slope = new Float64Array(size);
  for (let round = 0; round < ROUNDS; round += 1) {
    let bound = 0;
    for (let target = 0; target < size; target += 1) {
      bound += prices[target]! * need[target]!;
      slope[target] = need[target]!;
    }
    for (const { walks, rows } of open) {
      let least = Infinity;
      let cheapest = rows[0]!;
      for (const row of rows) {
        const { kill } = row;
        let reduced = row.mix.cost;
        for (let target = 0; target < size; target += 1) reduced -= prices[target]! * kill[target]!;
        if (reduced < least) {
          least = reduced;
          cheapest = row;
        }
      }
      bound += walks * least;
      for (let target = 0; target < size; target += 1) {
        slope[target]! -= walks * cheapest.kill[target]!;
      }
    }
    if (bound > best.bound + EPSILON) {
      best = { prices, bound };
      idle = 0;
    } else if ((idle += 1) >= PATIENCE) {
      scale /= 2;
      idle = 0;
    }
    if (bound >= upper || scale < LEAST_SCALE) break;
    let length = 0;
    for (let target = 0; target < size; target += 1) {
      if (prices[target]! > 0 || slope[target]! > 0) length += slope[target]! ** 2;
    }
    if (length < EPSILON) break;
    const step = (scale * (upper - bound)) / length;
    const from = prices;
    prices = from.map((price, target) => Math.max(0, price + step * slope[target]!));
  }
  return best;
}

export interface SolveOptions {
  /** Exactly so many walks of each lane; without it one to `mostWalks` of the only lane. */
  walks?: readonly number[];
  /** How many plans are wanted. */
  keep?: number;
  /** Only plans that cost less. */
  below?: number;
}

export interface WalkAnswer {
  plans: WalkPlan[];
  /** The cheapest plan of the fewest walks that do. */
  fewest: WalkPlan | null;
}

export interface WalkSolver {
  /**
   * The cheapest plans that reach `need` (−ln of the share that may survive, by target; 0 leaves a
   * target out), the cheapest first; fewer walks first where costs are equal. Empty when none does.
   */
  solve(need: readonly number[], options?: SolveOptions): WalkAnswer;
}

/**
 * Exact choice over one to so many walks, each walk a tank of its own: branch and bound over the
 * mixes that are not dominated, in the order of their Lagrangian reduced cost. The mixes are made
 * once for all wishes.
 */
export function walkSolver(problem: Omit<WalkProblem, 'need'>): WalkSolver {
  const all = mixesOf(problem);
  const largest = new Float64Array(problem.capacity.length);
  for (const { places, amounts } of all) {
    places.forEach((place, at) => {
      largest[place] = Math.max(largest[place]!, amounts[at]!);
    });
  }
  return { solve: (need, options = {}) => solve(problem, all, largest, need, options) };
}

/** The plans of one wish: see {@link WalkSolver.solve}. */
export const exactWalks = (problem: WalkProblem, options: SolveOptions = {}): WalkPlan[] =>
  walkSolver(problem).solve(problem.need, options).plans;

/** The cheapest plans found so far. */
class Best {
  readonly plans: WalkPlan[] = [];

  constructor(
    readonly keep: number,
    private readonly below: number,
  ) {}

  /** What a further plan must cost less than. */
  get limit(): number {
    return this.plans[this.keep - 1]?.cost ?? this.below;
  }

  insert(plan: WalkPlan): void {
    const at = this.plans.findIndex(({ cost }) => plan.cost < cost - EPSILON);
    if (at < 0) this.plans.push(plan);
    else this.plans.splice(at, 0, plan);
    if (this.plans.length > this.keep) this.plans.pop();
  }
}

function solve(
  { capacity, walkCost, mostWalks }: Omit<WalkProblem, 'need'>,
  all: readonly Mix[],
  /** Most that one tank takes of each resource. */
  largest: Float64Array,
  need: readonly number[],
  { walks, keep = 3, below = Infinity }: SolveOptions,
): WalkAnswer {
  const best = new Best(keep, below);
  let fewest: WalkPlan | null = null;
  const asked = need.flatMap((lack, target) => (lack > EPSILON ? [target] : []));
  const lack = asked.map((target) => need[target]!);
  const rows = all
    .map((mix): Row => {
      // More than is needed of a target is worth no more than what is needed.
      const kill = asked.map((target) => Math.min(mix.kill[target]!, need[target]!));
      return { mix, kill, reduced: mix.cost };
    })
    .filter(({ kill }) => kill.some((amount) => amount > EPSILON));
  const patterns = walks ? [walks] : range(mostWalks).map((count) => [count]);
  for (const pattern of patterns) {
    const count = pattern.reduce((sum, own) => sum + own, 0);
    const open = pattern.flatMap((own, lane) =>
      own > 0 ? [{ walks: own, rows: rows.filter(({ mix }) => mix.lane === lane) }] : [],
    );
    if (open.some((lane) => lane.rows.length === 0)) continue;
    const scarce = Uint8Array.from(capacity, (room, place) =>
      largest[place]! * count > room + EPSILON ? 1 : 0,
    );
    searchPattern(open, { need: lack, scarce, capacity, fixed: count * walkCost }, best);
    fewest ??= best.plans[0] ?? null;
  }
  return { plans: best.plans, fewest };
}

interface Wish {
  need: readonly number[];
  scarce: Uint8Array;
  capacity: readonly number[];
  /** Cost of the walks themselves. */
  fixed: number;
}

/**
 * What `keep` plans cost at most: each walk takes what does most for the money, the last one the
 * cheapest mixes that do the rest. `Infinity` where this finds too few.
 */
function greedyCost(
  levels: readonly { rows: readonly Row[] }[],
  { need, capacity, fixed }: Wish,
  keep: number,
): number {
  const lack = Float64Array.from(need);
  const room = Float64Array.from(capacity);
  let cost = fixed;
  const fits = ({ mix }: Row) =>
    mix.places.every((place, at) => mix.amounts[at]! <= room[place]! + EPSILON);
  for (const { rows } of levels.slice(0, -1)) {
    let taken: Row | null = null;
    let most = 0;
    for (const row of rows) {
      let worth = 0;
      row.kill.forEach((kill, target) => {
        worth += Math.min(kill, lack[target]!) / need[target]!;
      });
      if (worth > most + EPSILON && fits(row)) {
        taken = row;
        most = worth;
      }
    }
    if (!taken) return Infinity;
    cost += taken.mix.cost;
    for (let at = 0; at < lack.length; at += 1) lack[at]! -= taken.kill[at]!;
    taken.mix.places.forEach((place, at) => (room[place]! -= taken.mix.amounts[at]!));
  }
  const last = levels[levels.length - 1]!.rows.filter(
    (row) => row.kill.every((kill, target) => kill >= lack[target]! - EPSILON) && fits(row),
  )
    .map(({ mix }) => mix.cost)
    .sort((a, b) => a - b)[keep - 1];
  return last === undefined ? Infinity : cost + last;
}

/** Searches the plans with so many walks of each lane. */
function searchPattern(open: readonly Open[], wish: Wish, best: Best): void {
  const { need, scarce, capacity, fixed } = wish;
  const size = need.length;
  const dearest = open.reduce(
    (sum, { walks, rows }) => sum + walks * rows[rows.length - 1]!.mix.cost,
    fixed,
  );
  const eachWalk = <T>(lanes: readonly (T & { walks: number })[]): T[] =>
    lanes.flatMap((lane) => Array.from({ length: lane.walks }, () => lane));
  // No plan costs more than the dearest tanks: a bound above that proves that none reaches the need.
  const ceiling = Math.min(
    best.limit,
    dearest + 1,
    greedyCost(eachWalk(open), wish, best.keep) + 3 * EPSILON,
  );
  const { prices, bound } = multipliers(open, need, ceiling - fixed);
  const slack = ceiling - fixed - bound;
  if (slack <= EPSILON) return;
  const lanes = open.map(({ walks, rows }) => {
    let least = Infinity;
    for (const row of rows) {
      let reduced = row.mix.cost;
      for (let place = 0; place < size; place += 1) reduced -= row.kill[place]! * prices[place]!;
      row.reduced = reduced;
      least = Math.min(least, reduced);
    }
    // A mix that costs more above the cheapest than there is slack is in no plan worth finding.
    const within = rows.filter(({ reduced }) => reduced - least < slack);
    const able = walks > 1 ? pareto(within, scarce, best.keep) : [...within];
    const kept = able.sort((a, b) => a.reduced - b.reduced);
    const kills = Float64Array.from(kept.flatMap(({ kill }) => kill));
    const reduced = Float64Array.from(kept, (row) => row.reduced);
    /** Most that any mix from an index on can add to a target; shape (rows + 1, targets). */
    const most = new Float64Array((kept.length + 1) * size);
    for (let index = kept.length - 1; index >= 0; index -= 1) {
      for (let place = 0; place < size; place += 1) {
        most[index * size + place] = Math.max(
          most[(index + 1) * size + place]!,
          kept[index]!.kill[place]!,
        );
      }
    }
    return { walks, rows: kept, kills, reduced, most };
  });
  const levels = eachWalk(lanes);
  const depth = levels.length;
  // What the lanes after a level's own must cost at least, and can add at most.
  const later = levels.map((lane, level) => {
    const rest = levels.slice(level).filter((other) => other !== lane);
    return {
      same: levels.slice(level + 1).filter((other) => other === lane).length,
      reduced: rest.reduce((sum, other) => sum + other.rows[0]!.reduced, 0),
      most: Float64Array.from(need, (_, place) =>
        rest.reduce((sum, other) => sum + other.most[place]!, 0),
      ),
    };
  });
  const base = need.reduce((sum, amount, place) => sum + amount * prices[place]!, fixed);
  const missing = Array.from({ length: depth + 1 }, () => Float64Array.from(need));
  const room = Float64Array.from(capacity);
  const chosen: Mix[] = [];
  const hasRoom = ({ places, amounts }: Mix) => {
    for (let at = 0; at < places.length; at += 1) {
      if (amounts[at]! > room[places[at]!]! + EPSILON) return false;
    }
    return true;
  };
  /** The last walk: what does all that is left, tried first on what is hardest to come by. */
  const finish = (from: number, cost: number, reduced: number): void => {
    const lane = levels[depth - 1]!;
    const lack = missing[depth - 1]!;
    let hardest = 0;
    let hardness = -Infinity;
    for (let place = 0; place < size; place += 1) {
      const own = lack[place]! / (lane.most[from * size + place]! + EPSILON);
      if (own > hardness) {
        hardness = own;
        hardest = place;
      }
    }
    const hard = lack[hardest]! - EPSILON;
    for (let index = from; index < lane.rows.length; index += 1) {
      if (base + reduced + lane.reduced[index]! >= Math.min(best.limit, ceiling) - EPSILON) return;
      if (lane.kills[index * size + hardest]! < hard) continue;
      let reaches = true;
      for (let place = 0; place < size && reaches; place += 1) {
        reaches = lane.kills[index * size + place]! >= lack[place]! - EPSILON;
      }
      const { mix } = lane.rows[index]!;
      if (!reaches || cost + mix.cost >= Math.min(best.limit, ceiling) - EPSILON) continue;
      if (!hasRoom(mix)) continue;
      best.insert({ walks: [...chosen, mix].map(({ items }) => items), cost: cost + mix.cost });
    }
  };
  const search = (level: number, from: number, cost: number, reduced: number): void => {
    if (level + 1 === depth) {
      finish(from, cost, reduced);
      return;
    }
    const lane = levels[level]!;
    const { same, reduced: rest, most } = later[level]!;
    const lack = missing[level]!;
    const lacking = missing[level + 1]!;
    for (let index = from; index < lane.rows.length; index += 1) {
      const own = lane.reduced[index]!;
      const limit = Math.min(best.limit, ceiling) - EPSILON;
      // Mixes of a lane come by reduced cost: from here on no plan is cheaper.
      if (base + reduced + own * (1 + same) + rest >= limit) return;
      const { mix } = lane.rows[index]!;
      if (cost + mix.cost >= limit) continue;
      let fits = true;
      for (let place = 0; place < size && fits; place += 1) {
        const left = lack[place]! - lane.kills[index * size + place]!;
        lacking[place] = left;
        fits = left <= same * lane.most[index * size + place]! + most[place]! + EPSILON;
      }
      if (!fits || !hasRoom(mix)) continue;
      const { places, amounts } = mix;
      for (let at = 0; at < places.length; at += 1) room[places[at]!]! -= amounts[at]!;
      chosen.push(mix);
      search(level + 1, levels[level + 1] === lane ? index : 0, cost + mix.cost, reduced + own);
      chosen.pop();
      for (let at = 0; at < places.length; at += 1) room[places[at]!]! += amounts[at]!;
    }
  };
  search(0, 0, fixed, 0);
}

const range = (count: number): number[] => Array.from({ length: count }, (_, index) => index + 1);
