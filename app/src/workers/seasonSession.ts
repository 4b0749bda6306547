import { addDays, daysBetween, decisionKey, jobsOf, shelfOf, wholeJob } from '@alfombra/core';
import type {
  Lawn,
  LocalDate,
  Season,
  SeasonInput,
  SoilSeason,
  WorkJob,
  WorkStep,
} from '@alfombra/core';
import { judgeDays, planSeason, threadsOf, type Thread } from '@alfombra/core/planning';
import type { CheckFinding } from '@alfombra/core/judging';
import { inputOf, viewOf, type SeasonQuestion, type SeasonView } from './seasonView';

/** Days around its own on which a job may be tried. */
const TRIED_DAYS = 75;
/** Lawns of which the worker still knows the season; each holds some megabytes of soil. */
const KEPT = 2;

/** A season with all that it was worked out from. */
export interface SeasonSession {
  input: SeasonInput;
  season: Season;
  lawn: Lawn;
}

/** What becomes of the plan where a job stands on another day. */
export interface Trial {
  threads: Thread[];
  /** Other jobs that come to lie on another day, come, or go. */
  moved: { step: WorkStep; from: LocalDate | null; to: LocalDate | null }[];
}

const jobOf = ({ season }: SeasonSession, jobId: string): WorkJob => {
  const job = jobsOf(season.steps).find(({ id }) => id === jobId);
  if (!job) throw new RangeError(`no job ${jobId}`);
  return job;
};

/** What the judge says of a job on each day on which it may be tried. @throws RangeError when there is no such job */
export function tryDays(session: SeasonSession, jobId: string): Record<LocalDate, CheckFinding[]> {
  const { input, season, lawn } = session;
  const { lines } = jobOf(session, jobId);
  const { best } = lines[0]!.window;
  const first = Math.max(-TRIED_DAYS, daysBetween(best, input.today));
  const days = Array.from({ length: Math.max(0, TRIED_DAYS - first + 1) }, (_, index) =>
    addDays(best, first + index),
  );
  return judgeDays(input, season, lines, days, { ...lawn, zones: input.zones });
}

/** The plan with a job on a day that somebody set; soil is kept. @throws RangeError when there is no such job */
export function tryDay(session: SeasonSession, jobId: string, date: LocalDate): Trial {
  const { input, season } = session;
  const works = jobOf(session, jobId).lines.flatMap(({ serves }) => serves);
  const pins = works.map((work) => ({ kind: 'pin' as const, work, date, on: input.today }));
  const keys = new Set(pins.map(decisionKey));
  const tried = planSeason({
    ...input,
    decisions: [...input.decisions.filter((one) => !keys.has(decisionKey(one))), ...pins],
  });
  const own = new Set(works);
  // By the piece of work: jobs that are joined or split on their day have not moved.
  const others = (of: Season) =>
    new Map(
      jobsOf(of.steps).flatMap(({ lines }) => {
        const step = wholeJob(lines);
        return step.serves.some((work) => own.has(work))
          ? []
          : step.serves.map((work) => [work, step] as const);
      }),
    );
  const before = others(season);
  const after = others(tried);
  const moved = new Map<string, Trial['moved'][number]>();
  for (const work of new Map([...before, ...after]).keys()) {
    const [was, is] = [before.get(work), after.get(work)];
    const [from, to] = [was?.window.best ?? null, is?.window.best ?? null];
    const step = is ?? was;
    if (step && from !== to) moved.set(`${step.id} ${from} ${to}`, { step, from, to });
  }
  return {
    threads: threadsOf(tried, input.records, shelfOf(input.policy.labels)),
    moved: [...moved.values()],
  };
}

/** A season that the worker has worked out, and let go of since. */
export class ForgottenSeason extends Error {}

/** Seasons that the worker has worked out last. */
export class SeasonSessions {
  private readonly sessions = new Map<number, SeasonSession>();
  private next = 1;
  private soil = new Map<string, SoilSeason>();
  private soilOf = '';

  /** Works a season out and keeps it; the soil of a station's day is worked out once. */
  open(question: SeasonQuestion): SeasonView {
    // The same station on the same day has other weather once somebody has imported it.
    const mark = JSON.stringify(question.weather);
    if (mark !== this.soilOf) {
      this.soil = new Map();
      this.soilOf = mark;
    }
    const input = inputOf(question, this.soil);
    const season = planSeason(input);
    const session = this.next++;
    this.sessions.set(session, { input, season, lawn: question.lawn });
    for (const old of this.sessions.keys()) if (old <= session - KEPT) this.sessions.delete(old);
    return { ...viewOf(question, input, season), session };
  }

  /** @throws ForgottenSeason when it is none of the last */
  of(session: number): SeasonSession {
    const kept = this.sessions.get(session);
    if (!kept) throw new ForgottenSeason(`season ${session} is no longer known`);
    return kept;
  }
}
