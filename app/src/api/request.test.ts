import { z } from 'zod';
import { remove, request, RequestFailure } from './request';

const schema = z.object({ name: z.string() });
const asked: { url: string; init: RequestInit }[] = [];
const realFetch = global.fetch;

/** Answers the next requests; `null` is a line that is down. */
function answer(status: number | null, body?: unknown) {
  global.fetch = ((url: string, init: RequestInit) => {
    asked.push({ url, init });
    if (status === null) return Promise.reject(new TypeError('failed to fetch'));
    return Promise.resolve({
      status,
      ok: status >= 200 && status < 300,
      json: () =>
        body === undefined ? Promise.reject(new SyntaxError('no JSON')) : Promise.resolve(body),
    });
  }) as unknown as typeof fetch;
}

beforeEach(() => asked.splice(0));
afterAll(() => {
  global.fetch = realFetch;
});

const failureOf = async (sent: Promise<unknown>): Promise<RequestFailure> => {
  const failure: unknown = await sent.catch((error: unknown) => error);
  expect(failure).toBeInstanceOf(RequestFailure);
  return failure as RequestFailure;
};

it('sends JSON with the cookie of this origin only, and gives the answer back', async () => {
  answer(200, { name: 'Back', more: 1 });
  expect(await request(schema, 'PUT', '/api/lawns/1', { body: { name: 'Back' } })).toEqual({
    name: 'Back',
  });
  expect(asked).toEqual([
    {
      url: '/api/lawns/1',
      init: {
        signal: expect.any(AbortSignal) as AbortSignal,
        method: 'PUT',
        credentials: 'same-origin',
        headers: { 'content-type': 'application/json' },
        body: '{"name":"Back"}',
      },
    },
  ]);
});

it('names a write by its own id, and sends bytes as they are', async () => {
  answer(200, { name: 'Back' });
  await request(schema, 'PUT', '/api/lawns/1', { body: {}, writeId: 'w-1' });
  expect(asked[0]?.init.headers).toMatchObject({ 'idempotency-key': 'w-1' });
  const bytes = new ArrayBuffer(3);
  await request(schema, 'PUT', '/api/photos/1/bytes', { bytes });
  expect(asked[1]?.init).toMatchObject({
    body: bytes,
    headers: { 'content-type': 'application/octet-stream' },
  });
});

it('sends no body where there is none', async () => {
  answer(200, { name: 'Back' });
  await request(schema, 'GET', '/api/lawns/1');
  expect(asked[0]?.init).not.toHaveProperty('body');
  answer(204);
  await expect(remove('/api/session')).resolves.toBeUndefined();
});

it('does not take an answer that breaks the contract', async () => {
  answer(200, { name: 7 });
  await expect(request(schema, 'GET', '/api/lawns/1')).rejects.toBeInstanceOf(z.ZodError);
});

it('carries the server’s failure to the field it came from', async () => {
  answer(422, {
    error: {
      code: 'bad-input',
      message: 'cover is a share of the ground, 0 to 1',
      path: ['zones', 0, 'stand', 1, 'cover'],
      issues: [{ path: ['zones', 0, 'stand', 1, 'cover'], message: 'too much' }],
    },
  });
  const failure = await failureOf(request(schema, 'PUT', '/api/lawns/1', { body: {} }));
  expect(failure.code).toBe('bad-input');
  expect(failure.path).toEqual(['zones', 0, 'stand', 1, 'cover']);
  expect(failure.issues).toHaveLength(1);
});

it.each([
  ['no answer', null, undefined, 'offline'],
  ['a page of somebody else’s', 501, undefined, 'internal'],
  ['a proxy that cannot reach the server', 502, undefined, 'offline'],
  [
    'a server without its database',
    503,
    { error: { code: 'unavailable', message: '' } },
    'offline',
  ],
  ['a proxy that has waited long enough', 504, undefined, 'offline'],
  ['what comes after these', 505, undefined, 'internal'],
  ['JSON of another shape', 500, { oops: true }, 'internal'],
])('knows %s', async (_, status, body, code) => {
  answer(status, body);
  expect((await failureOf(request(schema, 'GET', '/api/lawns'))).code).toBe(code);
});

it('does not wait for ever for a server that takes a request and says nothing', async () => {
  jest.useFakeTimers();
  global.fetch = ((_url: string, { signal }: RequestInit) =>
    new Promise((_resolve, reject) =>
      signal?.addEventListener('abort', () => reject(new Error('aborted'))),
    )) as typeof fetch;
  const asked = failureOf(request(schema, 'PUT', '/api/lawns/1', { body: {} }));
  await jest.advanceTimersByTimeAsync(20_000);
  expect((await asked).code).toBe('offline');
  jest.useRealTimers();
});

it('gives what is long the time that a poor line takes', async () => {
  jest.useFakeTimers();
  global.fetch = ((_url: string, { signal }: RequestInit) =>
    new Promise((_resolve, reject) =>
      signal?.addEventListener('abort', () => reject(new Error('aborted'))),
    )) as typeof fetch;
  let ended = false;
  // 500 kB at 5 kB/s: a hundred seconds more than what is short.
  const asked = failureOf(
    request(schema, 'PUT', '/api/photos/1/bytes', { bytes: new ArrayBuffer(500_000) }),
  ).finally(() => {
    ended = true;
  });
  await jest.advanceTimersByTimeAsync(119_000);
  expect(ended).toBe(false);
  await jest.advanceTimersByTimeAsync(1000);
  expect((await asked).code).toBe('offline');
  jest.useRealTimers();
});
