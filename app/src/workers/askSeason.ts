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
interface Answer {
  id: number;
  view?: SeasonView | YearView | StepChoices | RateCard | DayWords | Trial;
  failure?: string;
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
    waiting.set(id, ({ view, failure }) =>
      view ? resolve(view as View) : reject(new Error(failure ?? 'the season worker failed')),
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

/** What the judge says of a job of a season on the days around its own. */
export const askDays = (session: number, jobId: string): Promise<DayWords> =>
  ask({ session, jobId });

/** The season with a job on another day, laid out off the main thread. */
export const askTrial = (session: number, jobId: string, date: LocalDate): Promise<Trial> =>
  ask({ session, jobId, date });
