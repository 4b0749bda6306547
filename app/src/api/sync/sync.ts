import type { Json } from '@alfombra/core';
import { RequestFailure } from '../request';
import { Outbox, type NewWrite } from '@/state/sync/outbox';
import { openOutbox, type OutboxDatabase } from '@/state/sync/outboxDatabase';
import { useOutboxStore } from '@/state/sync/outboxStore';
import type { PendingWrite, ServerDocument } from '@/state/sync/pendingWrite';
import { sendWrite } from './sendWrite';

/** How long a screen waits for the server's word before it goes on with the device's own. */
const PATIENCE_MS = 4000;
const FIRST_RETRY_MS = 2000;
const LAST_RETRY_MS = 60_000;
type AcceptedListener = (write: PendingWrite, document: ServerDocument) => void;

let opened: Promise<{ database: OutboxDatabase; outbox: Outbox }> | null = null;
let owner: string | null = null;
let retryMs = FIRST_RETRY_MS;
let timer: ReturnType<typeof setTimeout> | undefined;
/** Who wants to hear of acknowledged writes. */
const acceptedListeners = new Set<AcceptedListener>();
let onSignedOut: () => void = () => undefined;

/** One tab sends at a time, where the browser can say so. */
const exclusively = <Value>(work: () => Promise<Value>): Promise<Value> =>
  typeof navigator !== 'undefined' && 'locks' in navigator
    ? (navigator.locks.request('alfombra-outbox', work) as Promise<Value>)
    : work();

function open() {
  opened ??= openOutbox().then((database) => ({
    database,
    outbox: new Outbox({
      database,
      send: (write) => sendWrite(write, database),
      exclusively,
      onChange: (writes) => useOutboxStore.getState().set({ writes }),
      onAccepted: (write, document) =>
        acceptedListeners.forEach((listener) => listener(write, document)),
    }),
  }));
  return opened;
}

/** Starts sending for a person, and again whenever the line may be back. */
export async function startSync(
  person: string,
  accepted: AcceptedListener,
  signedOut: () => void,
): Promise<() => void> {
  owner = person;
  acceptedListeners.add(accepted);
  onSignedOut = signedOut;
  const { outbox } = await open();
  useOutboxStore.getState().set({ writes: await outbox.list() });
  const again = () => {
    retryMs = FIRST_RETRY_MS;
    void sendNow();
  };
  const seen = () => document.visibilityState === 'visible' && again();
  window.addEventListener('online', again);
  document.addEventListener('visibilitychange', seen);
  void navigator.storage?.persist?.().catch(() => false);
  again();
  return () => {
    owner = null;
    acceptedListeners.delete(accepted);
    clearTimeout(timer);
    window.removeEventListener('online', again);
    document.removeEventListener('visibilitychange', seen);
  };
}

/** Sends what waits; when the network gives out, tries again later by itself. */
export async function sendNow(): Promise<void> {
  if (!owner) return;
  clearTimeout(timer);
  const { outbox } = await open();
  const { set } = useOutboxStore.getState();
  set({ sending: true });
  const end = await outbox.flush(owner).catch(() => 'unreachable' as const);
  set({ sending: false, ...(end === 'signed-out' ? { line: 'signed-out' as const } : {}) });
  if (end === 'signed-out') onSignedOut();
  await measureStorage();
  if (end === 'unreachable' && owner) {
    timer = setTimeout(() => void sendNow(), retryMs);
    retryMs = Math.min(LAST_RETRY_MS, retryMs * 2);
  }
}

/**
 * Keeps a write on the device and gives the server a moment to answer.
 * @returns the server's document, or `null` when the write is kept and waits
 * @throws RequestFailure what the server said against it at once (the write is not kept then), or
 * `storage-full` when the device has no room
 */
export async function write(change: Omit<NewWrite, 'owner'>): Promise<ServerDocument | null> {
  if (!owner) throw new RequestFailure('signed-out', 'signed-out');
  const { outbox } = await open();
  let answer: ServerDocument | null = null;
  let kept: PendingWrite;
  try {
    kept = await outbox.keep({ ...change, owner });
  } catch (error) {
    if (error instanceof DOMException && error.name === 'QuotaExceededError') {
      throw new RequestFailure('storage-full', 'storage-full');
    }
    throw error;
  }
  const hear: AcceptedListener = (accepted, document) => {
    if (accepted.kind === change.kind && accepted.id === change.id) answer = document;
  };
  acceptedListeners.add(hear);
  try {
    await Promise.race([sendNow(), new Promise((resolve) => setTimeout(resolve, PATIENCE_MS))]);
  } finally {
    acceptedListeners.delete(hear);
  }
  const still = (await outbox.list()).find(({ seq }) => seq === kept.seq);
  if (still?.state === 'refused' && still.failure) {
    await outbox.discard(still.seq);
    const { code, message, path } = still.failure;
    throw new RequestFailure(code, message, path);
  }
  return still ? null : answer;
}

/** Keeps a photo's bytes on the device until they have been sent, and after. */
export async function keepPhotoBytes(id: string, bytes: ArrayBuffer, type: string): Promise<void> {
  const { database } = await open();
  try {
    await database.put('photos', { id, bytes, type });
  } catch (error) {
    if (error instanceof DOMException && error.name === 'QuotaExceededError') {
      throw new RequestFailure('storage-full', 'storage-full');
    }
    throw error;
  }
}

/** A photo's bytes from this device, or `null` when it was taken on another. */
export async function photoBytes(id: string): Promise<Blob | null> {
  const { database } = await open();
  const photo = await database.get('photos', id);
  return photo ? new Blob([photo.bytes], { type: photo.type }) : null;
}

export async function settleConflict(
  seq: number,
  choices: readonly ('mine' | 'theirs')[],
): Promise<void> {
  const { outbox } = await open();
  await outbox.settle(seq, choices);
  await sendNow();
}

export async function retryWrite(seq: number): Promise<void> {
  const { outbox } = await open();
  await outbox.retry(seq);
  await sendNow();
}

export async function discardWrite(seq: number): Promise<void> {
  const { outbox } = await open();
  await outbox.discard(seq);
}

async function measureStorage(): Promise<void> {
  const estimate = await navigator.storage?.estimate?.().catch(() => null);
  const { usage, quota } = estimate ?? {};
  if (!quota || usage === undefined) return;
  useOutboxStore.getState().set({ storage: { usage, quota } });
}

/** What the server holds of a document that a screen has, for a write on top of it. */
export const baseOf = <Document extends { id: string; version: number }>(
  document: Document | undefined,
  without: readonly string[] = [],
): { version: number; body: Json } | null => {
  if (!document || document.version === 0) return null;
  const { id: _id, version, ...body } = document;
  return {
    version,
    body: Object.fromEntries(
      Object.entries(body).filter(([key]) => !without.includes(key)),
    ) as Json,
  };
};
