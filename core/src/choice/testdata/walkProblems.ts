import { seededRandom } from '../../weather';
import type { WalkProblem } from '../exactWalks';

/** A random problem and the pairs that may not share a tank. */
export interface RandomProblem {
  problem: WalkProblem;
  conflicts: [number, number][];
}

/** A random problem; the same seed gives the same. */
export function drawProblem(seed: number): RandomProblem {
  const random = seededRandom(seed);
  const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
  const count = whole(3, 8);
  const targets = whole(1, 4);
  const resources = whole(0, 3);
  const items = Array.from({ length: count }, () => ({
    cost: Math.round(random() * 400) / 100 + 0.5,
    components: random() < 0.2 ? 2 : 1,
    kill: Array.from({ length: targets }, () =>
      random() < 0.3 ? 0 : -Math.log(1 - 0.95 * random()),
    ),
    uses: Array.from({ length: resources }, () => (random() < 0.5 ? 0 : whole(1, 3))),
  }));
  const conflicts: [number, number][] = [];
  for (let a = 0; a < count; a += 1) {
    for (let b = a + 1; b < count; b += 1) if (random() < 0.25) conflicts.push([a, b]);
  }
  return {
    conflicts,
    problem: {
      items,
      conflict: (a, b) => conflicts.some(([p, q]) => (p === a && q === b) || (p === b && q === a)),
      need: Array.from({ length: targets }, () => -Math.log(1 - (0.5 + 0.45 * random()))),
      capacity: Array.from({ length: resources }, () => whole(2, 6)),
      mostProducts: 2,
      mostComponents: 3,
      walkCost: whole(0, 3) * 2,
      mostWalks: whole(1, 3),
    },
  };
}

/** The same problem in the LP language of mixed-integer solvers: which product is in which walk. */
export function programOf({ problem, conflicts }: RandomProblem): string {
  const { items, need, capacity, mostWalks } = problem;
  const walks = Array.from({ length: mostWalks }, (_, k) => k);
  const x = (item: number, walk: number) => `x${item}_${walk}`;
  const sum = (terms: string[]) => terms.join(' + ');
  const each = (of: (item: number, walk: number) => number) =>
    sum(walks.flatMap((k) => items.map((_, j) => `${of(j, k).toFixed(9)} ${x(j, k)}`)));
  const rows: string[] = [];
  need.forEach((lack, t) => rows.push(`${each((j) => items[j]!.kill[t]!)} >= ${lack.toFixed(9)}`));
  capacity.forEach((room, r) => rows.push(`${each((j) => items[j]!.uses[r]!)} <= ${room}`));
  for (const k of walks) {
    rows.push(`${sum(items.map((_, j) => x(j, k)))} - 2 y${k} <= 0`);
    rows.push(`${sum(items.map((item, j) => `${item.components} ${x(j, k)}`))} - 3 y${k} <= 0`);
    for (const [a, b] of conflicts) rows.push(`${x(a, k)} + ${x(b, k)} <= 1`);
  }
  const objective = `${each((j) => items[j]!.cost)} + ${sum(walks.map((k) => `${problem.walkCost} y${k}`))}`;
  const binaries = [
    ...walks.map((k) => `y${k}`),
    ...walks.flatMap((k) => items.map((_, j) => x(j, k))),
  ];
  return `Minimize\n obj: ${objective}\nSubject To\n${rows.map((row, i) => ` c${i}: ${row}`).join('\n')}\nBinary\n ${binaries.join(' ')}\nEnd`;
}

