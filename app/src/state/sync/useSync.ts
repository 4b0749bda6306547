import { takeAlongSchema, type User } from '@alfombra/core';
import { useQueryClient, type QueryClient, type QueryKey } from '@tanstack/react-query';
import { useEffect } from 'react';
import { persister } from '@/api/queryClient';
import { keys, type LawnPart } from '@/api/queries';
import { request } from '@/api/request';
import { useOutboxStore } from './outboxStore';
import type { DocumentKind, PendingWrite, ServerDocument } from './pendingWrite';
import { startSync } from './sync';

/** How old what was taken along may grow while there is a line. */
const TAKE_ALONG_EVERY_MS = 15 * 60_000;

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
    const take = () => void takeAlong(client).catch(() => undefined);
    take();
    const timer = setInterval(take, TAKE_ALONG_EVERY_MS);
    return () => {
      ended = true;
      clearInterval(timer);
      stop?.();
    };
  }, [client, id]);
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

/** Puts everything that the phone may need onto the device. */
export async function takeAlong(client: QueryClient): Promise<void> {
  const all = await request(takeAlongSchema, 'GET', '/api/take-along');
  const put = async (key: QueryKey, data: unknown) => {
    client.setQueryData(key, data);
    await persister.persistQueryByKey(key, client);
  };
  await put(keys.company, all.company);
  await put(keys.customers, all.customers);
  await put(keys.lawns, all.summaries);
  for (const [stationId, weather] of Object.entries(all.weather)) {
    await put(keys.weather(stationId), weather);
  }
  for (const { lawn, ...parts } of all.files) {
    await put(keys.lawn(lawn.id), lawn);
    for (const [part, list] of Object.entries(parts)) {
      await put(keys.ofLawn(lawn.id, part as LawnPart), list);
    }
  }
  useOutboxStore.getState().set({ takenAlong: all.files.length });
}
