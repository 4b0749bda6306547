import { parentPort } from 'node:worker_threads';
import type { LawnWork } from './summarize';
import { worker, type SummaryJob, type SummaryQuestion } from './summaryPool';

let work: ((job: SummaryJob) => LawnWork) | null = null;

parentPort?.on('message', ({ context, jobs }: SummaryQuestion) => {
  if (context) work = worker(context);
  if (work) parentPort?.postMessage(jobs.map(work));
});
