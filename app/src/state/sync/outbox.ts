import { v7 as uuid } from 'uuid';
import type { Acceptance, OutboxDatabase } from './outboxDatabase';
import {
  isSetAside,
  type DocumentKind,
  type PendingWrite,
  type ServerDocument,
} from './pendingWrite';
import {
  alone,
  behind,
  joined,
  onTopOf,
  saysNothing,
  settled,
  without,
  type Content,
  type Edit,
} from './rebase';

/** How one attempt to send a write went. */
export type SendResult =
  | { kind: 'accepted'; document: ServerDocument }
  /** No answer: try again later. */
  | { kind: 'unreachable' }
  /** The server failed at it; it may fail again, and others may pass. */
  | { kind: 'failing' }
  | { kind: 'signed-out' }
  /** Somebody wrote in between. */
  | { kind: 'stale'; document: ServerDocument }
  | { kind: 'refused'; failure: NonNullable<PendingWrite['failure']> };

export interface OutboxOptions {
  database: OutboxDatabase;
  send: (write: PendingWrite) => Promise<SendResult>;
  /** Only one tab sends at a time. */
  exclusively?: <Value>(work: () => Promise<Value>) => Promise<Value>;
  /** What waits has changed. */
  onChange?: () => void;
  onAccepted?: (write: PendingWrite, document: ServerDocument) => void;
  newId?: () => string;
}

export interface NewWrite extends Edit {
  owner: string;
  kind: DocumentKind;
  id: string;
  lawnId: string | null;
}

/** A write as it was kept, and the one that took it in as that was before. */
export interface Kept {
  write: PendingWrite;
  before: PendingWrite | null;
}

/** How far a flush came. */
export type FlushEnd = 'empty' | 'blocked' | 'unreachable' | 'failing' | 'signed-out';

/** Documents on their way at once. */
const LANES = 4;
/** So many failures one after the other, of different writes, mean that the server is sick. */
const SICK = 3;

type Write = PendingWrite;
const keyOf = ({ kind, id }: Pick<Write, 'kind' | 'id'>) => `${kind}/${id}`;

/**
 * Writes of this device. A write is kept in IndexedDB before anything is sent, carries an id of its own
 * so that the server takes it once, and leaves when the server has acknowledged it. Of one document at
 * most two wait: one that may have arrived, and one behind it that takes in every later edit. What is
 * held (asked about, refused, set aside) is always the only one of its document. Every change of what
 * waits reads and writes in one transaction: tabs share the database.
 */
export class Outbox {
  private flushing: Promise<FlushEnd> | null = null;
  /** Somebody asked while a flush was on its way: a write kept at its very end must not be left. */
  private askedAgain = false;

  constructor(private readonly options: OutboxOptions) {}

  /** Pending writes of a person, oldest first. */
  async list(owner: string): Promise<Write[]> {
    return (await this.options.database.getAll('writes')).filter((write) => write.owner === owner);
  }

  /** How many writes of other people wait on this device. */
  async othersWaiting(owner: string): Promise<number> {
    const all = await this.options.database.getAll('writes');
    return all.filter((write) => write.owner !== owner).length;
  }

  /**
   * What the server took since a moment, whichever tab or worker sent it; what is older is forgotten.
   * @param since ms since 1970
   */
  async acceptedSince(owner: string, since: number): Promise<Acceptance[]> {
    const transaction = this.options.database.transaction('accepted', 'readwrite');
    const found: Acceptance[] = [];
    for (
      let cursor = await transaction.store.openCursor();
      cursor;
      cursor = await cursor.continue()
    ) {
      if (cursor.value.at < since) await cursor.delete();
      else if (cursor.value.owner === owner) found.push(cursor.value);
    }
    await transaction.done;
    return found;
  }

  /** @throws DOMException `QuotaExceededError` when the device has no room; nothing is changed then */
  async keep(write: NewWrite): Promise<Kept> {
    return (await this.keepAll([write]))[0] as Kept;
  }

  /**
   * Keeps writes, all or none. One of a document that waits already goes together with that one, or
   * behind it when that may have arrived.
   * @throws DOMException `QuotaExceededError` when the device has no room; nothing is changed then
   */
  async keepAll(writes: readonly NewWrite[]): Promise<Kept[]> {
    const { newId = uuid } = this.options;
    const kept: Kept[] = [];
    await this.change(async (store) => {
      for (const { owner, kind, id, lawnId, ...edit } of writes) {
        const last = (await store.ofDocument({ owner, kind, id })).pop();
        const fresh = { owner, kind, id, lawnId, writeId: newId(), tried: false, failures: 0 };
        if (last && (!last.tried || last.state !== 'waiting' || isSetAside(last))) {
          const write = { ...last, ...fresh, ...joined(last, behind(last, edit)) };
          await store.put(write);
          kept.push({ write, before: last });
        } else {
          const content = last ? behind(last, edit) : alone(edit);
          kept.push({ write: await store.add({ ...fresh, ...content }), before: null });
        }
      }
    }, true);
    return kept;
  }

  /** Takes back what was just kept; what waited before it waits again. */
  async takeBack({ write, before }: Kept): Promise<void> {
    const { newId = uuid } = this.options;
    await this.change(async (store) => {
      if ((await store.get(write.seq))?.writeId !== write.writeId) return;
      if (before) await store.put({ ...before, writeId: newId() });
      else await store.delete(write.seq);
    });
  }

  /** Sends what waits until nothing is left that could go, or the network gives out. */
  flush(owner: string): Promise<FlushEnd> {
    if (this.flushing) {
      this.askedAgain = true;
      return this.flushing;
    }
    const exclusively = this.options.exclusively ?? ((work) => work());
    this.flushing = exclusively(async () => {
      let end: FlushEnd;
      do {
        this.askedAgain = false;
        end = await this.sendAll(owner);
      } while (this.askedAgain && (end === 'empty' || end === 'blocked'));
      return end;
    }).finally(() => {
      this.flushing = null;
    });
    return this.flushing;
  }

  private async sendAll(owner: string): Promise<FlushEnd> {
    const flying = new Map<string, Promise<void>>();
    const failed = new Set<string>();
    let inARow = 0;
    let stopped: 'unreachable' | 'failing' | 'signed-out' | null = null;
    const fly = async (write: Write) => {
      const kind = await this.sendOne(write);
      if (kind === 'unreachable' || kind === 'signed-out') stopped = kind;
      else if (kind === 'failing') {
        failed.add(keyOf(write));
        inARow += 1;
        if (inARow >= SICK) stopped ??= 'failing';
      } else inARow = 0;
    };
    for (;;) {
      while (!stopped && flying.size < LANES) {
        const next = await this.takeNext(owner, new Set([...flying.keys(), ...failed]));
        if (!next) break;
        const key = keyOf(next);
        flying.set(
          key,
          fly(next).finally(() => flying.delete(key)),
        );
      }
      if (flying.size === 0) break;
      await Promise.race(flying.values());
    }
    if (stopped) return stopped;
    if (failed.size > 0) return 'failing';
    return (await this.list(owner)).length === 0 ? 'empty' : 'blocked';
  }

  /**
   * The next write that nothing holds back: no earlier one of its document, and no new lawn that it
   * lies on. It is marked as possibly arrived before it can have: a killed tab finds it so.
   */
  private async takeNext(owner: string, busy: ReadonlySet<string>): Promise<Write | null> {
    const transaction = this.options.database.transaction('writes', 'readwrite');
    const blocked = new Set(busy);
    const unborn = new Set<string>();
    let next: Write | null = null;
    for (
      let cursor = await transaction.store.openCursor();
      cursor;
      cursor = await cursor.continue()
    ) {
      const write = cursor.value;
      if (write.owner !== owner) continue;
      const free =
        write.state === 'waiting' &&
        !blocked.has(keyOf(write)) &&
        !(write.lawnId && unborn.has(write.lawnId));
      blocked.add(keyOf(write));
      if (write.kind === 'lawn' && write.base === null) unborn.add(write.id);
      if (!free) continue;
      if (!isSetAside(write)) {
        next = write;
        break;
      }
      next ??= write;
    }
    if (next) {
      next = { ...next, tried: true };
      await transaction.store.put(next);
    }
    await transaction.done;
    return next;
  }

  private async sendOne(write: Write): Promise<SendResult['kind']> {
    const result = await this.options.send(write);
    if (result.kind === 'accepted') await this.accept(write, result.document);
    else if (result.kind === 'stale') await this.carryOver(write, result.document);
    else if (result.kind === 'refused') await this.refuse(write, result.failure);
    else if (result.kind === 'failing') await this.countFailure(write);
    return result.kind;
  }

  /** The write is in: what waits behind it goes on top of what the server has now. */
  private async accept(write: Write, document: ServerDocument): Promise<void> {
    await this.change(async (store) => {
      for (const later of await store.ofDocument(write)) {
        if (later.writeId === write.writeId) await store.delete(later.seq);
        else {
          // An edit that came together with this very write while it was set aside builds on it, too.
          const base = later.seq === write.seq ? write.body : later.base;
          await store.renew(later, onTopOf({ ...later, base }, document));
        }
      }
      await store.noteAccepted(write);
    });
    this.options.onAccepted?.(write, document);
  }

  /** Somebody wrote in between: both sides' changes go together, or the technician is asked. */
  private async carryOver(write: Write, theirs: ServerDocument): Promise<void> {
    const nothingLeft = await this.change(async (store) => {
      const [own, later] = await store.ofDocument(write);
      if (own?.writeId !== write.writeId) return false;
      if (later) await store.delete(later.seq);
      const content = onTopOf(later ? joined(own, later) : own, theirs);
      await store.renew(own, content);
      return saysNothing(content);
    });
    if (nothingLeft) this.options.onAccepted?.(write, theirs);
  }

  /** The server does not take it: it is held, unless a later edit has changed it already. */
  private async refuse(write: Write, failure: Write['failure']): Promise<void> {
    await this.change(async (store) => {
      const [own, later] = await store.ofDocument(write);
      if (own?.writeId !== write.writeId) return;
      if (later) {
        await store.delete(later.seq);
        await store.renew(own, joined(own, later));
      } else await store.put({ ...own, state: 'refused', failure });
    });
  }

  private async countFailure(write: Write): Promise<void> {
    await this.change(async (store) => {
      const [own, later] = await store.ofDocument(write);
      if (own?.writeId !== write.writeId) return;
      const counted = { ...own, failures: own.failures + 1 };
      if (later && isSetAside(counted)) {
        await store.delete(later.seq);
        await store.renew(own, joined(own, later));
      } else await store.put(counted);
    });
  }

  /**
   * Settles a conflict by one choice for each place; the result is sent like any other write.
   * @param asked the `writeId` that the choices were made for: later edits are asked about anew
   */
  async settle(seq: number, asked: string, choices: readonly ('mine' | 'theirs')[]): Promise<void> {
    const agreed = await this.change(async (store) => {
      const write = await store.get(seq);
      if (!write?.conflict || write.writeId !== asked) return null;
      const content = settled(write.conflict, choices);
      await store.renew(write, content);
      const { theirs: body, version } = write.conflict;
      return saysNothing(content) ? { write, document: { id: write.id, version, body } } : null;
    });
    if (agreed) this.options.onAccepted?.(agreed.write, agreed.document);
  }

  /** Sends a held write again as it is. */
  async retry(seq: number): Promise<void> {
    await this.change(async (store) => {
      const write = await store.get(seq);
      if (write && write.state !== 'conflict') {
        await store.put({ ...write, state: 'waiting', failure: null, failures: 0 });
      }
    });
  }

  /** Lets a write go, on the technician's word; what was edited after it stays, without it. */
  async discard(seq: number): Promise<void> {
    await this.change(async (store) => {
      const write = await store.get(seq);
      if (!write) return;
      const [later] = (await store.ofDocument(write)).filter((other) => other.seq > seq);
      await store.delete(seq);
      if (later) await store.renew(later, without(write, later));
    });
  }

  /** One change of what waits, read and written in one transaction. */
  private async change<Value>(
    work: (store: WriteStore) => Promise<Value>,
    strict = false,
  ): Promise<Value> {
    const { database, newId = uuid, onChange } = this.options;
    const transaction = database.transaction(
      ['writes', 'accepted'],
      'readwrite',
      strict ? { durability: 'strict' } : {},
    );
    const store = transaction.objectStore('writes');
    let value: Value;
    try {
      value = await work({
        get: (seq) => store.get(seq),
        ofDocument: async ({ owner, kind, id }) =>
          (await store.index('document').getAll([kind, id]))
            .filter((write) => write.owner === owner)
            .sort((a, b) => a.seq - b.seq),
        add: async (write) => ({ ...write, seq: await store.add(write as Write) }),
        put: async (write) => void (await store.put(write)),
        delete: (seq) => store.delete(seq),
        renew: async (write, content) =>
          saysNothing(content)
            ? store.delete(write.seq)
            : void (await store.put({
                ...write,
                ...content,
                writeId: newId(),
                tried: false,
                failures: 0,
              })),
        noteAccepted: async ({ owner, kind, id, lawnId }) =>
          void (await transaction
            .objectStore('accepted')
            .add({ owner, kind, id, lawnId, at: Date.now() })),
      });
    } catch (error) {
      // Whatever was put before the fault is not kept either.
      transaction.done.catch(() => undefined);
      try {
        transaction.abort();
      } catch {
        // It has ended by itself.
      }
      throw error;
    }
    await transaction.done;
    onChange?.();
    return value;
  }
}

/** What a change may do inside its transaction. */
interface WriteStore {
  get: (seq: number) => Promise<Write | undefined>;
  /** Writes of a document by one person, oldest first. */
  ofDocument: (document: Pick<Write, 'owner' | 'kind' | 'id'>) => Promise<Write[]>;
  add: (write: Omit<Write, 'seq'>) => Promise<Write>;
  put: (write: Write) => Promise<void>;
  delete: (seq: number) => Promise<void>;
  /** Gives a write new content under a new id, or removes it when that says nothing. */
  renew: (write: Write, content: Content) => Promise<void>;
  noteAccepted: (write: Write) => Promise<void>;
}
