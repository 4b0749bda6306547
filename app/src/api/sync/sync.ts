import { RequestFailure } from '../request';
import type { Kept, NewWrite } from '@/state/sync/outbox';
import { useOutboxStore } from '@/state/sync/outboxStore';
import type { Acceptance } from '@/state/sync/outboxDatabase';
import type { PendingWrite, ServerDocument } from '@/state/sync/pendingWrite';
import { BACKGROUND_TAG, openSharedOutbox } from './sharedOutbox';

/** How long a screen waits for the server's word before it goes on with the device's own. */
const PATIENCE_MS = 4000;
const FIRST_RETRY_MS = 2000;
const LAST_RETRY_MS = 60_000;
/** While much is sent, screens are told of it this often. */
const TELLS_EVERY_MS = 200;
const HOUR_MS = 3_600_000;
/** A device's clock may be set back while the app is open. */
const CLOCK_MARGIN_MS = 60_000;

type Change = Omit<NewWrite, 'owner'>;
type AcceptedListener = (write: PendingWrite, document: ServerDocument) => void;

export interface SyncListener {
  /** The server has taken a write, from this tab or another. */
  accepted: AcceptedListener;
  /** It was taken after this page had begun to ask, and before it could hear of it. */
  missed: (acceptance: Acceptance) => void;
  /** What could be sent is sent: what else depends on it may be asked anew, once. */
  drained: () => void;
  signedOut: () => void;
}

let opened: ReturnType<typeof openSharedOutbox> | null = null;
let owner: string | null = null;
let retryMs = FIRST_RETRY_MS;
let timer: ReturnType<typeof setTimeout> | undefined;
let telling: ReturnType<typeof setTimeout> | undefined;
let tookSome = false;
let listener: SyncListener | null = null;
/** Screens that wait for the server's word on what they wrote. */
const waiting = new Set<AcceptedListener>();

function hearAccepted(write: PendingWrite, document: ServerDocument): void {
  if (write.owner !== owner) return;
  listener?.accepted(write, document);
  waiting.forEach((hear) => hear(write, document));
}

function open() {
  opened ??= openSharedOutbox(
    (word) => {
      if (word.kind === 'accepted') hearAccepted(word.write, word.document);
      else if (word.kind === 'drained') listener?.drained();
      else showSoon();
    },
    {
      onChange: showSoon,
      onAccepted: (write, document) => {
        tookSome = true;
        hearAccepted(write, document);
      },
    },
  );
  return opened;
}

/** What waits, for the screens: the signed-in person's own, and how much there is of others. */
async function show(): Promise<void> {
  clearTimeout(telling);
  telling = undefined;
  const { outbox } = await open();
  const person = owner;
  const [writes, others] = person
    ? await Promise.all([outbox.list(person), outbox.othersWaiting(person)])
    : [[], 0];
  if (person === owner) useOutboxStore.getState().set({ writes, others });
}
const showSoon = (): void => {
  telling ??= setTimeout(() => void show(), TELLS_EVERY_MS);
};

/** Starts sending for a person, and again whenever the line may be back. */
export async function startSync(person: string, hears: SyncListener): Promise<() => void> {
  owner = person;
  listener = hears;
  const { database, outbox } = await open();
  await database.put('marks', person, 'person');
  await show();
  // The app's worker may have sent something while this page was asking for its lists.
  const began = performance.timeOrigin - CLOCK_MARGIN_MS;
  const missed = await outbox.acceptedSince(person, began);
  if (missed.length > 0) {
    missed.forEach(hears.missed);
    hears.drained();
  }
  const again = () => {
    retryMs = FIRST_RETRY_MS;
    void sendNow();
  };
  const seen = () => {
    if (document.visibilityState !== 'visible') {
      // The page may not come back: what waits is the worker's, too.
      if (useOutboxStore.getState().writes.length > 0) void sendInBackground();
      return;
    }
    void show();
    again();
  };
  // Any answer shows that there is a line, whatever the browser believes of it.
  const stopListening = useOutboxStore.subscribe(({ line, writes, sending }, was) => {
    if (line === 'up' && was.line === 'down' && writes.length > 0 && !sending) {
      sendAfter(FIRST_RETRY_MS);
    }
  });
  window.addEventListener('online', again);
  document.addEventListener('visibilitychange', seen);
  void navigator.storage?.persist?.().catch(() => false);
  void forgetSentPhotos();
  again();
  return () => {
    owner = null;
    listener = null;
    clearTimeout(timer);
    stopListening();
    useOutboxStore.getState().set({ writes: [], others: 0 });
    window.removeEventListener('online', again);
    document.removeEventListener('visibilitychange', seen);
  };
}

/** Nobody is here any more: what waits, waits for its writer. */
export async function stopSending(): Promise<void> {
  owner = null;
  const { database } = await open();
  await database.delete('marks', 'person');
}

function sendAfter(ms: number): void {
  clearTimeout(timer);
  timer = setTimeout(() => void sendNow(), ms);
}

/** Sends what waits; when that does not succeed, tries again later by itself. */
export async function sendNow(): Promise<void> {
  if (!owner) return;
  clearTimeout(timer);
  const { outbox, tabs } = await open();
  const { set } = useOutboxStore.getState();
  set({ sending: true });
  const end = await outbox.flush(owner).catch(() => 'failing' as const);
  // Before anything that may take its time or fail: nothing that waits is left without a next try.
  if (end !== 'empty' && end !== 'blocked') {
    sendAfter(end === 'signed-out' ? LAST_RETRY_MS : retryMs);
    retryMs = Math.min(LAST_RETRY_MS, retryMs * 2);
  }
  set({ sending: false, ...(end === 'signed-out' ? { line: 'signed-out' as const } : {}) });
  await show();
  if (end === 'signed-out') listener?.signedOut();
  if (tookSome) {
    tookSome = false;
    listener?.drained();
    tabs.tell({ kind: 'drained' });
  }
  if (end === 'unreachable' || end === 'failing') void sendInBackground();
  await measureStorage();
}

/** Asks the browser to wake the app's worker when the line is back, also after the last tab has gone. */
async function sendInBackground(): Promise<void> {
  const registration = await navigator.serviceWorker?.getRegistration().catch(() => undefined);
  const { sync } = (registration ?? {}) as {
    sync?: { register: (tag: string) => Promise<void> };
  };
  await sync?.register(BACKGROUND_TAG).catch(() => undefined);
}

const noRoom = (error: unknown): never => {
  if (error instanceof DOMException && error.name === 'QuotaExceededError') {
    throw new RequestFailure('storage-full', 'storage-full');
  }
  throw error;
};

async function keepAll(changes: readonly Change[]): Promise<Kept[]> {
  const person = owner;
  if (!person) throw new RequestFailure('signed-out', 'signed-out');
  const { outbox } = await open();
  const kept = await outbox
    .keepAll(changes.map((change) => ({ ...change, owner: person })))
    .catch(noRoom);
  await show();
  return kept;
}

/**
 * Keeps many writes on the device, all or none, and begins to send them; how far that is stands in the
 * outbox.
 * @throws RequestFailure `storage-full` when the device has no room
 */
export async function writeAll(changes: readonly Change[]): Promise<void> {
  await keepAll(changes);
  void sendNow();
}

/**
 * Keeps a write on the device and gives the server a moment to answer.
 * @returns the server's document, or `null` when the write is kept and waits
 * @throws RequestFailure what the server said against it at once (the write is not kept then), or
 * `storage-full` when the device has no room
 */
export async function write(change: Change): Promise<ServerDocument | null> {
  let answer: ServerDocument | null = null;
  const hear: AcceptedListener = (accepted, document) => {
    if (accepted.kind === change.kind && accepted.id === change.id) answer = document;
  };
  waiting.add(hear);
  try {
    const [kept] = (await keepAll([change])) as [Kept];
    const { outbox } = await open();
    await Promise.race([sendNow(), new Promise((resolve) => setTimeout(resolve, PATIENCE_MS))]);
    const { database } = await open();
    const still = await database.get('writes', kept.write.seq);
    const own = still?.writeId === kept.write.writeId ? still : undefined;
    if (own?.state === 'refused' && own.failure) {
      await outbox.takeBack(kept);
      await show();
      const { code, message, path } = own.failure;
      throw new RequestFailure(code, message, path);
    }
    return still ? null : answer;
  } finally {
    waiting.delete(hear);
  }
}

/** Keeps a photo's bytes on the device until they have been sent. */
export async function keepPhotoBytes(id: string, bytes: ArrayBuffer, type: string): Promise<void> {
  const { database } = await open();
  await database.put('photos', { id, bytes, type }).catch(noRoom);
}

/** A photo's bytes from this device, or `null` when it was taken on another. */
export async function photoBytes(id: string): Promise<Blob | null> {
  const { database } = await open();
  const photo = await database.get('photos', id);
  return photo ? new Blob([photo.bytes], { type: photo.type }) : null;
}

export async function settleConflict(
  seq: number,
  asked: string,
  choices: readonly ('mine' | 'theirs')[],
): Promise<void> {
  const { outbox } = await open();
  await outbox.settle(seq, asked, choices);
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
  await show();
  void forgetSentPhotos();
}

/**
 * Removes the bytes of photos that nothing waits to be sent of. A photo of the last hour may not have got
 * its write yet.
 */
async function forgetSentPhotos(): Promise<void> {
  const { database } = await open();
  const transaction = database.transaction(['writes', 'photos'], 'readwrite');
  const writes = await transaction.objectStore('writes').getAll();
  const unsent = new Set(writes.filter(({ kind }) => kind === 'photo').map(({ id }) => id));
  const before = Date.now() - HOUR_MS;
  for (const id of await transaction.objectStore('photos').getAllKeys()) {
    if (!unsent.has(id) && madeAt(id) < before) await transaction.objectStore('photos').delete(id);
  }
  await transaction.done;
}

/** When a UUID of version 7 was made, ms (RFC 9562, 5.7). */
const madeAt = (id: string): number => Number.parseInt(id.replace('-', '').slice(0, 12), 16);

async function measureStorage(): Promise<void> {
  const estimate = await navigator.storage?.estimate?.().catch(() => null);
  const { usage, quota } = estimate ?? {};
  if (!quota || usage === undefined) return;
  useOutboxStore.getState().set({ storage: { usage, quota } });
}
