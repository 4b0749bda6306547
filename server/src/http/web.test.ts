import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import express, { type Express } from 'express';
import request from 'supertest';
import { serveWeb } from './web';

let folder: string;
let app: Express;
const put = (name: string, text: string) => {
  const file = join(folder, name);
  mkdirSync(join(file, '..'), { recursive: true });
  writeFileSync(file, text);
  writeFileSync(`${file}.br`, brotliCompressSync(text));
};
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'alfombra-web-'));
  put('index.html', '<!doctype html><title>Alfombra</title>');
  put('_expo/static/js/web/walk-1a2b.js', 'console.log("walk");');
  put(
    'preload.json',
    JSON.stringify([
      { address: '^/lawns/new$', files: ['/a.js'] },
      { address: '^/lawns/[^/]+/walk$', files: ['/walk.js', '/tables/signs.json'] },
    ]),
  );
  app = express();
  serveWeb(app, folder);
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const ask = (path: string, encoding = 'br') =>
  request(app).get(path).set('accept-encoding', encoding);

it('sends hashed files compressed, for ever, and without the page’s policy', async () => {
  const answer = await ask('/_expo/static/js/web/walk-1a2b.js').expect(200);
  expect(answer.headers['content-encoding']).toBe('br');
  expect(answer.headers['cache-control']).toBe('public, max-age=31536000, immutable');
  expect(answer.headers['content-security-policy']).toBeUndefined();
  expect(answer.headers['x-content-type-options']).toBe('nosniff');
});

it('sends any address as the page, never from cache, with its policy and word of its chunks', async () => {
  const answer = await ask('/lawns/7/walk').expect(200);
  expect(answer.headers['content-encoding']).toBe('br');
  expect(answer.headers['cache-control']).toBe('no-cache');
  expect(answer.headers['content-security-policy']).toContain("script-src 'self'");
  expect(answer.headers.link).toBe(
    '</walk.js>; rel=preload; as=script, </tables/signs.json>; rel=preload; as=fetch; crossorigin',
  );
  expect((await ask('/lawns/new')).headers.link).toContain('/a.js');
  expect((await ask('/guide')).headers.link).toBeUndefined();
});

it('sends it plain to who takes nothing else', async () => {
  const answer = await ask('/today', 'identity').expect(200);
  expect(answer.headers['content-encoding']).toBeUndefined();
  expect(answer.text).toContain('Alfombra');
});

it('has no page for a file that is not there', async () => {
  await ask('/missing-9c.js').expect((answer) => expect(answer.status).not.toBe(200));
});
