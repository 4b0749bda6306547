import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import express from 'express';
import request from 'supertest';
import { packed, sendPacked } from './packed';

const json = JSON.stringify({ words: 'warp and weft '.repeat(500) });
const app = express();
app.get('/', async (asked, response) => sendPacked(asked, response, packed(json)));

const ask = (accepts: string) =>
  request(app)
    .get('/')
    .set('accept-encoding', accepts)
    .buffer(true)
    .parse((answer, done) => {
      const pieces: Buffer[] = [];
      answer.on('data', (piece: Buffer) => pieces.push(piece));
      answer.on('end', () => done(null, Buffer.concat(pieces)));
    });

it.each([
  ['br, gzip', 'br', brotliDecompressSync],
  ['gzip;q=1, br;q=0', 'gzip', gunzipSync],
  ['identity', undefined, (body: Buffer) => body],
  ['', undefined, (body: Buffer) => body],
] as const)(
  'sends to a client that takes "%s" what it can unpack',
  async (accepts, encoding, unpack) => {
    const answer = await ask(accepts);
    expect(answer.headers['content-encoding']).toBe(encoding);
    expect(answer.headers['content-type']).toMatch(/^application\/json/);
    expect(answer.headers.vary).toBe('accept-encoding');
    // The client of these tests unpacks by itself what it knows.
    const body = answer.body as Buffer;
    const text = body.toString().startsWith('{') ? body : unpack(body);
    expect(text.toString()).toBe(json);
  },
);
