/**
 * Sending as a page does it: nothing that waits is ever without a next try, and what another tab or the
 * app's worker sent while this page was loading is asked for again.
 */
import 'fake-indexeddb/auto';
import { openOutbox, type Acceptance } from '@/state/sync/outboxDatabase';
import { noticeLine, useOutboxStore } from '@/state/sync/outboxStore';
import { startSync, writeAll } from './sync';

const ME = 'me';
const realFetch = global.fetch;
let stop: () => void = () => undefined;
afterEach(() => {
  stop();
  global.fetch = realFetch;
});

const soon = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
async function until(isSo: () => boolean): Promise<void> {
  for (const end = Date.now() + 20_000; !isSo(); await soon(20)) {
    if (Date.now() > end) throw new Error(JSON.stringify(useOutboxStore.getState()));
  }
}
const answered = (status: number, body: unknown) =>
  Promise.resolve({ status, ok: status < 300, json: () => Promise.resolve(body) });
const taken = () => answered(200, { id: 'v', version: 1 });

/** A server that says one thing after another, and takes everything from then on. */
function serve(first: readonly (() => Promise<unknown>)[]): { tries: () => number } {
  let tries = 0;
  global.fetch = (() => (first[tries++] ?? taken)()) as unknown as typeof fetch;
  return { tries: () => tries };
}
const cut = () => Promise.reject(new TypeError('failed'));
const visit = () =>
  writeAll([{ kind: 'visit', id: 'v', lawnId: 'l', body: { note: 'x' }, saw: null, base: null }]);
const nobody = {
  accepted: () => undefined,
  missed: () => undefined,
  drained: () => undefined,
  signedOut: () => undefined,
};
const waiting = () => useOutboxStore.getState().writes.length;

it('tries again by itself after a cut line, also where the browser does not tell its room', async () => {
  const estimate = jest.fn(() => new Promise<never>(() => undefined));
  Object.defineProperty(navigator, 'storage', { configurable: true, value: { estimate } });
  const server = serve([cut]);
  stop = await startSync(ME, nobody);
  await visit();
  await until(() => server.tries() === 1 && waiting() === 1);
  await until(() => waiting() === 0);
  expect(estimate).toHaveBeenCalled();
  expect(server.tries()).toBe(2);
  Object.defineProperty(navigator, 'storage', { configurable: true, value: undefined });
});

it('tries at once when any answer shows that there is a line, however long the pause had become', async () => {
  const server = serve([cut, cut, cut, cut]);
  stop = await startSync(ME, nobody);
  await visit();
  // After these the next pause is 16 s.
  await until(() => server.tries() === 3);
  global.fetch = taken as unknown as typeof fetch;
  await soon(100);
  const asked = Date.now();
  noticeLine(true);
  await until(() => waiting() === 0);
  expect(Date.now() - asked).toBeLessThan(7_500);
});

it('asks again for what was taken while the page was loading, and not for what it began with', async () => {
  const database = await openOutbox();
  const early = { owner: ME, kind: 'lawn', id: 'early', lawnId: null, at: 0 } as const;
  const missed: Acceptance[] = [];
  let drained = 0;
  await database.clear('accepted');
  await database.add('accepted', early);
  await database.add('accepted', { ...early, id: 'other’s', owner: 'you', at: Date.now() });
  await database.add('accepted', { ...early, id: 'late', at: Date.now() });
  serve([]);
  stop = await startSync(ME, {
    ...nobody,
    missed: (acceptance) => missed.push(acceptance),
    drained: () => (drained += 1),
  });
  expect(missed.map(({ id }) => id)).toEqual(['late']);
  expect(drained).toBe(1);
  expect((await database.getAll('accepted')).map(({ id }) => id)).toEqual(['other’s', 'late']);
});

it('notes what the server took where every tab finds it', async () => {
  const database = await openOutbox();
  await database.clear('accepted');
  serve([]);
  stop = await startSync(ME, nobody);
  await visit();
  await until(() => waiting() === 0);
  await soon(50);
  expect(await database.getAll('accepted')).toMatchObject([
    { owner: ME, kind: 'visit', id: 'v', lawnId: 'l' },
  ]);
});
