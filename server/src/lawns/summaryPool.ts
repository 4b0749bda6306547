import type { Company, LawnSummary, SoilSeason, WeatherBundle } from '@alfombra/core';
import type { Sighting } from '@alfombra/core/planning';
import { createRequire } from 'node:module';
import { availableParallelism } from 'node:os';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Worker } from 'node:worker_threads';
import { summarizeLawn, type LawnFile } from './summarize';

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

/** A worker starts without the loader that reads TypeScript, so its first lines fetch it. */
const loader = pathToFileURL(
  join(
    dirname(createRequire(import.meta.url).resolve('tsx/package.json')),
    'dist/esm/api/index.mjs',
  ),
).href;
const entry = new URL('./summaryWorker.ts', import.meta.url).href;
const WORKER = `import(${JSON.stringify(loader)}).then(({ register }) => {
  register();
  return import(${JSON.stringify(entry)});
})`;

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
    return summarizeLawn(
      company,
      file,
      bundles.get(stationId) as WeatherBundle,
      sightings.get(stationId) ?? [],
      shared,
    );
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
        const worker = new Worker(WORKER, { eval: true, execArgv: [], workerData: context });
        try {
          while (next < jobs.length) {
            const from = next;
            next = Math.min(jobs.length, from + CHUNK);
            const chunk = await ask(worker, jobs.slice(from, next));
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

/** Hands a worker a chunk and waits for it. */
const ask = (worker: Worker, chunk: readonly SummaryJob[]): Promise<LawnSummary[]> =>
  new Promise((resolve, reject) => {
    const onMessage = (summaries: LawnSummary[]) => settle(() => resolve(summaries));
    const onError = (error: Error) => settle(() => reject(error));
    const onExit = (code: number) => onError(new Error(`a season worker ended with ${code}`));
    const settle = (act: () => void) => {
      worker.off('message', onMessage).off('error', onError).off('exit', onExit);
      act();
    };
    worker.on('message', onMessage).on('error', onError).on('exit', onExit);
    worker.postMessage(chunk);
  });
