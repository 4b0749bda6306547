import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { PendingWrite } from './pendingWrite';

interface OutboxSchema extends DBSchema {
  writes: { key: number; value: PendingWrite; indexes: { document: [string, string] } };
  photos: { key: string; value: { id: string; bytes: ArrayBuffer; type: string } };
}

export type OutboxDatabase = IDBPDatabase<OutboxSchema>;

/** Opens the device's store of what has not been sent. A write counts as kept once it is in here. */
export function openOutbox(name = 'alfombra-outbox'): Promise<OutboxDatabase> {
  return openDB<OutboxSchema>(name, 1, {
    upgrade(database) {
      const writes = database.createObjectStore('writes', { keyPath: 'seq', autoIncrement: true });
      writes.createIndex('document', ['kind', 'id']);
      database.createObjectStore('photos', { keyPath: 'id' });
    },
  });
}
