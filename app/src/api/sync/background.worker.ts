import { BACKGROUND_TAG, openSharedOutbox } from './sharedOutbox';

/** What a service worker gets when the browser has found the line again. */
interface SyncEvent extends Event {
  tag: string;
  waitUntil: (work: Promise<unknown>) => void;
}

/** Sends what the signed-in person wrote, with or without a page of the app open. */
async function send(): Promise<void> {
  let took = false;
  const { database, outbox, tabs } = await openSharedOutbox(() => undefined, {
    onAccepted: () => {
      took = true;
    },
  });
  const person = await database.get('marks', 'person');
  if (!person) return;
  const end = await outbox.flush(person);
  if (took) tabs.tell({ kind: 'drained' });
  // The browser asks again later of what has failed.
  if (end === 'unreachable' || end === 'failing') throw new Error(end);
}

self.addEventListener('sync', (event) => {
  const { tag, waitUntil } = event as SyncEvent;
  if (tag === BACKGROUND_TAG) waitUntil.call(event, send());
});
