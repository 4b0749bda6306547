import { create } from 'zustand';
import type { PendingWrite } from './pendingWrite';

interface OutboxState {
  /** What the signed-in person has not sent yet. */
  writes: readonly PendingWrite[];
  /** How much of other people waits on this device for them to sign in. */
  others: number;
  /** The line to the server: what the last attempt met. */
  line: 'unknown' | 'up' | 'down' | 'signed-out';
  sending: boolean;
  /** This app's storage on the device, bytes, when the browser tells. */
  storage: { usage: number; quota: number } | null;
  /** Lawns that are on the device for work without a signal. */
  takenAlong: number;
  set: (change: Partial<Omit<OutboxState, 'set'>>) => void;
}

/** What the screens show of the outbox. */
export const useOutboxStore = create<OutboxState>()((set) => ({
  writes: [],
  others: 0,
  line: 'unknown',
  sending: false,
  storage: null,
  takenAlong: 0,
  set,
}));

/** What the last request met: every answer, even a refusal, shows that there is a line. */
export function noticeLine(up: boolean): void {
  const { line, set } = useOutboxStore.getState();
  if (up ? line === 'down' || line === 'unknown' : line !== 'down')
    set({ line: up ? 'up' : 'down' });
}
