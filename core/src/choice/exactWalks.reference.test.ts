/**
 * The exact choice against HiGHS (Huangfu & Hall 2018, Mathematical Programming Computation), an
 * independent mixed-integer solver, on random problems.
 */
import loadHighs from 'highs';
import { exactWalks } from './exactWalks';
import { drawProblem, programOf } from './testdata/walkProblems';

/** The bench runs thousands more. */
const CASES = 250;

it(`costs what the solver's optimum costs, on ${CASES} random problems`, async () => {
  const highs = await loadHighs();
  let solvable = 0;
  for (let seed = 1; seed <= CASES; seed += 1) {
    const random = drawProblem(seed);
    const [best] = exactWalks(random.problem, { keep: 1 });
    const solved = highs.solve(programOf(random));
    if (solved.Status === 'Optimal') {
      solvable += 1;
      expect({ seed, cost: best?.cost.toFixed(5) }).toEqual({
        seed,
        cost: solved.ObjectiveValue.toFixed(5),
      });
    } else expect({ seed, best }).toEqual({ seed, best: undefined });
  }
  // Both kinds are met often enough to mean something.
  expect(solvable).toBeGreaterThan(CASES * 0.3);
  expect(solvable).toBeLessThan(CASES * 0.98);
}, 120_000);

it('returns runners-up in order, each of them a plan that reaches', () => {
  for (let seed = 1; seed <= 300; seed += 1) {
    const { problem } = drawProblem(seed);
    const plans = exactWalks(problem);
    expect(plans.map(({ cost }) => cost.toFixed(6))).toEqual(
      plans
        .map(({ cost }) => cost)
        .sort((a, b) => a - b)
        .map((cost) => cost.toFixed(6)),
    );
    for (const { walks } of plans) {
      problem.need.forEach((need, target) => {
        const kill = walks
          .flat()
          .reduce((sum, item) => sum + problem.items[item]!.kill[target]!, 0);
        expect(kill).toBeGreaterThanOrEqual(need - 1e-6);
      });
      problem.capacity.forEach((room, place) => {
        const used = walks.flat().reduce((sum, item) => sum + problem.items[item]!.uses[place]!, 0);
        expect(used).toBeLessThanOrEqual(room + 1e-6);
      });
    }
  }
});

it('a larger shelf never costs more, and the same problem has the same answer', () => {
  for (let seed = 1; seed <= 300; seed += 1) {
    const { problem } = drawProblem(seed);
    const whole = exactWalks(problem, { keep: 1 })[0];
    const fewer = exactWalks({ ...problem, items: problem.items.slice(0, -1) }, { keep: 1 })[0];
    if (fewer) expect(whole!.cost).toBeLessThanOrEqual(fewer.cost + 1e-9);
    expect(exactWalks(problem, { keep: 1 })[0]).toEqual(whole);
  }
});
