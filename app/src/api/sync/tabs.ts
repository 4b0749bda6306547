import type { PendingWrite, ServerDocument } from '@/state/sync/pendingWrite';

/** What one tab tells the others of the outbox that they share. */
export type TabWord =
  | { kind: 'changed' }
  | { kind: 'accepted'; write: PendingWrite; document: ServerDocument }
  /** A flush has ended in which the server took something. */
  | { kind: 'drained' };

export interface Tabs {
  tell: (word: TabWord) => void;
}

/** The other tabs of this app; where the browser has no channel, each asks for itself. */
export function otherTabs(hear: (word: TabWord) => void): Tabs {
  if (typeof BroadcastChannel === 'undefined') return { tell: () => undefined };
  const channel = new BroadcastChannel('alfombra-outbox');
  channel.onmessage = ({ data }: MessageEvent<TabWord>) => hear(data);
  return { tell: (word) => channel.postMessage(word) };
}
