import type { LocalDate } from '@alfombra/core';
import type { CheckFinding } from '@alfombra/core/judging';
import type { Trial } from '@/workers/seasonSession';
import type { SeasonQuestion, SeasonView } from '@/workers/seasonView';
import type { RateCard, StepChoices } from '@alfombra/core/planning';
import type { YearQuestion, YearView } from '@/workers/yearView';

/** What the season worker is asked, and what comes back. */
export type Asked =
  | { season: SeasonQuestion }
  | { year: YearQuestion }
  | { choices: SeasonQuestion; stepId: string }
  | { rates: SeasonQuestion; zoneId: string }
  | { session: number; jobId: string }
  | { session: number; jobId: string; date: LocalDate };
/** What the judge says of a job, by day. */
export type DayWords = Record<LocalDate, CheckFinding[]>;
export interface Answer {
  id: number;
  view?: SeasonView | YearView | StepChoices | RateCard | DayWords | Trial;
  failure?: string;
  /** It was asked about a season that the worker no longer knows. */
  forgotten?: boolean;
}

/** A season that is shown, with the number by which the worker may still know it. */
export interface ShownSeason {
  question: SeasonQuestion;
  session: number | undefined;
}

class SeasonFailure extends Error {
  constructor(
    message: string,
    readonly forgotten: boolean,
  ) {
    super(message);
  }
}

let worker: Worker | null = null;
let nextId = 1;
const waiting = new Map<number, (answer: Answer) => void>();

function seasonWorker(): Worker {
  if (!worker) {
    worker = new Worker(new URL('./season.worker', window.location.href));
    worker.onmessage = ({ data }: MessageEvent<Answer>) => {
      waiting.get(data.id)?.(data);
      waiting.delete(data.id);
    };
  }
  return worker;
}

function ask<View>(asked: Asked): Promise<View> {
  return new Promise((resolve, reject) => {
    const id = nextId++;
    waiting.set(id, ({ view, failure, forgotten }) =>
      view
        ? resolve(view as View)
        : reject(new SeasonFailure(failure ?? 'the season worker failed', forgotten === true)),
    );
    seasonWorker().postMessage({ id, asked });
  });
}

/** A lawn's season, worked out off the main thread. */
export const askSeason = (season: SeasonQuestion): Promise<SeasonView> => ask({ season });

/** A zone's year of soil, water and growth, worked out off the main thread. */
export const askYear = (year: YearQuestion): Promise<YearView> => ask({ year });

/** Every way to do a step, worked out off the main thread. */
export const askChoices = (choices: SeasonQuestion, stepId: string): Promise<StepChoices> =>
  ask({ choices, stepId });

/** Every product against one zone's grass and soil today, worked out off the main thread. */
export const askRates = (rates: SeasonQuestion, zoneId: string): Promise<RateCard> =>
  ask({ rates, zoneId });

/** Seasons that were worked out again since the worker had let go of them, by the number that a screen has. */
const again = new Map<number, number>();

/** Asks about a season that is shown; one that the worker has let go of is worked out again first. */
async function askOf<View>(
  { question, session }: ShownSeason,
  asked: (session: number) => Asked,
): Promise<View> {
  const renewed = async (): Promise<number> => {
    const { session: next = 0 } = await askSeason(question);
    if (session !== undefined) again.set(session, next);
    return next;
  };
  if (session === undefined) return ask(asked(await renewed()));
  try {
    return await ask(asked(again.get(session) ?? session));
  } catch (error) {
    if (!(error instanceof SeasonFailure && error.forgotten)) throw error;
    return ask(asked(await renewed()));
  }
}

/** What the judge says of a job of a season on the days around its own. */
export const askDays = (shown: ShownSeason, jobId: string): Promise<DayWords> =>
  askOf(shown, (session) => ({ session, jobId }));

/** The season with a job on another day, laid out off the main thread. */
export const askTrial = (shown: ShownSeason, jobId: string, date: LocalDate): Promise<Trial> =>
  askOf(shown, (session) => ({ session, jobId, date }));
