import { Outbox, type OutboxOptions } from '@/state/sync/outbox';
import { openOutbox } from '@/state/sync/outboxDatabase';
import { sendWrite } from './sendWrite';
import { otherTabs, type TabWord } from './tabs';

/** By this name the browser wakes the app's worker when the line is back. */
export const BACKGROUND_TAG = 'alfombra-outbox';

/** One tab, or the worker, sends at a time, where the browser can say so. */
const exclusively = <Value>(work: () => Promise<Value>): Promise<Value> =>
  typeof navigator !== 'undefined' && 'locks' in navigator
    ? (navigator.locks.request('alfombra-outbox', work) as Promise<Value>)
    : work();

/** The outbox that all tabs of this app and its worker share on this device. */
export async function openSharedOutbox(
  hear: (word: TabWord) => void,
  { onChange, onAccepted }: Pick<OutboxOptions, 'onChange' | 'onAccepted'> = {},
) {
  const database = await openOutbox();
  const tabs = otherTabs(hear);
  const outbox = new Outbox({
    database,
    send: (write) => sendWrite(write, database),
    exclusively,
    onChange: () => {
      tabs.tell({ kind: 'changed' });
      onChange?.();
    },
    onAccepted: (write, document) => {
      tabs.tell({ kind: 'accepted', write, document });
      onAccepted?.(write, document);
    },
  });
  return { database, outbox, tabs };
}
