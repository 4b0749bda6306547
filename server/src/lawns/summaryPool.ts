import { randomUUID } from 'node:crypto';
import { availableParallelism } from 'node:os';
import type { Worker } from 'node:worker_threads';
import type { Company, SoilSeason, WeatherBundle } from '@alfombra/core';
import { z } from 'zod';
import { badInput } from '../http/failure';
import { askThread, startThread } from '../threads/thread';
import {
  faultyWork,
  workOut,
  type LawnFile,
  type LawnWork,
  type RememberedPlan,
} from './summarize';

/** What holds for every lawn of one working out. */
export interface SummaryContext {
  company: Company;
  bundles: ReadonlyMap<string, WeatherBundle>;
}

export interface SummaryJob {
  file: LawnFile;
  stationId: string;
  /** The plan of the last time, where there was one. */
  before?: RememberedPlan | null;
}

/** What a thread is handed: the context only where it has another one. */
export interface SummaryQuestion {
  context: SummaryContext | null;
  jobs: readonly SummaryJob[];
}

/** Fewer lawns than this are done before a thread has started. */
const WORTH_THREADS = 8;
/** Lawns handed over at once: few enough that companies take turns, enough that talking costs little. */
const CHUNK = 20;
const MOST_THREADS = 2;
/** A thread that nobody needed for so long ends, and gives its memory back. */
const IDLE_MS = 60_000;
const ENTRY = new URL('./summaryWorker.ts', import.meta.url);

/** Works out a lawn; one of these for each context, since it keeps the soil of each site. */
export function worker({ company, bundles }: SummaryContext): (job: SummaryJob) => LawnWork {
  const soil = new Map<string, Map<string, SoilSeason>>();
  return ({ file, stationId, before }) => {
    const shared = soil.get(stationId) ?? new Map<string, SoilSeason>();
    soil.set(stationId, shared);
    const bundle = bundles.get(stationId);
    if (!bundle) return faultyWork(file, 'There is no such weather station.');
    try {
      const work = workOut(company, file, bundle, shared, before);
      // What is no number on the wire would take the whole list down on the phone.
      return Number.isFinite(work.summary.areaFt2) ? work : faultyWork(file, 'It has no area.');
    } catch (error) {
      return faultyWork(file, wordsOf(error));
    }
  };
}

/** What is wrong and where, of a fault in what is stored as of any other. */
function wordsOf(error: unknown): string {
  if (error instanceof z.ZodError) {
    const { message, path } = badInput(error);
    return [path?.join(' › '), message].filter(Boolean).join(': ');
  }
  return error instanceof Error ? error.message : String(error);
}

interface Thread {
  worker: Worker;
  /** The context that it has. */
  knows: string | null;
  idle?: ReturnType<typeof setTimeout>;
}

/** Works out lawns' seasons in a few threads that all companies share, chunk by chunk in turn. */
export class SummaryPool {
  private readonly free: Thread[] = [];
  private readonly waiting: ((thread: Thread) => void)[] = [];
  private started = 0;

  constructor(private readonly threads = Math.min(MOST_THREADS, availableParallelism())) {}

  /**
   * @param load gives the jobs of a chunk when its turn has come: no more of them is in memory
   * @param onChunk told what came out, and how much that makes
   * @throws Error when a thread fails
   */
  async run<Item>(
    context: SummaryContext,
    items: readonly Item[],
    load: (chunk: readonly Item[]) => Promise<readonly SummaryJob[]>,
    onChunk: (works: readonly LawnWork[], chunk: readonly Item[], done: number) => Promise<void>,
  ): Promise<void> {
    const chunks: (readonly Item[])[] = [];
    for (let from = 0; from < items.length; from += CHUNK) {
      chunks.push(items.slice(from, from + CHUNK));
    }
    const id = randomUUID();
    let done = 0;
    const finish = async (works: readonly LawnWork[], chunk: readonly Item[]) => {
      done += works.length;
      await onChunk(works, chunk, done);
    };
    if (items.length < WORTH_THREADS && this.started === 0) {
      const work = worker(context);
      for (const chunk of chunks) {
        const works: LawnWork[] = [];
        for (const job of await load(chunk)) {
          works.push(work(job));
          // Nobody else waits for more than one lawn.
          await new Promise((resume) => setImmediate(resume));
        }
        await finish(works, chunk);
      }
      return;
    }
    let next = 0;
    const lanes = Array.from({ length: Math.min(this.threads, chunks.length) }, async () => {
      while (next < chunks.length) {
        const chunk = chunks[next] as readonly Item[];
        next += 1;
        const jobs = await load(chunk);
        const thread = await this.take();
        let works: LawnWork[];
        try {
          const question: SummaryQuestion = { context: thread.knows === id ? null : context, jobs };
          works = await askThread<LawnWork[]>(thread.worker, question);
          thread.knows = id;
        } catch (error) {
          this.drop(thread);
          throw error;
        }
        this.give(thread);
        await finish(works, chunk);
      }
    });
    await Promise.all(lanes);
  }

  async close(): Promise<void> {
    await Promise.all(
      this.free.splice(0).map(({ worker: thread, idle }) => {
        clearTimeout(idle);
        return thread.terminate();
      }),
    );
  }

  private take(): Promise<Thread> | Thread {
    const thread = this.free.pop();
    if (thread) {
      clearTimeout(thread.idle);
      thread.worker.ref();
      return thread;
    }
    if (this.started < this.threads) {
      this.started += 1;
      return { worker: startThread(ENTRY), knows: null };
    }
    return new Promise((resolve) => this.waiting.push(resolve));
  }

  private give(thread: Thread): void {
    const next = this.waiting.shift();
    if (next) {
      next(thread);
      return;
    }
    thread.worker.unref();
    thread.idle = setTimeout(() => {
      this.free.splice(this.free.indexOf(thread), 1);
      this.drop(thread);
    }, IDLE_MS);
    thread.idle.unref();
    this.free.push(thread);
  }

  /** A thread that is done with, or broken: who waits gets a fresh one. */
  private drop(thread: Thread): void {
    this.started -= 1;
    void thread.worker.terminate();
    const next = this.waiting.shift();
    if (next) {
      this.started += 1;
      next({ worker: startThread(ENTRY), knows: null });
    }
  }
}
