import { earlier, later } from '../choice/window';
import type { LocalDate } from '../units';
import { applicationsOf } from './applicationsOf';
import { isDue, type LookStep, type Step } from './step';

/** A step that puts something down. */
export type WorkStep = Exclude<Step, LookStep>;

/** Lines of several zones that are done as one: one mix at one rate in one water on one day. */
export interface WorkJob {
  /** Of its first line. */
  id: string;
  lines: WorkStep[];
}

/** What lines have to share to be one job. */
function sameWork(step: WorkStep): string {
  const materials = (applicationsOf(step)[0]?.materials ?? []).map(
    ({ kind, slug, amount }) => `${kind} ${slug} ${(amount / step.areaFt2).toPrecision(6)}`,
  );
  return [
    step.kind,
    step.kind === 'control' && step.kill === true,
    step.window.best,
    step.waitsFor?.expected,
    'carrierGalPer1000' in step ? step.carrierGalPer1000 : '',
    ...materials,
  ].join('|');
}

/** The jobs of a season's steps, in their order; dated returns are none. */
export function jobsOf(steps: readonly Step[]): WorkJob[] {
  const groups = new Map<string, WorkJob>();
  for (const step of steps) {
    if (step.kind === 'look-again') continue;
    const key = sameWork(step);
    const group = groups.get(key);
    if (group) group.lines.push(step);
    else groups.set(key, { id: step.id, lines: [step] });
  }
  return [...groups.values()];
}

/** The job that a step is a line of. */
export const jobWith = (steps: readonly Step[], stepId: string): WorkJob | undefined =>
  jobsOf(steps).find(({ lines }) => lines.some(({ id }) => id === stepId));

/** Each of a list once, by a name. */
const once = <Row>(rows: readonly Row[], name: (row: Row) => string): Row[] => [
  ...new Map(rows.map((row) => [name(row), row])).values(),
];

/**
 * Lines of one job as one step over all their ground: amounts added, every piece of work that they do, the days that
 * suit them all, the least that is promised against each weed.
 * @param lines at least one, of one job
 */
export function wholeJob(lines: readonly WorkStep[]): WorkStep {
  const [first] = lines as [WorkStep];
  if (lines.length === 1) return first;
  const sum = (of: (line: WorkStep) => number) => lines.reduce((all, line) => all + of(line), 0);
  const { window } = first;
  const opens = lines.map((line) => line.window.opens).reduce(later);
  const closes = lines.map((line) => line.window.closes).reduce(earlier);
  const common = {
    serves: lines.flatMap(({ serves }) => serves),
    areaFt2: sum(({ areaFt2 }) => areaFt2),
    // Every line has the best day among its own.
    window: { ...window, opens, closes },
    gates: once(
      lines.flatMap(({ gates }) => gates),
      (gate) => JSON.stringify(gate),
    ),
    // Of what the others say in other figures the first speaks for all.
    because: [
      ...first.because,
      ...once(
        lines
          .flatMap(({ because }) => because)
          .filter(({ rule }) => !first.because.some((own) => own.rule === rule)),
        ({ rule }) => rule,
      ),
    ],
    state: lines.every(({ state }) => state === 'open') ? ('open' as const) : ('upcoming' as const),
    ...(lines.some(({ pinned }) => pinned) ? { pinned: true as const } : {}),
  };
  switch (first.kind) {
    case 'prevent':
    case 'control': {
      const sprays = lines.flatMap((line) => ('control' in line ? [line] : []));
      const promised = sprays
        .flatMap(({ control }) => control)
        .sort((a, b) => b.expectedPct - a.expectedPct);
      return {
        ...first,
        ...common,
        control: once(promised, ({ weed }) => weed),
        testSpot: sprays.some(({ testSpot }) => testSpot),
      };
    }
    case 'protect':
      return { ...first, ...common, total: sum((line) => ('treatment' in line ? line.total : 0)) };
    case 'feed':
      return {
        ...first,
        ...common,
        totalLb: sum((line) => (line.kind === 'feed' ? line.totalLb : 0)),
      };
    case 'seed':
      return {
        ...first,
        ...common,
        total: sum((line) => (line.kind === 'seed' ? line.total : 0)),
      };
  }
}

/** Something that is to be done today: a job over its zones, or a dated return. */
export interface DueWork {
  id: string;
  kind: Step['kind'];
  zoneIds: string[];
  closes: LocalDate;
}

/** What of a season is to be done now, in the order of its steps: a job once, however many zones it has. */
export function dueWork(steps: readonly Step[]): DueWork[] {
  const due = steps.filter(isDue);
  const jobs = new Map(jobsOf(due).map((job) => [job.id, job.lines]));
  return due.flatMap((step): DueWork[] => {
    const lines = step.kind === 'look-again' ? [step] : jobs.get(step.id);
    if (!lines) return [];
    return [
      {
        id: step.id,
        kind: step.kind,
        zoneIds: lines.map(({ zoneId }) => zoneId),
        closes: lines.map(({ window }) => window.closes).reduce(earlier),
      },
    ];
  });
}
