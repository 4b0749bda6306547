import type { SeasonQuestion, SeasonView } from '@/features/season/seasonView';

interface Answer {
  id: number;
  view?: SeasonView;
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

/** A lawn's year, worked out off the main thread. */
export function askSeason(question: SeasonQuestion): Promise<SeasonView> {
  return new Promise((resolve, reject) => {
    const id = nextId++;
    waiting.set(id, ({ view, failure }) =>
      view ? resolve(view) : reject(new Error(failure ?? 'the season worker failed')),
    );
    seasonWorker().postMessage({ id, question });
  });
}
