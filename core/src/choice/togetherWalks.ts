import { walkSolver, type WalkPlan, type WalkProblem } from './exactWalks';

/** Work of one kind: its products kill nothing that another family's targets are. */
export interface Family {
  problem: Omit<WalkProblem, 'need' | 'walkCost'>;
  need: readonly number[];
}

export interface TogetherPlan {
  /** Walks of each lane. */
  passes: number[];
  /** Plan of each family; its walks come lane by lane. */
  families: { pattern: number[]; plan: WalkPlan }[];
  cost: number;
}

/** Every way to split at most so many walks over the lanes that are used, fewest walks first. */
function patternsOf(lanes: number, used: ReadonlySet<number>, most: number): number[][] {
  const grow = (left: number, lane: number): number[][] =>
    lane === lanes
      ? [[]]
      : Array.from({ length: used.has(lane) ? left + 1 : 1 }, (_, count) => count).flatMap(
          (count) => grow(left - count, lane + 1).map((rest) => [count, ...rest]),
        );
  return grow(most, 0)
    .filter((pattern) => sum(pattern) > 0)
    .sort((a, b) => sum(a) - sum(b));
}

const sum = (counts: readonly number[]): number => counts.reduce((all, count) => all + count, 0);

interface Choice {
  pattern: number[];
  plan: WalkPlan;
}

/**
 * The best plans of one family by pattern. A pattern only counts for what is cheaper than the plans of
 * the patterns that lie within it.
 */
function choicesOf({ problem, need }: Family, lanes: number, keep: number): Choice[] {
  const solver = walkSolver({ ...problem, walkCost: 0 });
  const used = new Set(problem.items.map(({ lane }) => lane ?? 0));
  const choices: Choice[] = [];
  for (const pattern of patternsOf(lanes, used, problem.mostWalks)) {
    const within = choices
      .filter((other) => other.pattern.every((count, lane) => count <= pattern[lane]!))
      .map(({ plan }) => plan.cost)
      .sort((a, b) => a - b);
    const below = within[keep - 1] ?? Infinity;
    const { plans } = solver.solve(need, { walks: pattern, keep, below });
    choices.push(...plans.map((plan) => ({ pattern, plan })));
  }
  return choices;
}

/**
 * The cheapest way to do the work of several families, exactly. Families have no target in common,
 * so that each one's best plans for a pattern of walks are found alone; a walk of a shared lane then
 * carries what every family has for it, and one of another lane carries one family's product.
 * @param shared by lane, whether families share its walks
 * @returns the cheapest plans, cheapest first, fewer walks first where costs are equal; and the
 * cheapest plan of each family alone, `null` where there is none
 */
export function togetherWalks(
  families: readonly Family[],
  { shared, walkCost, keep }: { shared: readonly boolean[]; walkCost: number; keep: number },
): { plans: TogetherPlan[]; alone: (TogetherPlan | null)[] } {
  const own = families.map((family) => choicesOf(family, shared.length, keep));
  const priced = (plans: readonly TogetherPlan[]) =>
    plans
      .map((plan) => ({ ...plan, cost: plan.cost + walkCost * sum(plan.passes) }))
      .sort((a, b) => a.cost - b.cost || sum(a.passes) - sum(b.passes));
  let together: TogetherPlan[] = [{ passes: shared.map(() => 0), families: [], cost: 0 }];
  for (const choices of own) {
    together = together.flatMap((base) =>
      choices.map(({ pattern, plan }): TogetherPlan => ({
        passes: base.passes.map((count, lane) =>
          shared[lane] ? Math.max(count, pattern[lane]!) : count + pattern[lane]!,
        ),
        families: [...base.families, { pattern, plan }],
        cost: base.cost + plan.cost,
      })),
    );
  }
  return {
    plans: priced(together),
    alone: own.map(
      (choices) =>
        priced(
          choices.map(({ pattern, plan }) => ({
            passes: pattern,
            families: [{ pattern, plan }],
            cost: plan.cost,
          })),
        )[0] ?? null,
    ),
  };
}
