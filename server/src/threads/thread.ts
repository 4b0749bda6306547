import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Worker } from 'node:worker_threads';

/** A worker starts without the loader that reads TypeScript, so its first lines fetch it. */
const loader = pathToFileURL(
  join(
    dirname(createRequire(import.meta.url).resolve('tsx/package.json')),
    'dist/esm/api/index.mjs',
  ),
).href;

/** Starts a module of this server in a thread of its own. */
export const startThread = (entry: URL, workerData?: unknown): Worker =>
  new Worker(
    `import(${JSON.stringify(loader)}).then(({ register }) => {
  register();
  return import(${JSON.stringify(entry.href)});
})`,
    { eval: true, execArgv: [], workerData },
  );

/**
 * Hands a thread something and waits for what it sends back.
 * @throws Error when the thread fails, ends, or takes too long
 */
export const askThread = <Answer>(
  worker: Worker,
  question: unknown,
  withinMs?: number,
): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const onMessage = (answer: Answer) => settle(() => resolve(answer));
    const onError = (error: Error) => settle(() => reject(error));
    const onExit = (code: number) => onError(new Error(`a thread ended with ${code}`));
    const timer =
      withinMs === undefined
        ? undefined
        : setTimeout(() => onError(new Error(`a thread took over ${withinMs} ms`)), withinMs);
    const settle = (act: () => void) => {
      clearTimeout(timer);
      worker.off('message', onMessage).off('error', onError).off('exit', onExit);
      act();
    };
    worker.on('message', onMessage).on('error', onError).on('exit', onExit);
    worker.postMessage(question);
  });
