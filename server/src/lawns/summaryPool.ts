import type { Company, LawnSummary, SoilSeason, WeatherBundle } from '@alfombra/core';
import type { Sighting } from '@alfombra/core/planning';
import { availableParallelism } from 'node:os';
import { askThread, startThread } from '../threads/thread';
import { faultySummary, summarizeLawn, type LawnFile } from './summarize';

/** What holds for every lawn of one working out. */
export interface SummaryContext {
  company: Company;
  bundles: ReadonlyMap<string, WeatherBundle>;
  sightings: ReadonlyMap<string, readonly Sighting[]>;
}

export interface SummaryJob {
  file: LawnFile;
  stationId: string;
}

/** Fewer lawns than this are done before a worker has started. */
const WORTH_WORKERS = 80;
/** Lawns handed over at once: few enough that memory stays flat, enough that talking costs little. */
const CHUNK = 40;
const MOST_WORKERS = 4;

const ENTRY = new URL('./summaryWorker.ts', import.meta.url);

/** Works out a lawn; one of these for each context, since it keeps the soil of each site. */
export function summarizer({
  company,
  bundles,
  sightings,
}: SummaryContext): (job: SummaryJob) => LawnSummary {
  const soil = new Map<string, Map<string, SoilSeason>>();
  return ({ file, stationId }) => {
    const shared = soil.get(stationId) ?? new Map<string, SoilSeason>();
    soil.set(stationId, shared);
    const bundle = bundles.get(stationId);
    if (!bundle) return faultySummary(file, 'There is no such weather station.');
    try {
      const summary = summarizeLawn(company, file, bundle, sightings.get(stationId) ?? [], shared);
      // What is no number on the wire would take the whole list down on the phone.
      return Number.isFinite(summary.areaFt2) ? summary : faultySummary(file, 'It has no area.');
    } catch (error) {
      return faultySummary(file, error instanceof Error ? error.message : String(error));
    }
  };
}

/** Works out many lawns' seasons: a few here, many in worker threads. */
export class SummaryPool {
  constructor(private readonly workers = Math.min(MOST_WORKERS, availableParallelism())) {}

  /**
   * @param onProgress told after each chunk
   * @returns one summary a job, in their order
   * @throws Error when a worker fails
   */
  async run(
    context: SummaryContext,
    jobs: readonly SummaryJob[],
    onProgress: (done: number, total: number) => void = () => undefined,
  ): Promise<LawnSummary[]> {
    if (jobs.length < WORTH_WORKERS) return this.here(context, jobs, onProgress);
    const summaries = new Array<LawnSummary>(jobs.length);
    let next = 0;
    let done = 0;
    onProgress(0, jobs.length);
    await Promise.all(
      Array.from({ length: this.workers }, async () => {
        const worker = startThread(ENTRY, context);
        try {
          while (next < jobs.length) {
            const from = next;
            next = Math.min(jobs.length, from + CHUNK);
            const chunk = await askThread<LawnSummary[]>(worker, jobs.slice(from, next));
            chunk.forEach((summary, index) => (summaries[from + index] = summary));
            done += chunk.length;
            onProgress(done, jobs.length);
          }
        } finally {
          await worker.terminate();
        }
      }),
    );
    return summaries;
  }

  private async here(
    context: SummaryContext,
    jobs: readonly SummaryJob[],
    onProgress: (done: number, total: number) => void,
  ): Promise<LawnSummary[]> {
    const summarize = summarizer(context);
    const summaries: LawnSummary[] = [];
    for (const job of jobs) {
      summaries.push(summarize(job));
      onProgress(summaries.length, jobs.length);
      // A cold list must not keep other requests waiting.
      await new Promise((resume) => setImmediate(resume));
    }
    return summaries;
  }
}
