import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { PendingWrite } from './pendingWrite';

/** What the server took of a write: lists that were asked for before it do not have it. */
export type Acceptance = Pick<PendingWrite, 'owner' | 'kind' | 'id' | 'lawnId'> & {
  /** ms since 1970 by the device's clock */
  at: number;
};

interface OutboxSchema extends DBSchema {
  writes: { key: number; value: PendingWrite; indexes: { document: [string, string] } };
  photos: { key: string; value: { id: string; bytes: ArrayBuffer; type: string } };
  /** Who is signed in here, for the worker that sends when no page is open. */
  marks: { key: 'person'; value: string };
  accepted: { key: number; value: Acceptance };
}

export type OutboxDatabase = IDBPDatabase<OutboxSchema>;

/** Opens the device's store of what has not been sent. A write counts as kept once it is in here. */
export function openOutbox(name = 'alfombra-outbox'): Promise<OutboxDatabase> {
  return openDB<OutboxSchema>(name, 3, {
    upgrade(database, from, _to, transaction) {
      database.createObjectStore('accepted', { autoIncrement: true });
      if (from === 2) return;
      database.createObjectStore('marks');
      if (from === 0) {
        const writes = database.createObjectStore('writes', {
          keyPath: 'seq',
          autoIncrement: true,
        });
        writes.createIndex('document', ['kind', 'id']);
        database.createObjectStore('photos', { keyPath: 'id' });
        return;
      }
      const writes = transaction.objectStore('writes');
      void writes
        .getAll()
        .then((all) => Promise.all(all.map((write) => writes.put({ ...write, failures: 0 }))));
    },
    // A newer app in another tab must not wait for this one to be closed.
    blocking: (_current, _blocked, event) => (event.target as IDBDatabase).close(),
  });
}
