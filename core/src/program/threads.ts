import { isDue, type Season, type Step, type StepKind } from '../courses/step';
import { jobsOf } from '../courses/job';
import { NEED_KINDS, needOfWork, subjectOfWork, type NeedKind } from '../needs/need';
import type { Shelf } from '../products';
import type { Application } from '../rates';
import { localDate, type LocalDate } from '../units';
import { holdOf, holdOfStep, type Hold } from './holds';

/** One piece of work on a thread: a job over its zones, a dated return, or what is on record. */
export interface Knot {
  /** Of the job or the return; of what is done, of its first record. */
  id: string;
  /** Of what is done: all its records, and the day to which it holds. */
  recordIds?: string[];
  holdsUntil?: LocalDate;
  kind: StepKind;
  date: LocalDate;
  state: 'done' | 'open' | 'waiting' | 'offer';
  zoneIds: string[];
  /** The first need that it is for. */
  need: string;
}

/** What is needed for one thing, over its zones and its year, with the work that serves it. */
export interface Thread {
  id: string;
  kind: NeedKind;
  /** Weeds, causes or feedings that it is about. */
  subjects: string[];
  needIds: string[];
  /** In the order of their days. */
  knots: Knot[];
  holds: Hold[];
}

const KINDS: ReadonlySet<string> = new Set(NEED_KINDS);
const kindOf = (need: string) => need.split(':')[0] as NeedKind;

/** What a need has in common with that of other zones in its cycle; the feedings of a year are one. */
function strand(need: string): string {
  const [kind, subject, , cycle] = need.split(':');
  return kind === 'feed' ? `feed:${cycle}` : `${kind}:${subject}:${cycle}`;
}

const DONE_KINDS: Readonly<Record<NeedKind, StepKind>> = {
  control: 'control',
  prevent: 'prevent',
  cure: 'protect',
  protect: 'protect',
  feed: 'feed',
  fill: 'seed',
  repair: 'seed',
  renovate: 'seed',
  find: 'look-again',
};

interface Tied extends Omit<Knot, 'need'> {
  needs: string[];
  hold?: Hold | undefined;
}

const stateOf = (step: Step): Knot['state'] =>
  step.offer ? 'offer' : isDue(step) ? 'open' : 'waiting';

function laid(season: Season, shelf: Shelf): Tied[] {
  return [
    ...jobsOf(season.steps).map(({ id, lines }): Tied => {
      const first = lines[0] as Step;
      return {
        id,
        kind: first.kind,
        date: first.window.best,
        state: stateOf(first),
        zoneIds: lines.map(({ zoneId }) => zoneId),
        needs: lines.flatMap(({ serves }) => serves.map(needOfWork)),
        hold: holdOfStep(first, shelf),
      };
    }),
    ...season.steps.flatMap((step): Tied[] =>
      step.kind === 'look-again'
        ? [
            {
              id: step.id,
              kind: step.kind,
              date: step.window.best,
              state: stateOf(step),
              zoneIds: [step.zoneId],
              needs: [step.need],
            },
          ]
        : [],
    ),
  ];
}

function done(records: readonly Application[], shelf: Shelf) {
  return records.flatMap((record): Tied[] => {
    const work = record.stepId;
    if (!work?.includes('/')) return [];
    const date = localDate(record.date);
    const kind = kindOf(work);
    const hold =
      kind === 'prevent' || kind === 'protect' ? holdOf(record.materials, date, shelf) : undefined;
    return [
      {
        id: record.id,
        recordIds: [record.id],
        ...(hold ? { holdsUntil: hold.until } : {}),
        kind: work.includes('/kill/') ? 'control' : DONE_KINDS[kind],
        date,
        state: 'done',
        zoneIds: [record.zoneId],
        needs: [needOfWork(work)],
        hold,
      },
    ];
  });
}

/** Strands that one piece of work serves together are one thread: found by union, each by the first of its own. */
function joined(knots: readonly Tied[]): Map<string, string> {
  const head = new Map<string, string>();
  const find = (name: string): string => {
    const above = head.get(name);
    return above === undefined || above === name ? name : find(above);
  };
  for (const { needs } of knots) {
    for (const kind of new Set(needs.map(kindOf))) {
      const own = [...new Set(needs.filter((need) => kindOf(need) === kind).map(strand))];
      for (const name of own) {
        if (!head.has(name)) head.set(name, name);
        head.set(find(name), find(own[0] as string));
      }
    }
  }
  return new Map([...head.keys()].map((name) => [name, find(name)]));
}

/** One knot for what several zones got in one go. */
function together(knots: readonly Tied[]): Tied[] {
  const groups = new Map<string, Tied>();
  for (const knot of knots) {
    const key = knot.state === 'done' ? `${knot.kind} ${knot.date}` : knot.id;
    const known = groups.get(key);
    groups.set(
      key,
      known
        ? {
            ...known,
            zoneIds: [...known.zoneIds, ...knot.zoneIds],
            ...(known.recordIds
              ? { recordIds: [...known.recordIds, ...(knot.recordIds ?? [])] }
              : {}),
          }
        : knot,
    );
  }
  return [...groups.values()].sort((a, b) => (a.date < b.date ? -1 : 1));
}

/**
 * The threads of a season: each need (or needs that are met by the same work) with what was done for it and what is
 * planned, in the order of their first work. Returns to places that no need stands behind hang on none.
 */
export function threadsOf(season: Season, records: readonly Application[], shelf: Shelf): Thread[] {
  const knots = [...done(records, shelf), ...laid(season, shelf)].map((knot) => ({
    ...knot,
    needs: knot.needs.filter((need) => KINDS.has(kindOf(need))),
  }));
  const heads = joined(knots);
  const threads = new Map<string, { needs: Set<string>; knots: Tied[] }>();
  for (const knot of knots) {
    for (const need of knot.needs) {
      const id = heads.get(strand(need)) as string;
      const thread = threads.get(id) ?? { needs: new Set<string>(), knots: [] };
      thread.needs.add(need);
      if (!thread.knots.includes(knot)) thread.knots.push(knot);
      threads.set(id, thread);
    }
  }
  return [...threads]
    .map(([id, { needs, knots: own }]): Thread => {
      const needIds = [...needs];
      return {
        id,
        kind: kindOf(needIds[0] as string),
        subjects: [...new Set(needIds.map(subjectOfWork))],
        needIds,
        knots: together(own).map(({ needs: [need = ''], hold: _hold, ...knot }) => ({
          ...knot,
          need,
        })),
        holds: own.flatMap(({ hold }) => hold ?? []),
      };
    })
    .sort((a, b) => (a.knots[0]!.date < b.knots[0]!.date ? -1 : 1));
}
