import { deflateSync } from 'node:zlib';
import request from 'supertest';
import sharp from 'sharp';
import { v7 as uuid } from 'uuid';
import {
  lawnBody,
  reportBody,
  signedInCompany,
  testServer,
  type TestServer,
} from '../../test/testServer';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());

/** A chunk of a PNG (ISO/IEC 15948); the check sum is left wrong on purpose where it is not looked at. */
function chunk(type: string, data: Buffer): Buffer {
  const length = Buffer.alloc(4);
  length.writeUInt32BE(data.length);
  return Buffer.concat([length, Buffer.from(type), data, Buffer.alloc(4)]);
}
function png(width: number, height: number, idat: Buffer): Buffer {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 6, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    chunk('IDAT', idat),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}
const jpeg = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#2f7f6d' } })
    .jpeg()
    .toBuffer();

async function reportWith(pictures: Buffer[]) {
  const { agent } = await signedInCompany(server);
  const lawnId = uuid();
  await agent
    .put(`/api/lawns/${lawnId}`)
    .send({ ...lawnBody(), version: 0 })
    .expect(200);
  const photoIds: string[] = [];
  const statuses: number[] = [];
  for (const bytes of pictures) {
    const id = uuid();
    photoIds.push(id);
    await agent
      .put(`/api/photos/${id}`)
      .send({ lawnId, date: '2026-04-08', type: 'image/jpeg', bytes: bytes.length, version: 0 })
      .expect(200);
    for (let start = 0; start < bytes.length; start += 500_000) {
      const answer = await agent
        .put(`/api/photos/${id}/bytes?start=${start}`)
        .set('content-type', 'application/octet-stream')
        .send(bytes.subarray(start, start + 500_000));
      if (start + 500_000 >= bytes.length) statuses.push(answer.status);
    }
  }
  const { body } = await agent
    .put(`/api/reports/${uuid()}`)
    .send({ ...reportBody(lawnId, { photoIds }), version: 0 })
    .expect(200);
  return { agent, photoIds, statuses, token: (body.path as string).split('/').pop()! };
}
const pdf = (token: string) => request(server.app).get(`/api/shared/${token}/pdf`).buffer(true);

it('costs a placeholder, whatever came as a picture', async () => {
  const whole = await jpeg(300, 200);
  const bad = [
    png(4, 4, Buffer.from('no zlib at all')),
    png(30_000, 30_000, deflateSync(Buffer.alloc(8))),
    Buffer.from('a text that says it is a picture'),
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg"><image href="file:///etc/hostname"/></svg>',
    ),
    whole.subarray(0, whole.length / 2),
  ];
  const { statuses, token, agent, photoIds } = await reportWith([...bad, whole]);
  expect(statuses.slice(-1)).toEqual([200]);
  expect(statuses.slice(0, 3)).toEqual([422, 422, 422]);
  const answer = await pdf(token).expect(200);
  expect((answer.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
  const kept = await agent.get(`/api/photos/${photoIds[5]}/bytes`).buffer(true).expect(200);
  expect(await sharp(kept.body as Buffer).metadata()).toMatchObject({
    format: 'jpeg',
    width: 300,
    height: 200,
  });
  await agent.get(`/api/photos/${photoIds[0]}/bytes`).expect(404);
  await agent.get('/api/health').expect(200);
}, 60_000);

it('is made smaller and says nothing of where it was taken, in whatever piece that stood', async () => {
  const placed = await sharp({
    create: { width: 2600, height: 1200, channels: 3, background: '#804020' },
  })
    .withExif({ IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } })
    .jpeg()
    .toBuffer();
  const { statuses } = await reportWith([placed]);
  expect(statuses).toEqual([422]);
  const { statuses: plain, agent, photoIds } = await reportWith([await jpeg(2600, 1200)]);
  expect(plain).toEqual([200]);
  const kept = await agent.get(`/api/photos/${photoIds[0]}/bytes`).buffer(true).expect(200);
  const { width, exif } = await sharp(kept.body as Buffer).metadata();
  expect([width, exif]).toEqual([2000, undefined]);
});

it('is laid out once for all who read it', async () => {
  const { token } = await reportWith([await jpeg(6000, 6000)]);
  const [first, second] = await Promise.all([pdf(token).expect(200), pdf(token).expect(200)]);
  expect(second.body).toEqual(first.body);
}, 60_000);
