import { mergeDocuments, settleConflicts, type Json } from '@alfombra/core';
import { v7 as uuid } from 'uuid';
import type { OutboxDatabase } from './outboxDatabase';
import type { DocumentKind, PendingWrite, ServerDocument } from './pendingWrite';

/** How one attempt to send a write went. */
export type SendResult =
  | { kind: 'accepted'; document: ServerDocument }
  /** No answer, or a server that failed: try again later. */
  | { kind: 'unreachable' }
  | { kind: 'signed-out' }
  /** Somebody wrote in between. */
  | { kind: 'stale'; document: ServerDocument }
  | { kind: 'refused'; failure: NonNullable<PendingWrite['failure']> };

export interface OutboxOptions {
  database: OutboxDatabase;
  send: (write: PendingWrite) => Promise<SendResult>;
  /** Only one tab sends at a time. */
  exclusively?: <Value>(work: () => Promise<Value>) => Promise<Value>;
  onChange?: (writes: readonly PendingWrite[]) => void;
  onAccepted?: (write: PendingWrite, document: ServerDocument) => void;
  newId?: () => string;
}

export interface NewWrite {
  owner: string;
  kind: DocumentKind;
  id: string;
  lawnId: string | null;
  body: Json;
  /** What the server holds, as this device last read it; `null` for a new document. */
  base: { version: number; body: Json } | null;
}

/** How far a flush came. */
export type FlushEnd = 'empty' | 'blocked' | 'unreachable' | 'signed-out';

/**
 * Writes of this device in their order. A write is kept in IndexedDB before anything is sent, carries
 * an id of its own so that the server takes it once, and leaves when the server has acknowledged it.
 */
export class Outbox {
  private flushing: Promise<FlushEnd> | null = null;
  /** Somebody asked while a flush was on its way: a write kept at its very end must not be left. */
  private askedAgain = false;

  constructor(private readonly options: OutboxOptions) {}

  /** Pending writes, oldest first. */
  list(): Promise<PendingWrite[]> {
    return this.options.database.getAll('writes');
  }

  /**
   * Keeps a write. A waiting write of the same document that was never sent takes its content;
   * otherwise it queues behind the earlier ones.
   * @throws DOMException `QuotaExceededError` when the device has no room; nothing is changed then
   */
  async keep(write: NewWrite): Promise<PendingWrite> {
    const { database, newId = uuid } = this.options;
    const transaction = database.transaction('writes', 'readwrite', { durability: 'strict' });
    const same = (await transaction.store.index('document').getAll([write.kind, write.id])).sort(
      (a, b) => a.seq - b.seq,
    );
    const last = same[same.length - 1];
    let kept: PendingWrite;
    if (last && last.state === 'waiting' && !last.tried && last.owner === write.owner) {
      kept = { ...last, body: write.body, writeId: newId() };
      await transaction.store.put(kept);
    } else {
      const fresh: Omit<PendingWrite, 'seq'> = {
        writeId: newId(),
        owner: write.owner,
        kind: write.kind,
        id: write.id,
        lawnId: write.lawnId,
        // Behind another write of the document: what it is based on is what that one will leave.
        base: last ? last.body : (write.base?.body ?? null),
        baseVersion: last ? last.baseVersion + 1 : (write.base?.version ?? 0),
        body: write.body,
        state: 'waiting',
        tried: false,
        conflict: null,
        failure: null,
      };
      const seq = await transaction.store.add(fresh as PendingWrite);
      kept = { ...fresh, seq };
    }
    await transaction.done;
    await this.changed();
    return kept;
  }

  /** Sends what is waiting, in order, until nothing is left or the network gives out. */
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
    for (;;) {
      const writes = (await this.list()).filter((write) => write.owner === owner);
      const next = firstToSend(writes);
      if (!next) return writes.length === 0 ? 'empty' : 'blocked';
      // "It may have arrived" is on the disk before it can have: a killed tab finds it so.
      const write = { ...next, tried: true };
      await this.put(write);
      const result = await this.options.send(write);
      if (result.kind === 'unreachable' || result.kind === 'signed-out') return result.kind;
      if (result.kind === 'accepted') await this.accept(write, result.document);
      else if (result.kind === 'refused') {
        await this.put({ ...write, state: 'refused', failure: result.failure });
      } else await this.rebase(write, result.document);
      await this.changed();
    }
  }

  /** The write is in: later writes of the document now build on what the server has. */
  private async accept(write: PendingWrite, document: ServerDocument): Promise<void> {
    const transaction = this.options.database.transaction('writes', 'readwrite');
    await transaction.store.delete(write.seq);
    const later = await transaction.store.index('document').getAll([write.kind, write.id]);
    const following = later.sort((a, b) => a.seq - b.seq)[0];
    if (following) {
      await transaction.store.put({
        ...following,
        base: document.body,
        baseVersion: document.version,
      });
    }
    await transaction.done;
    this.options.onAccepted?.(write, document);
  }

  /** Somebody wrote in between: both sides' changes go together, or the technician is asked. */
  private async rebase(write: PendingWrite, theirs: ServerDocument): Promise<void> {
    const merge = mergeDocuments(write.base, write.body, theirs.body);
    if (merge.conflicts.length > 0) {
      await this.put({
        ...write,
        state: 'conflict',
        conflict: {
          theirs: theirs.body,
          version: theirs.version,
          merged: merge.merged,
          conflicts: merge.conflicts,
        },
      });
      return;
    }
    await this.put(this.renewed(write, merge.merged, theirs));
  }

  /** Settles a conflict by one choice for each place; the result is sent like any other write. */
  async settle(seq: number, choices: readonly ('mine' | 'theirs')[]): Promise<void> {
    const write = await this.options.database.get('writes', seq);
    if (!write?.conflict) return;
    const { merged, conflicts, theirs, version } = write.conflict;
    const body = settleConflicts({ merged, conflicts }, choices);
    await this.put(this.renewed(write, body, { id: write.id, version, body: theirs }));
    await this.changed();
  }

  /** Sends a refused write again as it is. */
  async retry(seq: number): Promise<void> {
    const write = await this.options.database.get('writes', seq);
    if (!write) return;
    await this.put({ ...write, state: 'waiting', failure: null });
    await this.changed();
  }

  /** Lets a write go, on the technician's word. */
  async discard(seq: number): Promise<void> {
    await this.options.database.delete('writes', seq);
    await this.changed();
  }

  private renewed(write: PendingWrite, body: Json, on: ServerDocument): PendingWrite {
    const { newId = uuid } = this.options;
    return {
      ...write,
      writeId: newId(),
      body,
      base: on.body,
      baseVersion: on.version,
      state: 'waiting',
      tried: false,
      conflict: null,
      failure: null,
    };
  }

  private async put(write: PendingWrite): Promise<void> {
    await this.options.database.put('writes', write);
  }

  private async changed(): Promise<void> {
    this.options.onChange?.(await this.list());
  }
}

/**
 * The oldest waiting write that nothing holds back: not an earlier held write of the same document,
 * nor one of the lawn that it belongs to.
 */
function firstToSend(writes: readonly PendingWrite[]): PendingWrite | undefined {
  const held = new Set<string>();
  for (const write of writes) {
    const lawn = write.lawnId && `lawn/${write.lawnId}`;
    const own = `${write.kind}/${write.id}`;
    if (write.state !== 'waiting' || held.has(own) || (lawn && held.has(lawn))) held.add(own);
    else return write;
  }
  return undefined;
}
