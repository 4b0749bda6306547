import { applicationsOf } from '../courses/applicationsOf';
import { handWorkCloses } from '../courses/handWork';
import { jobsOf } from '../courses/job';
import type { Clash, HandWork, NitrogenYear, Season, Sold, Step } from '../courses/step';
import { needOfWork, type Need } from '../needs/need';
import type { LookAnswer, SeasonInput } from '../needs/seasonInput';
import type { ReasonInput } from '../needs/reason';
import type { Shelf } from '../products';
import type { Application, Material } from '../rates';
import { daysBetween, localDate, SQUARE_FEET_PER_ACRE, type LocalDate } from '../units';
import { holdOfStep } from './holds';

/** What a piece of work is, whoever's need it meets. */
export type JobKind =
  | 'prevent'
  | 'protect'
  | 'control'
  | 'kill'
  | 'cure'
  | 'feed'
  | 'seed'
  | 'plug'
  | 'look'
  | 'pull'
  | 'name'
  | 'count'
  | 'measure'
  | 'sample'
  | 'other';

export interface JobMaterial {
  kind: Material['kind'];
  slug: string;
  ratePerAcre: number;
  unit: string;
  /** Over all its zones. */
  amount: number;
}

/** One piece of work on one lawn: one mix at one rate on one day, over the zones that get it. */
export interface Job {
  id: string;
  needIds: string[];
  /** Every piece of work that it does, by need, step and round. */
  serves: string[];
  kind: JobKind;
  by: 'us' | 'customer' | 'other';
  /** Outside what was agreed: offered, and never due. */
  offer?: true;
  zones: { zoneId: string; areaFt2: number }[];
  materials: JobMaterial[];
  date: LocalDate;
  window: { opens: LocalDate; best: LocalDate; closes: LocalDate };
  waitsFor?: { condition: string; expected: LocalDate }[];
  after?: { jobId: string; minDays: number }[];
  state: 'waiting' | 'open' | 'closing' | 'closed' | 'done' | 'dropped';
  /** Last day on which what was laid still holds. */
  protectedUntil?: LocalDate;
  /** Somebody has set its day or its mix. */
  pinned?: true;
}

/** A dated return. */
export interface Look {
  id: string;
  needId: string;
  date: LocalDate;
  question: string;
  seen?: LookAnswer['seen'];
}

export interface Plan {
  needs: Need[];
  jobs: Job[];
  looks: Look[];
  unmet: { needId: string; rule: string; inputs: Record<string, ReasonInput> }[];
  clashes: { id: string; needIds: string[]; rule: string; choices: Clash['choice'][] }[];
  nitrogen: NitrogenYear[];
}

/** Days before its window closes from which a job is closing. */
const CLOSING_DAYS = 3;

function kindOf(step: Step, shelf: Shelf): JobKind {
  switch (step.kind) {
    case 'protect':
      if (step.mode === 'curative') return 'cure';
      return shelf.treatment(step.treatment)?.kind === 'fungicide' ? 'protect' : 'prevent';
    case 'seed':
      return step.material === 'plugs' ? 'plug' : 'seed';
    case 'look-again':
      return 'look';
    case 'control':
      return step.kill ? 'kill' : 'control';
    default:
      return step.kind;
  }
}

function stateOf(step: Step, today: LocalDate): Job['state'] {
  const { opens, closes } = step.window;
  if (step.waitsFor || opens > today) return 'waiting';
  if (closes < today) return 'closed';
  return daysBetween(today, closes) < CLOSING_DAYS ? 'closing' : 'open';
}

const materialsOf = (step: Step): JobMaterial[] =>
  (applicationsOf(step)[0]?.materials ?? []).map(({ kind, slug, unit, amount }) => ({
    kind,
    slug,
    ratePerAcre: (amount * SQUARE_FEET_PER_ACRE) / step.areaFt2,
    unit,
    amount,
  }));

const soldAs = ({ by, offer }: Sold): Pick<Job, 'by' | 'offer'> => ({
  by: by ?? 'us',
  ...(offer ? { offer } : {}),
});

function jobOf(lines: readonly Step[], today: LocalDate, shelf: Shelf): Job {
  const first = lines[0] as Step;
  const materials = materialsOf(first);
  const area = lines.reduce((sum, { areaFt2 }) => sum + areaFt2, 0);
  const serves = lines.flatMap((line) => line.serves);
  const until = lines.flatMap((line) => holdOfStep(line, shelf)?.fadesTo ?? []).sort()[0];
  const latest = (days: readonly LocalDate[]) => [...days].sort().pop() as LocalDate;
  const earliest = (days: readonly LocalDate[]) => [...days].sort()[0] as LocalDate;
  return {
    id: first.id,
    needIds: [...new Set(serves.map(needOfWork))],
    serves,
    kind: kindOf(first, shelf),
    ...soldAs(first),
    zones: lines.map(({ zoneId, areaFt2 }) => ({ zoneId, areaFt2 })),
    materials: materials.map((material) => ({
      ...material,
      amount: (material.ratePerAcre * area) / SQUARE_FEET_PER_ACRE,
    })),
    date: first.window.best,
    window: {
      opens: latest(lines.map(({ window }) => window.opens)),
      best: first.window.best,
      closes: earliest(lines.map(({ window }) => window.closes)),
    },
    ...(first.waitsFor ? { waitsFor: [first.waitsFor] } : {}),
    state: first.offer && first.window.closes >= today ? 'waiting' : stateOf(first, today),
    ...(until ? { protectedUntil: until } : {}),
    ...(lines.some(({ pinned }) => pinned) ? { pinned: true } : {}),
  };
}

/** Work by hand: on the first trip that is made anyway within its days, else on the last of them. */
function handJob(work: HandWork, trips: readonly LocalDate[], today: LocalDate): Job {
  const { id, need, kind, zoneId, areaFt2, opens } = work;
  const closes = handWorkCloses({ opens });
  const date = trips.find((trip) => trip >= opens && trip <= closes) ?? closes;
  return {
    id,
    needIds: [need],
    serves: [id],
    kind,
    ...soldAs(work),
    zones: [{ zoneId, areaFt2 }],
    materials: [],
    date,
    window: { opens, best: date, closes },
    state: opens > today || work.offer ? 'waiting' : 'open',
  };
}

/** Work on record that did a job of the plan: it stands where it was done. */
function doneJobs(records: readonly Application[]): Job[] {
  return records.flatMap(({ stepId, zoneId, areaFt2, date, materials }): Job[] => {
    if (!stepId?.includes('/')) return [];
    const kind = stepId.split(':')[0] ?? '';
    const [, work = ''] = stepId.split('/');
    const on = localDate(date);
    return [
      {
        id: stepId,
        needIds: [needOfWork(stepId)],
        serves: [stepId],
        kind: DONE_WORK[work] ?? DONE_KINDS[kind] ?? 'other',
        by: 'us',
        zones: [{ zoneId, areaFt2 }],
        materials: materials.map((material) => ({
          kind: material.kind,
          slug: material.slug,
          ratePerAcre: (material.amount * SQUARE_FEET_PER_ACRE) / areaFt2,
          unit: material.unit,
          amount: material.amount,
        })),
        date: on,
        window: { opens: on, best: on, closes: on },
        state: 'done',
      },
    ];
  });
}
const DONE_WORK: Readonly<Record<string, JobKind>> = {
  kill: 'kill',
  starter: 'feed',
  pull: 'pull',
};
const DONE_KINDS: Readonly<Record<string, JobKind>> = {
  control: 'control',
  prevent: 'prevent',
  cure: 'cure',
  protect: 'protect',
  feed: 'feed',
  fill: 'seed',
  renovate: 'seed',
};

/** Each job after the earlier rounds of the needs that it serves. */
function chained(jobs: readonly Job[]): Job[] {
  return jobs.map((job) => {
    const after = jobs.filter(
      (other) =>
        other !== job &&
        other.kind !== 'look' &&
        other.date < job.date &&
        other.needIds.some((need) => job.needIds.includes(need)),
    );
    return after.length === 0 || job.kind === 'look'
      ? job
      : {
          ...job,
          after: after.map(({ id, date }) => ({ jobId: id, minDays: daysBetween(date, job.date) })),
        };
  });
}

/**
 * A season in the terms of the plan: needs, the jobs that serve them (lines of several zones with one mix at one rate
 * on one day are one job), dated returns, and what is not met and why.
 */
export function planOf(season: Season, input: SeasonInput, shelf: Shelf): Plan {
  const laid = jobsOf(season.steps).map(({ lines }) => jobOf(lines, input.today, shelf));
  const trips = laid
    .map(({ date }) => date)
    .filter((date) => date >= input.today)
    .sort();
  const jobs = [
    ...doneJobs(input.records),
    ...laid,
    ...season.byHand.map((work) => handJob(work, trips, input.today)),
  ].sort((a, b) => (a.date < b.date ? -1 : 1));
  return {
    needs: season.needs,
    jobs: chained(jobs),
    looks: [
      ...season.steps.flatMap((step) =>
        step.kind === 'look-again'
          ? [
              {
                id: step.id,
                needId: step.need,
                date: step.window.best,
                question: step.because[0]?.rule ?? 'look-again',
              },
            ]
          : [],
      ),
      ...input.looks.map(({ needId, date, seen }) => ({
        id: `${needId}/look/${date}`,
        needId,
        date,
        question: 'answered',
        seen,
      })),
    ],
    unmet: [
      ...season.needs.flatMap(({ id, state, reason }) =>
        reason && UNMET.has(state) ? [{ needId: id, ...reason }] : [],
      ),
      ...season.unheld.map(({ needId, reason }) => ({ needId, ...reason })),
    ],
    clashes: season.clashes.map((clash) => ({
      id: clash.id,
      needIds: [...clash.seed.serves, ...clash.prevent.serves].map(needOfWork),
      rule: 'seed-or-prevent',
      choices: ['seed', 'prevent'],
    })),
    nitrogen: season.nitrogen,
  };
}
const UNMET: ReadonlySet<Need['state']> = new Set(['partly', 'failed', 'givenUp', 'open']);
