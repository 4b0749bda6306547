import 'fake-indexeddb/auto';
import { openOutbox, type OutboxDatabase } from '@/state/sync/outboxDatabase';
import { useOutboxStore } from '@/state/sync/outboxStore';
import type { PendingWrite } from '@/state/sync/pendingWrite';
import { sendWrite, serverDocument } from './sendWrite';

const realFetch = global.fetch;
afterAll(() => {
  global.fetch = realFetch;
});

interface Asked {
  method: string;
  url: string;
  body: unknown;
  key: string | undefined;
}
let asked: Asked[];
let database: OutboxDatabase;

/** Answers each request by the first rule that fits; `null` is a line that is down. */
function serve(answer: (asked: Asked) => [status: number, body: unknown] | null) {
  asked = [];
  global.fetch = ((url: string, init: RequestInit) => {
    const headers = (init.headers ?? {}) as Record<string, string>;
    const request = {
      method: init.method ?? 'GET',
      url,
      body: typeof init.body === 'string' ? (JSON.parse(init.body) as unknown) : init.body,
      key: headers['idempotency-key'],
    };
    asked.push(request);
    const answered = answer(request);
    if (!answered) return Promise.reject(new TypeError('failed'));
    const [status, body] = answered;
    return Promise.resolve({
      status,
      ok: status < 300,
      json: () => Promise.resolve(body),
    });
  }) as unknown as typeof fetch;
}
const failure = (code: string) => ({ error: { code, message: code, path: ['name'] } });
const write = (fields: Partial<PendingWrite> = {}): PendingWrite => ({
  seq: 1,
  writeId: 'write-1',
  owner: 'me',
  kind: 'visit',
  id: 'v',
  lawnId: 'l',
  base: null,
  baseVersion: 3,
  body: { note: 'x' },
  state: 'waiting',
  tried: true,
  failures: 0,
  conflict: null,
  failure: null,
  ...fields,
});

let count = 0;
beforeEach(async () => {
  database = await openOutbox(`send-test-${(count += 1)}`);
});

it('puts the document under its own id and version, once by the write’s id', async () => {
  serve(() => [200, { id: 'v', version: 4, note: 'x' }]);
  expect(await sendWrite(write(), database)).toEqual({
    kind: 'accepted',
    document: { id: 'v', version: 4, body: { note: 'x' } },
  });
  expect(asked).toEqual([
    { method: 'PUT', url: '/api/visits/v', body: { note: 'x', version: 3 }, key: 'write-1' },
  ]);
});

it.each([
  ['no line', null, 'unreachable'],
  ['a server that failed', [500, failure('internal')] as [number, unknown], 'failing'],
  ['an answer of something else', [200, null] as [number, unknown], 'failing'],
  ['too many tries', [429, failure('too-many-tries')] as [number, unknown], 'unreachable'],
  ['an ended session', [401, failure('signed-out')] as [number, unknown], 'signed-out'],
])('knows %s', async (_, answer, kind) => {
  serve(() => answer);
  expect((await sendWrite(write(), database)).kind).toBe(kind);
});

it('brings a refusal with its place', async () => {
  serve(() => [422, failure('bad-input')]);
  expect(await sendWrite(write(), database)).toEqual({
    kind: 'refused',
    failure: { code: 'bad-input', message: 'bad-input', path: ['name'] },
  });
});

it('reads what the server has when somebody wrote in between', async () => {
  serve(({ method }) =>
    method === 'PUT'
      ? [409, failure('stale-version')]
      : [
          200,
          [
            { id: 'other', version: 1 },
            { id: 'v', version: 7, note: 'theirs' },
          ],
        ],
  );
  expect(await sendWrite(write(), database)).toEqual({
    kind: 'stale',
    document: { id: 'v', version: 7, body: { note: 'theirs' } },
  });
  expect(asked[1]?.url).toBe('/api/lawns/l/visits');
});

it('waits when it cannot read that either', async () => {
  serve(({ method }) => (method === 'PUT' ? [409, failure('stale-version')] : null));
  expect((await sendWrite(write(), database)).kind).toBe('failing');
});

it('sends a photo in pieces from where the server left off', async () => {
  await database.put('photos', { id: 'p', bytes: new ArrayBuffer(700_000), type: 'image/jpeg' });
  const starts: string[] = [];
  serve(({ url, body }) => {
    if (!url.includes('bytes')) return [200, { id: 'p', version: 1, received: 262_144 }];
    const start = Number(/start=(\d+)/.exec(url)?.[1]);
    starts.push(String(start));
    return [200, { received: start + (body as ArrayBuffer).byteLength }];
  });
  const result = await sendWrite(write({ kind: 'photo', id: 'p' }), database);
  expect(result).toMatchObject({ kind: 'accepted', document: { body: {} } });
  expect(starts).toEqual(['262144', '524288']);
  // What the server has is not kept twice.
  expect(await database.get('photos', 'p')).toBeUndefined();
});

it('leaves out what the server adds by itself', () => {
  expect(serverDocument('report', { id: 'r', version: 2, date: 'd', path: '/report/x' })).toEqual({
    id: 'r',
    version: 2,
    body: { date: 'd' },
  });
});

it('notices whether there is a line', async () => {
  serve(() => null);
  await sendWrite(write(), database);
  expect(useOutboxStore.getState().line).toBe('down');
  serve(() => [200, { id: 'v', version: 4 }]);
  await sendWrite(write(), database);
  expect(useOutboxStore.getState().line).toBe('up');
});
