import type { QueryClient, QueryKey } from '@tanstack/react-query';
import { useOutboxStore } from '@/state/sync/outboxStore';

/** What came of it: how many lawns are on the device, and which answers are newer now. */
export type TakeAlongReply = { ok: false } | { ok: true; lawns: number; keys: QueryKey[] };

let running: Worker | null = null;

/** Ends what is under way: what comes in after somebody has signed out must not be kept. */
export function stopTakingAlong(): void {
  running?.terminate();
  running = null;
}

/** In a worker: reading and keeping a few thousand lawns takes seconds, and nobody should feel them. */
function ask(person: string): Promise<TakeAlongReply> {
  stopTakingAlong();
  return new Promise((resolve) => {
    const worker = new Worker(new URL('./takeAlong.worker', window.location.href));
    running = worker;
    const end = (reply: TakeAlongReply) => {
      if (running === worker) stopTakingAlong();
      resolve(reply);
    };
    worker.onmessage = ({ data }: MessageEvent<TakeAlongReply>) => end(data);
    worker.onerror = () => end({ ok: false });
    worker.postMessage(person);
  });
}

/** Fetches what has changed of everything that the phone may need, and puts it onto the device. */
export async function takeAlong(client: QueryClient, person: string): Promise<void> {
  const startedAt = Date.now();
  const reply = await ask(person);
  if (!reply.ok) return;
  useOutboxStore.getState().set({ takenAlong: reply.lawns });
  for (const key of reply.keys) {
    // What a screen holds in memory from before is asked for again when it is looked at.
    const state = client.getQueryState(key);
    if (state && state.dataUpdatedAt < startedAt) {
      void client.invalidateQueries({ queryKey: key, exact: true });
    }
  }
}
