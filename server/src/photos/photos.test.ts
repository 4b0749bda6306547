import { randomBytes, randomUUID } from 'node:crypto';
import request from 'supertest';
import sharp from 'sharp';
import { createApp } from '../app';
import {
  lawnBody,
  PASSWORD,
  signedInCompany,
  testServer,
  type TestServer,
} from '../../test/testServer';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

async function announced(bytes: number) {
  const { agent } = await signedInCompany(server);
  const [lawnId, id] = [randomUUID(), randomUUID()];
  await agent
    .put(`/api/lawns/${lawnId}`)
    .send({ ...lawnBody(), version: 0 })
    .expect(200);
  const body = { lawnId, date: '2026-04-08', type: 'image/jpeg', bytes, version: 0 };
  const { body: photo } = await agent.put(`/api/photos/${id}`).send(body).expect(200);
  expect(photo).toMatchObject({ received: 0, version: 1 });
  const send = (start: number, piece: Buffer) =>
    agent
      .put(`/api/photos/${id}/bytes?start=${start}`)
      .set('content-type', 'application/octet-stream')
      .send(piece);
  return { agent, id, lawnId, send };
}

it('comes in pieces, goes on where it broke off, and is whole in the end', async () => {
  // Noise, which no JPEG makes small.
  const bytes = await sharp(randomBytes(1100 * 700 * 3), {
    raw: { width: 1100, height: 700, channels: 3 },
  })
    .jpeg({ quality: 95 })
    .toBuffer();
  expect(bytes.length).toBeGreaterThan(600_000);
  const { agent, id, lawnId, send } = await announced(bytes.length);
  expect((await send(0, bytes.subarray(0, 300_000))).body).toEqual({ received: 300_000 });
  await agent.get(`/api/photos/${id}/bytes`).expect(404);
  // The answer was lost and the piece comes again: nothing changes.
  expect((await send(0, bytes.subarray(0, 300_000))).body).toEqual({ received: 300_000 });
  expect((await agent.get(`/api/lawns/${lawnId}/photos`)).body[0].received).toBe(300_000);
  const gap = await send(500_000, bytes.subarray(500_000));
  expect([gap.status, gap.body.error.path]).toEqual([422, ['start']]);
  await send(300_000, bytes.subarray(300_000)).expect(200);
  const whole = await agent.get(`/api/photos/${id}/bytes`).buffer(true).expect(200);
  expect(whole.headers['content-type']).toBe('image/jpeg');
  expect(await sharp(whole.body as Buffer).metadata()).toMatchObject({ width: 1100, height: 700 });
  expect((await agent.get(`/api/lawns/${lawnId}/photos`)).body[0].received).toBe(bytes.length);
  // All of it once more, after the last answer was lost: it is there.
  expect((await send(0, bytes.subarray(0, 300_000))).body).toEqual({ received: bytes.length });
});

it('is not taken past its end, nor with the place where it was taken', async () => {
  const long = await announced(100);
  expect((await long.send(0, randomBytes(101))).status).toBe(422);
  const tagged = Buffer.from([0xff, 0xd8, 0xff, 0xe1, 0, 6, 1, 2, 3, 4, 0xff, 0xda, 0, 2]);
  const { send } = await announced(tagged.length);
  expect((await send(0, tagged)).body.error.message).toContain('strip');
});

it('belongs to its company', async () => {
  const { id } = await announced(10);
  const { agent: stranger } = await signedInCompany(server);
  await stranger.get(`/api/photos/${id}/bytes`).expect(404);
  await stranger
    .put(`/api/photos/${id}/bytes?start=0`)
    .set('content-type', 'application/octet-stream')
    .send(randomBytes(10))
    .expect(404);
});

it('is refused with a clear word when the company keeps as much as it may', async () => {
  const { email, agent: owner } = await signedInCompany(server);
  const lawnId = randomUUID();
  await owner
    .put(`/api/lawns/${lawnId}`)
    .send({ ...lawnBody(), version: 0 })
    .expect(200);
  const full = createApp(server.models, {
    logLevel: 'silent',
    web: undefined,
    secureCookie: false,
    key: 'a key of the tests alone',
    photoBytes: 0,
  });
  const agent = request.agent(full);
  await agent.post('/api/session').send({ email, password: PASSWORD }).expect(200);
  const answer = await agent
    .put(`/api/photos/${randomUUID()}`)
    .send({ lawnId, date: '2026-04-08', type: 'image/jpeg', bytes: 10, version: 0 });
  expect([answer.status, answer.body.error.code]).toEqual([507, 'no-room']);
});
