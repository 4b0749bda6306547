/**
 * Work of several kinds on shared walks against HiGHS (Huangfu & Hall 2018, Mathematical Programming
 * Computation), which is given the whole problem at once instead of family by family.
 */
import loadHighs from 'highs';
import { drawProblem, type RandomProblem } from './testdata/walkProblems';
import { togetherWalks, type Family } from './togetherWalks';

const CASES = 150;
const MOST_WALKS = 2;
/** On the leaf and watered in are shared; dry products are not. */
const SHARED = [true, true, false];

interface Drawn {
  family: Family;
  conflicts: RandomProblem['conflicts'];
}

function drawFamilies(seed: number): Drawn[] {
  return [0, 1].map((which) => {
    const { problem, conflicts } = drawProblem(seed * 2 + which);
    const { walkCost: _walkCost, need, ...rest } = problem;
    const items = rest.items.slice(0, 5).map((item, index) => ({
      ...item,
      lane: which === 0 ? (seed + index) % 2 : (seed + index) % 3,
    }));
    return {
      family: {
        problem: { ...rest, items, mostWalks: MOST_WALKS },
        need: need.map((lack) => lack * 0.7),
      },
      conflicts: conflicts.filter(([a, b]) => a < 5 && b < 5),
    };
  });
}

/** The same in the language of mixed-integer solvers. */
function programOf(drawn: readonly Drawn[], walkCost: number): string {
  const slots = Array.from({ length: MOST_WALKS }, (_, slot) => slot);
  const rows: string[] = [];
  const binaries = new Set<string>();
  const opened = new Set<string>();
  const cost: string[] = [];
  drawn.forEach(({ family, conflicts }, f) => {
    const { items, capacity } = family.problem;
    const x = (item: number, slot: number) => `x${f}_${item}_${slot}`;
    const uses: string[] = [];
    const each = (of: (item: number) => number) =>
      items
        .flatMap((_, item) => slots.map((slot) => `${of(item).toFixed(9)} ${x(item, slot)}`))
        .join(' + ');
    cost.push(each((item) => items[item]!.cost));
    family.need.forEach((lack, target) =>
      rows.push(`${each((item) => items[item]!.kill[target]!)} >= ${lack.toFixed(9)}`),
    );
    capacity.forEach((room, place) =>
      rows.push(`${each((item) => items[item]!.uses[place]!)} <= ${room}`),
    );
    SHARED.forEach((shared, lane) => {
      const own = items.flatMap((item, index) => ((item.lane ?? 0) === lane ? [index] : []));
      if (own.length === 0) return;
      for (const slot of slots) {
        const open = shared ? `y${lane}_${slot}` : `y${f}_${lane}_${slot}`;
        const used = `z${f}_${lane}_${slot}`;
        opened.add(open);
        uses.push(used);
        binaries.add(used);
        rows.push(`${used} - ${open} <= 0`);
        rows.push(`${own.map((item) => x(item, slot)).join(' + ')} - 2 ${used} <= 0`);
        rows.push(
          `${own.map((item) => `${items[item]!.components} ${x(item, slot)}`).join(' + ')} - 3 ${used} <= 0`,
        );
        for (const item of own) binaries.add(x(item, slot));
        for (const [a, b] of conflicts) {
          if (own.includes(a) && own.includes(b)) {
            rows.push(`${x(a, slot)} + ${x(b, slot)} <= 1`);
          }
        }
      }
    });
    rows.push(`${uses.join(' + ')} <= ${MOST_WALKS}`);
  });
  const objective = [...cost, ...[...opened].map((open) => `${walkCost} ${open}`)].join(' + ');
  return `Minimize\n obj: ${objective}\nSubject To\n${rows.map((row, i) => ` c${i}: ${row}`).join('\n')}\nBinary\n ${[...binaries, ...opened].join(' ')}\nEnd`;
}

it(`costs what the solver's optimum costs, on ${CASES} random problems of two kinds`, async () => {
  const highs = await loadHighs();
  let solvable = 0;
  let sharing = 0;
  for (let seed = 1; seed <= CASES; seed += 1) {
    const drawn = drawFamilies(seed);
    const walkCost = 3;
    const [best] = togetherWalks(
      drawn.map(({ family }) => family),
      { shared: SHARED, walkCost, keep: 2 },
    ).plans;
    const solved = highs.solve(programOf(drawn, walkCost));
    if (solved.Status !== 'Optimal') {
      expect({ seed, best }).toEqual({ seed, best: undefined });
      continue;
    }
    solvable += 1;
    expect({ seed, cost: best?.cost.toFixed(4) }).toEqual({
      seed,
      cost: solved.ObjectiveValue.toFixed(4),
    });
    const walks = best!.passes.reduce((sum, count) => sum + count, 0);
    const apart = best!.families.reduce((sum, { plan }) => sum + plan.walks.length, 0);
    if (walks < apart) sharing += 1;
  }
  expect(solvable).toBeGreaterThan(CASES * 0.3);
  expect(sharing).toBeGreaterThan(10);
}, 120_000);
