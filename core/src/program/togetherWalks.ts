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

/** Every way to split at most so many walks over the lanes, one walk or more. */
function patternsOf(lanes: number, most: number): number[][] {
  const grow = (left: number, depth: number): number[][] =>
    depth === lanes
      ? [[]]
      : Array.from({ length: left + 1 }, (_, count) => count).flatMap((count) =>
          grow(left - count, depth + 1).map((rest) => [count, ...rest]),
        );
  return grow(most, 0).filter((pattern) => pattern.some((count) => count > 0));
}

/**
 * The cheapest way to do the work of several families, exactly. Families have no target in common,
 * so that each one's best plans for a pattern of walks are found alone; a walk of a shared lane then
 * carries what every family has for it, and one of another lane carries one family's product.
 * @param shared by lane, whether families share its walks
 * @returns the cheapest plans, cheapest first; fewer walks first where costs are equal
 */
export function togetherWalks(
  families: readonly Family[],
  { shared, walkCost, keep }: { shared: readonly boolean[]; walkCost: number; keep: number },
): TogetherPlan[] {
  const own = families.map(({ problem, need }) => {
    const solver = walkSolver({ ...problem, walkCost: 0 });
    return patternsOf(shared.length, problem.mostWalks).flatMap((pattern) =>
      solver.solve(need, { walks: pattern, keep }).plans.map((plan) => ({ pattern, plan })),
    );
  });
  let together: TogetherPlan[] = [{ passes: shared.map(() => 0), families: [], cost: 0 }];
  for (const choices of own) {
    together = together.flatMap((base) =>
      choices.map(({ pattern, plan }): TogetherPlan => {
        const passes = base.passes.map((count, lane) =>
          shared[lane] ? Math.max(count, pattern[lane]!) : count + pattern[lane]!,
        );
        return {
          passes,
          families: [...base.families, { pattern, plan }],
          cost: base.cost + plan.cost,
        };
      }),
    );
  }
  const walksOf = ({ passes }: TogetherPlan) => passes.reduce((sum, count) => sum + count, 0);
  return together
    .map((plan) => ({ ...plan, cost: plan.cost + walkCost * walksOf(plan) }))
    .sort((a, b) => a.cost - b.cost || walksOf(a) - walksOf(b));
}
