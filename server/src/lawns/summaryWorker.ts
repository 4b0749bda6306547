import { parentPort, workerData } from 'node:worker_threads';
import { summarizer, type SummaryContext, type SummaryJob } from './summaryPool';

const summarize = summarizer(workerData as SummaryContext);

parentPort?.on('message', (jobs: readonly SummaryJob[]) => {
  parentPort?.postMessage(jobs.map(summarize));
});
