import type { User } from '@alfombra/core';
import { useQueryClient, type QueryClient, type QueryKey } from '@tanstack/react-query';
import { useEffect } from 'react';
import { persister } from '../queryClient';
import { keys } from '../keys';
import { lawnsQuery } from '../lawns';
import { withContent } from '@/state/sync/overlay';
import { partOf, type PendingWrite, type ServerDocument } from '@/state/sync/pendingWrite';
import { registerServiceWorker } from '@/state/serviceWorker';
import { startSync } from './sync';
import { stopTakingAlong, takeAlong } from './takeAlong';

/** How old what was taken along may grow while there is a line. */
const TAKE_ALONG_EVERY_MS = 15 * 60_000;

const LOOKS_EVERY_MS = 250;
const SETTLES_MS = 1500;
const LONGEST_WAIT_MS = 15_000;

/** Sends what waits and keeps the lawns on the device while somebody is signed in. */
export function useSync(user: User | undefined): void {
  const client = useQueryClient();
  const id = user?.id;
  useEffect(() => {
    if (!id) return undefined;
    let ended = false;
    let stop: (() => void) | undefined;
    const outdated = new Set<string>();
    void startSync(id, {
      accepted: (write, document) => {
        intoCache(client, write, document);
        for (const key of askedAgain(write)) outdated.add(JSON.stringify(key));
      },
      missed: ({ kind, id, lawnId }) => {
        const own = kind === 'lawn' ? [keys.lawn(id)] : kind === 'customer' ? [keys.customers] : [];
        for (const key of [...own, ...askedAgain({ kind, lawnId })]) {
          outdated.add(JSON.stringify(key));
        }
      },
      // Once for all that went through: four hundred lawns are one look at the list.
      drained: () => {
        const keys = [...outdated];
        outdated.clear();
        for (const key of keys) {
          void client.invalidateQueries({ queryKey: JSON.parse(key) as QueryKey });
        }
      },
      signedOut: () => void client.invalidateQueries({ queryKey: keys.session }),
    }).then((end) => {
      stop = end;
      if (ended) end();
    });
    // Who is signed in is known without a line, too.
    void persister.persistQueryByKey(keys.session, client);
    // The list itself comes by its own address, and may not have been looked at.
    const take = () => void client.prefetchQuery(lawnsQuery).then(() => takeAlong(client, id));
    const timer = setInterval(take, TAKE_ALONG_EVERY_MS);
    const stopWaiting = whenListed(client, () => {
      void registerServiceWorker().catch(() => undefined);
      take();
    });
    return () => {
      ended = true;
      clearInterval(timer);
      stopWaiting();
      stopTakingAlong();
      stop?.();
    };
  }, [client, id]);
}

/**
 * Runs once the list of lawns is there, or after a while without it: what is fetched ahead for work
 * without a signal must not stand in the way of what somebody waits for.
 */
function whenListed(client: QueryClient, then: () => void): () => void {
  let timer: ReturnType<typeof setTimeout>;
  const started = Date.now();
  const look = () => {
    const there = client.getQueryState(keys.lawns)?.status === 'success';
    // The list is drawn in the turns after it has come.
    if (there) timer = setTimeout(then, SETTLES_MS);
    else if (Date.now() - started > LONGEST_WAIT_MS) then();
    else timer = setTimeout(look, LOOKS_EVERY_MS);
  };
  look();
  return () => clearTimeout(timer);
}

/** What else the server says that follows from a write: findings, links, what is due. */
function askedAgain({ kind, lawnId }: Pick<PendingWrite, 'kind' | 'lawnId'>): QueryKey[] {
  const part = partOf(kind);
  return [keys.lawns, ...(part && lawnId ? [keys.ofLawn(lawnId, part)] : [])];
}

/** An acknowledged write takes its place among what the server said, on the device too. */
function intoCache(client: QueryClient, write: PendingWrite, document: ServerDocument): void {
  const { id, version } = document;
  const entry = { ...(document.body as object), id, version };
  const newest = (known: { version?: number } | undefined) => (known?.version ?? 0) <= version;
  const part = partOf(write.kind);
  if (write.kind === 'lawn') {
    client.setQueryData(keys.lawn(id), (known: Entry | undefined) =>
      newest(known) ? entry : known,
    );
    void persister.persistQueryByKey(keys.lawn(id), client);
    return;
  }
  const key =
    write.kind === 'customer'
      ? keys.customers
      : part && write.lawnId
        ? keys.ofLawn(write.lawnId, part)
        : null;
  if (!key) return;
  client.setQueryData(key, (list: Entry[] | undefined) => {
    const known = list?.find((other) => other.id === id);
    if (!known) return [entry, ...(list ?? [])];
    return newest(known)
      ? list?.map((other) => (other === known ? withContent(write.kind, other, entry) : other))
      : list;
  });
  void persister.persistQueryByKey(key, client);
}

interface Entry {
  id: string;
  version?: number;
}
