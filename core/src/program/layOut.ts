/** Work that wants a day: whole days from any day 0, and what other days than the best one cost, $. */
export interface LayJob {
  opens: number;
  best: number;
  closes: number;
  earlyUsd: number;
  lateUsd: number;
  /** Left undone. */
  unmetUsd: number;
}

/** Two pieces of work, by their place in the list: so many days apart at the least, or never on one day. */
export type LayRule =
  | { kind: 'after'; first: number; then: number; leastDays: number; mostDays?: number }
  | { kind: 'apart'; first: number; then: number };

export interface Layout {
  /** Day of each piece of work; `null`: left undone. */
  days: (number | null)[];
  usd: number;
  /** Nothing is cheaper by more than a hundredth; otherwise it is the best of what was looked at. */
  exact: boolean;
}

/** Windows as far as the search has cut them. */
interface Node {
  from: readonly number[];
  to: readonly number[];
}

/** A window-cut part of the search whose cheapest days break a rule. */
interface Part extends Node {
  usd: number;
  broken: LayRule;
  days: readonly (number | null)[];
}

/** Parts of the search that are looked at, at most. */
const MOST_NODES = 600;
/** Share of its cost by which a layout may be dearer than the cheapest. */
const NEAR_ENOUGH = 0.01;
const EPSILON = 1e-9;

const dayUsd = ({ best, earlyUsd, lateUsd }: LayJob, day: number): number =>
  day < best ? (best - day) * earlyUsd : (day - best) * lateUsd;

/**
 * The cheapest days where nothing but windows counts. Off its best day work only gets dearer, so that it goes on the
 * last trip before that day or the first one after it: the trips are chosen from left to right.
 */
function withoutRules(jobs: readonly LayJob[], { from, to }: Node, visitUsd: number): Layout {
  const open = jobs
    .map((job, index) => ({ job, index, from: from[index]!, to: to[index]! }))
    .filter((entry) => entry.from <= entry.to)
    .map((entry) => ({
      ...entry,
      nearest: Math.min(entry.to, Math.max(entry.from, entry.job.best)),
    }));
  const trips = [...new Set(open.flatMap((entry) => [entry.from, entry.nearest, entry.to]))].sort(
    (a, b) => a - b,
  );
  const shut = jobs.reduce(
    (sum, { unmetUsd }, index) => sum + (from[index]! <= to[index]! ? 0 : unmetUsd),
    0,
  );
  const byNearest = [...open].sort((a, b) => a.nearest - b.nearest);
  const choose = (entry: (typeof open)[number], left: number, right: number) => {
    let usd = entry.job.unmetUsd;
    let day: number | null = null;
    for (const trip of [left, right]) {
      if (trip < entry.from || trip > entry.to) continue;
      const cost = dayUsd(entry.job, trip);
      if (cost < usd - EPSILON) {
        usd = cost;
        day = trip;
      }
    }
    return { usd, day };
  };
  // Trip -1 lies before everything, the last one after it; neither costs anything, nor can be used.
  const days = [-Infinity, ...trips, Infinity];
  // Work whose nearest day is a trip's or later begins here in the list.
  const begins = days.map((day) => {
    const at = byNearest.findIndex(({ nearest }) => nearest >= day);
    return at < 0 ? byNearest.length : at;
  });
  const cheapest: number[] = [0];
  const before: number[] = [-1];
  for (let right = 1; right < days.length; right += 1) {
    let least = Infinity;
    before[right] = 0;
    for (let left = right - 1; left >= 0; left -= 1) {
      let between = 0;
      for (let at = begins[left]!; at < begins[right]!; at += 1) {
        between += choose(byNearest[at]!, days[left]!, days[right]!).usd;
      }
      // What finds no trip here finds none farther to the left either.
      if (between === Infinity) break;
      const usd = between + cheapest[left]! + (right === days.length - 1 ? 0 : visitUsd);
      if (usd < least - EPSILON) {
        least = usd;
        before[right] = left;
      }
    }
    cheapest[right] = least;
  }
  const laid: (number | null)[] = jobs.map(() => null);
  for (let right = days.length - 1; right > 0; right = before[right]!) {
    const left = before[right]!;
    for (let at = begins[left]!; at < begins[right]!; at += 1) {
      const entry = byNearest[at]!;
      laid[entry.index] = choose(entry, days[left]!, days[right]!).day;
    }
  }
  return { days: laid, usd: shut + cheapest[days.length - 1]!, exact: true };
}

/** Whether work has to be done whatever it costs. */
const isBound = ({ unmetUsd }: LayJob): boolean => unmetUsd === Infinity;

/** Windows as far as the rules between work that has to be done leave them; `null`: they leave nothing. */
function narrowed(jobs: readonly LayJob[], rules: readonly LayRule[], node: Node): Node | null {
  const from = [...node.from];
  const to = [...node.to];
  for (let again = true; again;) {
    again = false;
    for (const rule of rules) {
      if (rule.kind !== 'after') continue;
      const { first, then, leastDays, mostDays = Infinity } = rule;
      if (!isBound(jobs[first]!) || !isBound(jobs[then]!)) continue;
      const limits: [number[], number, number, 1 | -1][] = [
        [from, then, from[first]! + leastDays, 1],
        [to, first, to[then]! - leastDays, -1],
        [to, then, to[first]! + mostDays, -1],
        [from, first, from[then]! - mostDays, 1],
      ];
      for (const [ends, index, day, way] of limits) {
        if ((day - ends[index]!) * way <= 0) continue;
        ends[index] = day;
        again = true;
      }
      if (from[first]! > to[first]! || from[then]! > to[then]!) return null;
    }
  }
  return { from, to };
}

const holds = (rule: LayRule, days: readonly (number | null)[]): boolean => {
  const first = days[rule.first];
  const then = days[rule.then];
  if (first === null || first === undefined || then === null || then === undefined) return true;
  if (rule.kind === 'apart') return first !== then;
  const gap = then - first;
  return gap >= rule.leastDays && gap <= (rule.mostDays ?? Infinity);
};

/** One end of the window of a piece of work, and the day that it is cut to. */
type Limit = readonly [end: 'from' | 'to', index: number, day: number];

/** The parts that a search falls into where two pieces of work break a rule; no good layout is in none of them. */
function parts(rule: LayRule, days: readonly (number | null)[], node: Node): Node[] {
  const first = days[rule.first] as number;
  const then = days[rule.then] as number;
  const cut = (limits: readonly Limit[]): Node => {
    const from = [...node.from];
    const to = [...node.to];
    for (const [end, index, day] of limits) {
      if (end === 'from') from[index] = Math.max(from[index]!, day);
      else to[index] = Math.min(to[index]!, day);
    }
    return { from, to };
  };
  if (rule.kind === 'apart') {
    const stays: Limit[] = [
      ['from', rule.first, first],
      ['to', rule.first, first],
    ];
    return [
      cut([['to', rule.first, first - 1]]),
      cut([['from', rule.first, first + 1]]),
      cut([...stays, ['to', rule.then, then - 1]]),
      cut([...stays, ['from', rule.then, then + 1]]),
    ];
  }
  if (then - first < rule.leastDays) {
    // Half of what is missing on either side.
    const day = Math.ceil((then + 1 + first + rule.leastDays) / 2);
    return [
      cut([['from', rule.then, day]]),
      cut([
        ['to', rule.then, day - 1],
        ['to', rule.first, day - 1 - rule.leastDays],
      ]),
    ];
  }
  return [
    cut([['from', rule.first, first + 1]]),
    cut([
      ['to', rule.first, first],
      ['to', rule.then, first + (rule.mostDays as number)],
    ]),
  ];
}

/** What a layout costs: its trips, its days off the best ones, and what it leaves undone, $. */
export function layoutUsd(
  jobs: readonly LayJob[],
  days: readonly (number | null)[],
  visitUsd: number,
): number {
  const trips = new Set(days.filter((day) => day !== null));
  return jobs.reduce((sum, job, index) => {
    const day = days[index] ?? null;
    return sum + (day === null ? job.unmetUsd : dayUsd(job, day));
  }, trips.size * visitUsd);
}

/** Work that may share a trip, or is bound by a rule that windows alone do not keep: by place in the list. */
function clusters(jobs: readonly LayJob[], rules: readonly LayRule[]): number[][] {
  const root = jobs.map((_, index) => index);
  const find = (index: number): number =>
    root[index] === index ? index : (root[index] = find(root[index]!));
  const join = (a: number, b: number) => (root[find(a)] = find(b));
  const byOpening = jobs.map((_, index) => index).sort((a, b) => jobs[a]!.opens - jobs[b]!.opens);
  let last = byOpening[0];
  for (const index of byOpening) {
    if (jobs[index]!.opens <= jobs[last!]!.closes) join(index, last!);
    if (jobs[index]!.closes >= jobs[last!]!.closes) last = index;
  }
  rules.forEach(({ first, then }) => join(first, then));
  const groups = new Map<number, number[]>();
  jobs.forEach((_, index) => {
    const key = find(index);
    groups.set(key, [...(groups.get(key) ?? []), index]);
  });
  return [...groups.values()];
}

/** Whether windows alone do not keep a rule. */
function binds(rule: LayRule, jobs: readonly LayJob[]): boolean {
  const first = jobs[rule.first]!;
  const then = jobs[rule.then]!;
  return rule.kind === 'apart'
    ? first.opens <= then.closes && then.opens <= first.closes
    : then.opens - first.closes < rule.leastDays ||
        then.closes - first.opens > (rule.mostDays ?? Infinity);
}

/**
 * Days for all the work of a lawn, so that trips, days off the best ones and what is left undone cost the least:
 * branch and bound over the windows, each part bounded by the layout without rules; work that can neither share a trip
 * nor break a rule is laid out apart. There always is a layout, for what cannot stand is left undone.
 */
export function layOut(
  jobs: readonly LayJob[],
  rules: readonly LayRule[],
  visitUsd: number,
): Layout {
  const binding = rules.filter((rule) => binds(rule, jobs));
  const days: (number | null)[] = jobs.map(() => null);
  let usd = 0;
  let exact = true;
  for (const group of clusters(jobs, binding)) {
    const place = new Map(group.map((index, at) => [index, at]));
    const own = binding.flatMap((rule) => {
      const first = place.get(rule.first);
      const then = place.get(rule.then);
      return first === undefined || then === undefined ? [] : [{ ...rule, first, then }];
    });
    const found = layOutTogether(
      group.map((index) => jobs[index]!),
      own,
      visitUsd,
    );
    found.days.forEach((day, at) => {
      days[group[at]!] = day;
    });
    usd += found.usd;
    exact &&= found.exact;
  }
  return { days, usd, exact };
}

/** Whether one is cheaper than the other by more than is worth looking for. */
const isBetter = (a: { usd: number }, b: { usd: number }): boolean =>
  b.usd === Infinity || a.usd < b.usd - Math.max(EPSILON, b.usd * NEAR_ENOUGH);

/** The same for work that hangs together. */
function layOutTogether(
  jobs: readonly LayJob[],
  rules: readonly LayRule[],
  visitUsd: number,
): Layout {
  const asked = jobs.map(({ opens, best, closes }) => Math.min(closes, Math.max(opens, best)));
  let best: Layout = rules.every((rule) => holds(rule, asked))
    ? { days: asked, usd: layoutUsd(jobs, asked, visitUsd), exact: true }
    : {
        days: jobs.map(() => null),
        usd: jobs.reduce((sum, { unmetUsd }) => sum + unmetUsd, 0),
        exact: true,
      };
  const open: Part[] = [];
  let looked = 0;
  const consider = (node: Node): Part | null => {
    const left = narrowed(jobs, rules, node);
    if (!left) return null;
    looked += 1;
    const found = withoutRules(jobs, left, visitUsd);
    if (found.usd === Infinity || !isBetter(found, best)) return null;
    const broken = rules.find((rule) => !holds(rule, found.days));
    if (broken) return { ...left, usd: found.usd, broken, days: found.days };
    best = found;
    return null;
  };
  const cheapest = (list: readonly Part[]): number =>
    list.reduce((least, part, index) => (part.usd < list[least]!.usd ? index : least), 0);
  const root = consider({
    from: jobs.map(({ opens }) => opens),
    to: jobs.map(({ closes }) => closes),
  });
  if (root) open.push(root);
  while (open.length > 0 && looked < MOST_NODES) {
    // From the most promising part down to a layout that stands; what is passed by waits.
    let [part] = open.splice(cheapest(open), 1);
    if (!isBetter(part!, best)) break;
    while (part) {
      const next: Part[] = parts(part.broken, part.days, part).flatMap(
        (node) => consider(node) ?? [],
      );
      [part] = next.splice(cheapest(next), 1);
      open.push(...next);
    }
  }
  return { ...best, exact: looked < MOST_NODES };
}
