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
  /** Nothing is cheaper. */
  exact: boolean;
}

/** Windows as far as the search has cut them. */
interface Node {
  from: readonly number[];
  to: readonly number[];
}

/** Parts of the search that are looked at, at most. */
const MOST_NODES = 3000;
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
  const cheapest: number[] = [0];
  const before: number[] = [-1];
  for (let right = 1; right < days.length; right += 1) {
    let least = Infinity;
    before[right] = 0;
    for (let left = right - 1; left >= 0; left -= 1) {
      let usd = cheapest[left]! + (right === days.length - 1 ? 0 : visitUsd);
      for (const entry of byNearest) {
        if (entry.nearest >= days[right]!) break;
        if (entry.nearest >= days[left]!) usd += choose(entry, days[left]!, days[right]!).usd;
        if (usd >= least) break;
      }
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
    for (const entry of byNearest) {
      if (entry.nearest < days[left]! || entry.nearest >= days[right]!) continue;
      laid[entry.index] = choose(entry, days[left]!, days[right]!).day;
    }
  }
  return { days: laid, usd: shut + cheapest[days.length - 1]!, exact: true };
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
    return [
      cut([['from', rule.then, then + 1]]),
      cut([
        ['to', rule.then, then],
        ['to', rule.first, then - rule.leastDays],
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
  const stack: Node[] = [
    { from: jobs.map(({ opens }) => opens), to: jobs.map(({ closes }) => closes) },
  ];
  let looked = 0;
  while (stack.length > 0 && looked < MOST_NODES) {
    looked += 1;
    const node = stack.pop()!;
    const found = withoutRules(jobs, node, visitUsd);
    if (found.usd >= best.usd - EPSILON) continue;
    const broken = rules.find((rule) => !holds(rule, found.days));
    if (!broken) best = found;
    else stack.push(...parts(broken, found.days, node));
  }
  return { ...best, exact: stack.length === 0 };
}
