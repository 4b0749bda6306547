import { applicationsOf } from '../courses/applicationsOf';
import type { Season, StepKind } from '../courses/step';
import { subjectOfWork } from '../needs/need';
import type { Material } from '../rates';
import { daysBetween, yearOf, type LocalDate } from '../units';
import type { Job, Plan } from './plan';

/** Why a job moved, came or went. */
export interface Move {
  jobId: string;
  from: LocalDate | null;
  to: LocalDate | null;
  /** The one changed input that moves it by itself; `together`: only several at once do. */
  cause: string;
  /** Other work with which it shares the trip now, or no longer shares it. */
  through?: string;
}

/** A date moved by so many days is worth telling; so is another product, and work come or gone. */
const WORTH_TELLING_DAYS = 3;

const sameJob = (a: Job | undefined, b: Job | undefined): boolean =>
  a === undefined || b === undefined
    ? a === b
    : Math.abs(daysBetween(a.date, b.date)) <= WORTH_TELLING_DAYS &&
      a.materials.map(({ slug }) => slug).join() === b.materials.map(({ slug }) => slug).join();

/** The work whose trip a moved job has joined, or else the one whose trip it has left. */
function companion(
  id: string,
  old: ReadonlyMap<string, Job>,
  now: ReadonlyMap<string, Job>,
): string | undefined {
  const on = (jobs: ReadonlyMap<string, Job>) =>
    [...jobs.values()].find((job) => job.id !== id && job.date === jobs.get(id)?.date)?.id;
  if (!old.has(id) || !now.has(id)) return undefined;
  return on(now) ?? on(old);
}

/**
 * Which one input puts a piece of work where it lies now: the earlier question is asked again with one input of the
 * later one at a time.
 * @returns whether nothing is changed at all, and the cause by id; `together` where only several at once do it
 */
function exchanged<Question extends object, Laid>(
  before: Question,
  after: Question,
  ask: (question: Question) => ReadonlyMap<string, Laid>,
  now: ReadonlyMap<string, Laid>,
  alike: (a: Laid | undefined, b: Laid | undefined) => boolean,
): { same: boolean; causeOf: (id: string) => string } {
  const changed = (Object.keys(after) as (keyof Question & string)[]).filter(
    (key) => JSON.stringify(before[key]) !== JSON.stringify(after[key]),
  );
  const alone = new Map(changed.map((key) => [key, ask({ ...before, [key]: after[key] })]));
  return {
    same: changed.length === 0,
    causeOf: (id) =>
      changed.find((key) => alike(alone.get(key)?.get(id), now.get(id))) ?? 'together',
  };
}

/**
 * What changed between two questions about a lawn, each change with its cause: the earlier question is asked again
 * with one input of the later one at a time.
 * @param ask the plan of a question
 */
export function movesBetween<Question extends object>(
  before: Question,
  after: Question,
  ask: (question: Question) => Pick<Plan, 'jobs'>,
): Move[] {
  const byId = ({ jobs }: Pick<Plan, 'jobs'>) =>
    new Map(jobs.filter(({ state }) => state !== 'done').map((job) => [job.id, job]));
  const old = byId(ask(before));
  const now = byId(ask(after));
  const moved = [...new Set([...old.keys(), ...now.keys()])].filter(
    (id) => !sameJob(old.get(id), now.get(id)),
  );
  if (moved.length === 0) return [];
  const { causeOf } = exchanged(before, after, (question) => byId(ask(question)), now, sameJob);
  return moved.map((id) => {
    const through = companion(id, old, now);
    return {
      jobId: id,
      from: old.get(id)?.date ?? null,
      to: now.get(id)?.date ?? null,
      cause: causeOf(id),
      ...(through ? { through } : {}),
    };
  });
}

/** What a piece of work puts down. */
type PlannedProduct = Pick<Material, 'kind' | 'slug'>;

/** A piece of work as a plan had it: what of it somebody would care about. */
export interface PlannedWork {
  work: string;
  kind: StepKind;
  date: LocalDate;
  products: PlannedProduct[];
  /** Amount of each on a thousand square feet, in its own unit. */
  per1000: number[];
}

/** Every piece of work that a season plans. */
export const plannedWorks = (season: Season): PlannedWork[] =>
  season.steps.flatMap((step) => {
    if (step.kind === 'look-again') return [];
    const materials = applicationsOf(step)[0]?.materials ?? [];
    return step.serves.map((work) => ({
      work,
      kind: step.kind,
      date: step.window.best,
      products: materials.map(({ kind, slug }) => ({ kind, slug })),
      per1000: materials.map(({ amount }) => (1000 * amount) / step.areaFt2),
    }));
  });

/** Work for one thing that came to lie on another day, or came or went, with what did it. */
export interface WorkMove {
  /** Of each zone. */
  works: string[];
  kind: StepKind;
  from: LocalDate | null;
  to: LocalDate | null;
  /** What it puts down now, where that is something else. */
  products?: PlannedProduct[];
  /** It puts down more or less of the same. */
  amount?: true;
  /** The one changed input that moves it by itself; `day`: the days that came and their weather; `together`. */
  cause: string;
}

/** Another amount is worth telling from a twentieth on. */
const WORTH_TELLING_SHARE = 0.05;

const sameAmount = (a: PlannedWork, b: PlannedWork): boolean =>
  a.per1000.every((amount, index) => {
    const other = b.per1000[index] ?? 0;
    return Math.abs(other - amount) <= WORTH_TELLING_SHARE * Math.max(amount, other);
  });

const sameProducts = (a: PlannedWork, b: PlannedWork): boolean =>
  JSON.stringify(a.products) === JSON.stringify(b.products);

const sameWork = (a: PlannedWork | undefined, b: PlannedWork | undefined): boolean =>
  a === undefined || b === undefined
    ? a === b
    : Math.abs(daysBetween(a.date, b.date)) <= WORTH_TELLING_DAYS &&
      sameProducts(a, b) &&
      sameAmount(a, b);

/**
 * What moved since a plan that is remembered, each with its cause. Its weather is not remembered: what lies where it
 * lies now although only the day is new was moved by the day; what else changed is exchanged one input at a time.
 * @param old the works as they lay
 * @param before the earlier question on the new day, in the new weather
 * @param ask the works of a question
 * @param days on which the plan is remembered from, and the new one
 */
export function movesSince<Question extends object>(
  old: readonly PlannedWork[],
  before: Question,
  after: Question,
  ask: (question: Question) => readonly PlannedWork[],
  [from, to]: readonly [LocalDate, LocalDate],
): WorkMove[] {
  const byWork = (works: readonly PlannedWork[]) => new Map(works.map((one) => [one.work, one]));
  const was = byWork(old);
  const now = byWork(ask(after));
  const moved = [...new Set([...was.keys(), ...now.keys()])].filter(
    (work) => !sameWork(was.get(work), now.get(work)),
  );
  if (moved.length === 0) return [];
  const laid = (question: Question) => byWork(ask(question));
  const { same, causeOf } = exchanged(before, after, laid, now, sameWork);
  const still = same ? now : laid(before);
  const byDay = (work: string) => sameWork(still.get(work), now.get(work));
  const moves = new Map<string, WorkMove>();
  for (const work of moved) {
    const [a, b] = [was.get(work), now.get(work)];
    const cause = byDay(work) ? 'day' : causeOf(work);
    // What is done is no news, and neither is that a new year brings its work.
    if (!b && cause === 'records') continue;
    if (!a && cause === 'day' && yearOf(from) !== yearOf(to)) continue;
    const other = a && b && !sameProducts(a, b) ? b.products : undefined;
    const move = {
      kind: (b ?? a)!.kind,
      from: a?.date ?? null,
      to: b?.date ?? null,
      ...(other ? { products: other } : {}),
      ...(a && b && !other && !sameAmount(a, b) ? { amount: true as const } : {}),
      cause,
    };
    const key = JSON.stringify([subjectOfWork(work), move]);
    const known = moves.get(key);
    moves.set(key, { ...move, works: [...(known?.works ?? []), work] });
  }
  return [...moves.values()];
}
