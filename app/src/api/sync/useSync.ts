import type { User } from '@alfombra/core';
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { persister } from '../queryClient';
import { keys, type LawnPart } from '../keys';
import { lawnsQuery } from '../lawns';
import type { DocumentKind, PendingWrite, ServerDocument } from '@/state/sync/pendingWrite';
import { registerServiceWorker } from '@/state/serviceWorker';
import { startSync } from './sync';
import { stopTakingAlong, takeAlong } from './takeAlong';

/** How old what was taken along may grow while there is a line. */
const TAKE_ALONG_EVERY_MS = 15 * 60_000;

const LOOKS_EVERY_MS = 250;
const SETTLES_MS = 1500;
const LONGEST_WAIT_MS = 15_000;

const PART: Partial<Record<DocumentKind, LawnPart>> = {
  visit: 'visits',
  record: 'records',
  reading: 'readings',
  sample: 'samples',
  photo: 'photos',
  report: 'reports',
};

/** Sends what waits and keeps the lawns on the device while somebody is signed in. */
export function useSync(user: User | undefined): void {
  const client = useQueryClient();
  const id = user?.id;
  useEffect(() => {
    if (!id) return undefined;
    let ended = false;
    let stop: (() => void) | undefined;
    void startSync(
      id,
      (write, document) => intoCache(client, write, document),
      () => void client.invalidateQueries({ queryKey: keys.session }),
    ).then((end) => {
      stop = end;
      if (ended) end();
    });
    // Who is signed in is known without a line, too.
    void persister.persistQueryByKey(keys.session, client);
    // The list itself comes by its own address, and may not have been looked at.
    const take = () => void client.prefetchQuery(lawnsQuery).then(() => takeAlong(client));
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

/** An acknowledged write takes its place among what the server said, before it is asked again. */
function intoCache(client: QueryClient, write: PendingWrite, document: ServerDocument): void {
  const { id, version } = document;
  const entry = { ...(document.body as object), id, version };
  const intoList = (list: { id: string }[] | undefined) =>
    list?.some((other) => other.id === id)
      ? list.map((other) => (other.id === id ? { ...other, ...entry } : other))
      : [entry, ...(list ?? [])];
  const part = PART[write.kind];
  if (write.kind === 'lawn') client.setQueryData(keys.lawn(id), entry);
  else if (write.kind === 'customer') client.setQueryData(keys.customers, intoList);
  else if (part && write.lawnId) {
    client.setQueryData(keys.ofLawn(write.lawnId, part), intoList);
    // Findings, links and bytes are the server's to add.
    void client.invalidateQueries({ queryKey: keys.ofLawn(write.lawnId, part) });
  }
  void client.invalidateQueries({ queryKey: keys.lawns });
}
